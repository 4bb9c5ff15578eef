import type { Plan } from '../../model/plan'
import type { PlanContext } from '../../model/plan-context'
import { spoken } from '../../model/vocabulary'
import type { OptionValues, Technique } from '../../planner/technique'
import { planCase } from '../../techniques/plan-case'
import { measurementLabel } from '../../techniques/measurement-ids'
import { castOpening } from '../../techniques/cast-opening/cast-opening'
import { slabAndStirrup } from '../../techniques/slab-and-stirrup/slab-and-stirrup'
import { careCollar } from '../../techniques/care-collar/care-collar'
import { walkerBoot } from '../../techniques/walker-boot/walker-boot'
import { extricationCollar } from '../../techniques/extrication-collar/extrication-collar'
import { legCast } from '../../techniques/leg-cast/leg-cast'
import { legSlab } from '../../techniques/leg-slab/leg-slab'
import { findTechnique, techniques } from '../../techniques/registry'
import { frameTraction } from '../../techniques/frame-traction/frame-traction'
import { hingedKneeBrace } from '../../techniques/hinged-knee-brace/hinged-knee-brace'
import { poleTraction } from '../../techniques/pole-traction/pole-traction'
import { seatedVest } from '../../techniques/seated-vest/seated-vest'
import { suspendedRingTraction } from '../../techniques/suspended-ring-traction/suspended-ring-traction'
import { ringTraction } from '../../techniques/ring-traction/ring-traction'
import { trunkShell } from '../../techniques/trunk-shell/trunk-shell'
import { volarSlab } from '../../techniques/volar-slab/volar-slab'
import { practiceCase, practiceInjury, usualPatient, type PracticePatient } from '../practice-case'
import { newestRules, usualLimitS, type CriticalError, type Station } from './station'

const mostAsked = 3

/** The plan of a station's patient: its steps and its right figures; null for a technique that there is not. */
export function planOfStation(station: Pick<Station, 'technique' | 'options' | 'patient'>, ctx: PlanContext): Plan | null {
  const technique = findTechnique(station.technique)
  if (!technique) return null
  const clinicalCase = practiceCase(technique, station.patient, ctx.protocol)
  return planCase({ ...clinicalCase, options: station.options }, ctx)
}

/** A station as lists show it, before anything of it is worked out. */
export interface StationLine {
  readonly id: string
  readonly name: string
  readonly technique: Technique
  readonly patient: PracticePatient
  /** Schools that it is done by; the usual ones where they are left out. */
  readonly options?: OptionValues
}

/** Under what the station of a technique is found. */
export function stationIdOf(technique: string): string {
  return `shipped-${technique}`
}

/** The same skills on people who ask for more than the usual: small, heavy, very swollen, the other side. */
const mixed: readonly StationLine[] = [
  line('child-slab', 'a child, very swollen', legSlab, { heightCm: 118, massKg: 22, side: 'right', swelling: 'marked' }),
  line('heavy-cast', 'a heavy patient', legCast, { heightCm: 186, massKg: 118, side: 'right', swelling: 'mild' }),
  line('tall-wrist', 'a tall patient, right wrist', volarSlab, { heightCm: 198, massKg: 96, side: 'right', swelling: 'marked' }),
  line('light-traction', 'a light patient', ringTraction, { heightCm: 156, massKg: 47, side: 'right', swelling: 'mild' }),
  line('small-collar', 'a small neck', extricationCollar, { heightCm: 142, massKg: 38, swelling: 'none' }),
]

function line(id: string, who: string, technique: Technique, patient: Partial<PracticePatient>): StationLine {
  return { id: `mixed-${id}`, name: `${technique.name}: ${who}`, technique, patient: { ...usualPatient, ...patient } }
}

/** The same techniques by another main school, on the usual patient. */
const schools: readonly StationLine[] = [
  school('slab-fibreglass', 'pre-padded fibreglass', legSlab, { material: 'padded-fibreglass' }),
  school('slab-face-down', 'face down', legSlab, { position: 'face-down' }),
  school('wrist-fibreglass', 'pre-padded fibreglass', volarSlab, { material: 'padded-fibreglass' }),
  school('cast-from-injury', 'from the injury, slow plaster', legCast, { order: 'from-the-injury', material: 'plaster-slow' }),
  school('stirrup-face-down', 'face down', slabAndStirrup, { position: 'face-down' }),
  school('opening-halves', 'into two halves', castOpening, { lines: 'two-halves' }),
  school('cast-short', 'short, foot on your own chest', legCast, { extent: 'short', 'foot-hold': 'own-chest' }),
  school('collar-soft', 'a soft collar by the local policy', extricationCollar, { policy: 'soft' }),
  school('collar-none', 'blocks and hands', extricationCollar, { policy: 'blocks-and-hands' }),
  school('shell-standing', 'standing in a doorway', trunkShell, { way: 'standing-doorway' }),
  school('shell-firm', 'firm, as borne', trunkShell, { tightness: 'firm-to-tolerance' }),
  school('vest-roadside', 'by the chest alone, put on by two', seatedVest, { way: 'roadside', 'put-on-by': 'two' }),
  school('ring-plus-four', 'ring by girth + 4 cm', ringTraction, { 'ring-rule': 'plus-four' }),
  school('suspended-straight', 'a straight cord', suspendedRingTraction, { rig: 'straight-cord' }),
  school('suspended-pin', 'on a bone pin', suspendedRingTraction, { 'hold-on': 'pin' }),
  school('pole-relief', 'pulled to relief', poleTraction, { load: 'relief' }),
  school('frame-tenth', 'by a tenth of body mass', frameTraction, { load: 'tenth' }),
  school('care-collar-half-up', 'as far up as allowed', careCollar, { posture: 'as-allowed' }),
  school('boot-weight', 'weight ordered', walkerBoot, { weight: 'allowed' }),
  school('brace-near-ankle', 'bars near the ankle', hingedKneeBrace, { 'bar-reach': 'near-ankle' }),
]

