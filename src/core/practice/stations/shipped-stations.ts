import type { Plan } from '../../model/plan'
import type { PlanContext } from '../../model/plan-context'
import { spoken } from '../../model/vocabulary'
import type { OptionValues, Technique } from '../../planner/technique'
import { planCase } from '../../techniques/plan-case'
import { extricationCollar } from '../../techniques/extrication-collar/extrication-collar'
import { legCast } from '../../techniques/leg-cast/leg-cast'
import { legSlab } from '../../techniques/leg-slab/leg-slab'
import { findTechnique, techniques } from '../../techniques/registry'
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
  school('cast-short', 'short, foot on your own chest', legCast, { extent: 'short', 'foot-hold': 'own-chest' }),
  school('shell-standing', 'standing in a doorway', trunkShell, { way: 'standing-doorway' }),
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
export function usualGiven(technique: Technique, patient: PracticePatient, { geometry: { body } }: Plan): readonly string[] {
  const injury = practiceInjury(technique)
  const part = injury.region ? spoken(injury.region) : 'body'
  const where = body === 'leg' || body === 'arm' ? `${patient.side.toUpperCase()} ${part}` : part
  return [
    `A person of 40, ${patient.heightCm} cm, ${patient.massKg} kg. ${where}: ${spoken(injury.pattern)}.`,
    `Apply: ${technique.name.toLowerCase()}. ${technique.purpose}`,
  ]
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
    ...(plan.geometry.bands.some((band) => band.kind === 'strap') ? (['strap-on-injury'] as const) : []),
    ...(body === 'leg' || body === 'arm' ? (['wrong-side'] as const) : []),
    ...(plan.decisions.some((decision) => decision.strip) ? (['size-off'] as const) : []),
    'stop-ignored',
  ]
}