function school(id: string, how: string, technique: Technique, options: OptionValues): StationLine {
  return { id: `school-${id}`, name: `${technique.name}: ${how}`, technique, patient: usualPatient, options }
}

/** Every station that is shipped: one of each technique, then by other schools, then on other people. */
export const stationLines: readonly StationLine[] = [
  ...techniques.map((technique): StationLine => ({
    id: stationIdOf(technique.id),
    name: technique.name,
    technique,
    patient: usualPatient,
  })),
  ...schools,
  ...mixed,
]

/** The shipped stations, made from what their techniques say. */
export function shippedStations(ctx: PlanContext): readonly Station[] {
  return stationLines.flatMap((stationLine) => makeStation(stationLine, ctx) ?? [])
}

/** The shipped station with an id, or null. */
export function findStation(id: string, ctx: PlanContext): Station | null {
  const found = stationLines.find((stationLine) => stationLine.id === id)
  return found ? makeStation(found, ctx) : null
}

function makeStation({ id, name, technique, patient, options = {} }: StationLine, ctx: PlanContext): Station | null {
  const plan = planOfStation({ technique: technique.id, options, patient }, ctx)
  if (!plan || plan.procedure.steps.length === 0) return null
  const { steps } = plan.procedure
  // What is cut, set, wrapped or held to: of a collar its setting.
  const isAsked = (id: string): boolean => technique.decisions.some((decision) => decision.id === id && (decision.use ?? 'know') !== 'know')
  return {
    id,
    name,
    technique: technique.id,
    options,
    patient,
    given: usualGiven(technique, patient, plan),
    onAsking: [
      { ask: 'Pulse?', answer: 'Strong, the same on both sides.' },
      { ask: 'Feeling and movement?', answer: 'Normal.' },
      { ask: 'Pain?', answer: 'Four of ten, worse when moved.' },
      { ask: 'Allergies?', answer: 'None known.' },
      ...readingsOnAsking(technique, patient, ctx),
    ],
    prompts: [{ atS: usualLimitS / 2, text: 'Half of the time has gone.' }],
    limitS: usualLimitS,
    required: steps.filter((step) => !step.optional).map((step) => step.id),
    criticals: criticalsFor(plan),
    asked: plan.decisions
      .filter((decision) => typeof decision.value === 'number' && isAsked(decision.id))
      .slice(0, mostAsked)
      .map((decision) => ({ decision: decision.id, tolerance: null })),
    rules: newestRules,
  }
}

/**
 * What is given at the start where an author says nothing else: who, what, and what is to be applied.
 * @param plan of that patient
 */
export function usualGiven(technique: Technique, patient: PracticePatient, plan: Plan): readonly string[] {
  const { body } = plan.geometry
  const injury = practiceInjury(technique)
  const part = injury.region ? spoken(injury.region) : 'body'
  const where = body === 'leg' || body === 'arm' ? `${patient.side.toUpperCase()} ${part}` : part
  return [
    `A person of 40, ${patient.heightCm} cm, ${patient.massKg} kg. ${where}: ${spoken(injury.pattern)}.`,
    `Apply: ${technique.name.toLowerCase()}. ${technique.purpose}`,
    ...(technique.puts.includes('leg-pull')
      ? ['The survey is done, the injury is alone: airway, breathing and bleeding are seen to.']
      : []),
    ...(hasAssistant(plan) ? ['An assistant is there, and acts only when you say so.'] : []),
  ]
}

/** What the tape says where it is laid: a figure that was not asked for nobody has. */
function readingsOnAsking(
  technique: Technique,
  patient: PracticePatient,
  ctx: PlanContext,
): readonly { readonly ask: string; readonly answer: string }[] {
  return practiceCase(technique, patient, ctx.protocol).measurements.map(({ id, value, unit }) => ({
    ask: `Tape: ${measurementLabel(id)}?`,
    answer: `${value} ${unit ?? ''}`.trim(),
  }))
}

/** Whether somebody else holds while the candidate works. */
function hasAssistant({ procedure: { steps } }: Plan): boolean {
  return steps.some(({ holds }) => holds !== null)
}

/** Whether what is held goes from one pair of hands to another, or to the device. */
function changesHands({ procedure: { steps } }: Plan): boolean {
  return steps.some(({ holds }) => holds?.what === 'pull' || (holds?.changes?.length ?? 0) > 0)
}

/** What can go critically wrong with a plan: only what it has. */
function criticalsFor(plan: Plan): readonly CriticalError[] {
  const { steps } = plan.procedure
  const { body } = plan.geometry
  return [
    ...(steps.some((step) => step.pull || step.holds?.what === 'pull') ? (['pull-let-go'] as const) : []),
    ...(steps.some((step) => step.holds?.what === 'head') ? (['head-let-go'] as const) : []),
    'circulation-before',
    'circulation-after',
    ...(hasAssistant(plan) ? (['assistant-undirected'] as const) : []),
    ...(changesHands(plan) ? (['hands-changed-unsaid'] as const) : []),
    ...(plan.geometry.bands.some((band) => band.kind === 'strap') ? (['strap-on-injury'] as const) : []),
    ...(body === 'leg' || body === 'arm' ? (['wrong-side'] as const) : []),
    ...(plan.decisions.some((decision) => decision.strip) ? (['size-off'] as const) : []),
    'stop-ignored',
  ]
}
