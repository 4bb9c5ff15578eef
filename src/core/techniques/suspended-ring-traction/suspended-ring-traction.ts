import { known, sentence } from '../../planner/answer'
import { legGeometry } from '../../planner/body/leg-geometry'
import { sketchLeg } from '../../planner/body/measure-leg'
import { calfGirth, insideLeg, lowerLegLength, midThighGirth } from '../../figures/body/measurements/leg'
import { obliqueGroinGirth, outerLeg } from '../../figures/body/measurements/traction'
import { workingOf, type PlanDraft } from '../../planner/draft'
import type { ScheduleEntry } from '../../model/plan'
import type { Geometry } from '../../model/geometry'
import { scheduleRounds } from '../../planner/schedule-rounds'
import { capOf, decidePull } from '../families/traction/decide-pull'
import { measureSpan, type MeasuredSpan } from '../families/traction/measure-span'
import { decideRolls } from '../families/wraps/decide-rolls'
import { legStretchZones, paddedAt } from '../families/wraps/leg-wraps'
import { buildLegModel, legGirthAt, type LegModel } from '../../figures/body/leg-model'
import { legGirthRatios } from '../../figures/body/leg-template'
import type { Estimate } from '../../figures/body/pool-side'
import { rigDefaults } from '../../figures/traction/hang-rig'
import { holdingStripCm } from '../families/traction/holding-strip'
import type { RigKind } from '../../model/rig'
import { listKind } from '../shared/list-kind'
import { formatValue } from '../../planner/format-decision'
import { roundUpTo } from '../../quantities/rounding'
import { suspensionScene } from './scene'
import { everyTwoHours } from '../families/traction/every-two-hours'
import { decidePeople } from '../shared/decide-people'
import { extraHolder } from '../shared/extra-holder'
import { pullOf, pullWords } from '../families/traction/step-pull'
import { decideRing, decideSplintLength, resolveStrips, ringOptions } from '../families/traction/ring'
import { judgeTraction, loadOption, requireMass } from '../families/traction/judge-traction'
import { lyingOption, suppliesOption } from '../../planner/shared-options'
import type { OptionValues, Technique, TechniqueOutcome } from '../../planner/technique'
import { suspendedCare, suspendedFit, suspendedSteps } from './procedure'
import { decideCord, decideCounterweight, decideFootRaise, decideStripLength, decideSuspension, judgeEightOnSkin } from './weights'
import { readDefaults } from '../../quantities/defaults'
import { suspendedRingTractionRelease, suspendedRingTractionTroubles } from './trouble'
import { decisions } from './decisions'
import { suspendedRingTaskForms } from './task-forms'
import { suspendedRingTractionMusts } from './musts'
import { suspendedRingTractionRoles, type SuspendedRingTractionStep } from './roles'

const bandageFromCm = 7
const bandageWidthCm = 10
const ankleShare = 0.2
const slingAboveAnkleCm = 3
const slingBelowRingCm = 6
const slingMoreCm = 50
const slingWidthCm = 15

/** Ring splint, skin strips or pin, slings, balanced suspension. */
export const suspendedRingTraction: Technique<SuspendedRingTractionStep> = {
  id: 'suspended-ring-traction',
  name: 'Suspended ring traction',
  purpose: 'Holds a broken thigh out to length for days to weeks, the leg floating so that the patient can be washed and moved.',
  bodyRegion: 'leg',
  regions: ['thigh'],
  patterns: ['femoral-shaft-fracture'],
  decisions,
  options: [
    ...ringOptions('plus-four', 'plus-twenty'),
    loadOption(['skin-cap', 'relief']),
    {
      id: 'counterweight',
      label: 'Counterweight',
      default: () => 'matched',
      values: [
        { id: 'matched', label: 'Matched', why: 'No more than the set pull, so that the cord is never loaded above it.' },
        { id: 'about-eight', label: 'About eight kilograms', why: 'Older rule of thumb; on skin it passes what strips may bear.' },
        { id: 'none', label: 'None', why: 'The ring carries the pull: for those whose bed must not be tilted.' },
      ],
    },
    {
      id: 'rig',
      label: 'Rig',
      default: () => 'carried-pulley',
      values: [
        {
          id: 'carried-pulley',
          label: 'Carried pulley',
          why: 'Two strands share the lift: half the weight, and the leg rises and sinks level when the patient moves.',
        },
        { id: 'straight-cord', label: 'Straight cord', why: 'Beds with one pulley: simple to see, twice the weight.' },
      ],
    },
    {
      id: 'slings',
      label: 'Slings',
      default: () => 'ring-knee-heel',
      values: [
        { id: 'ring-knee-heel', label: 'Ring, knee, heel cord', why: 'Where the leg would sag first; nothing on the ankle bones.' },
        { id: 'even', label: 'Evenly', why: 'Thin or fragile skin: the load shared alike.' },
      ],
    },
    {
      id: 'hold-on',
      label: 'Pull on',
      default: () => 'skin',
      values: [
        { id: 'skin', label: 'Skin strips', why: 'No theatre needed; up to 5 kg.' },
        { id: 'pin', label: 'Bone pin', why: 'Longer traction or more pull, placed by a surgeon.' },
      ],
    },
    suppliesOption,
    lyingOption,
  ],
  measurements: () => [
    { definition: obliqueGroinGirth, need: 'required' },
    { definition: insideLeg, need: 'required' },
    { definition: outerLeg, need: 'required' },
    { definition: calfGirth, need: 'optional' },
    { definition: midThighGirth, need: 'optional' },
    { definition: lowerLegLength, need: 'optional' },
  ],
  uses: () => ['suspended-ring-traction'],
  puts: ['limb-device', 'leg-pull', 'skin-strips', 'unfelt-edges', 'over-injury'],
  judge: judgeTraction,
  answer: (said) =>
    sentence(
      known`Take ${said.brief('ring')}, splint set to ${said.brief('splint-length')}`,
      known`pull ${said.brief('traction')}`,
      known`${said.brief('suspension-weight')} to carry the leg`,
      said.isSome('foot-raise') && known`foot end up ${said.brief('foot-raise')}`,
    ),
  plan: planSuspended,
  asks: ['countertraction'],
  roles: suspendedRingTractionRoles,
  musts: suspendedRingTractionMusts,
  onUrgent: { holds: 'pull', actions: suspendedRingTractionRelease },
  comesOff: [
    'Counterweight lowered by hand to the floor, then the suspension, the leg carried.',
    'Untie the cord; the hands carry the pull. Splint and slings out.',
    'Bandage and strips off, slowly, the skin held back.',
  ],
  taskForms: suspendedRingTaskForms,
  troubles: suspendedRingTractionTroubles,
}

function planSuspended(draft: PlanDraft, options: OptionValues): TechniqueOutcome<SuspendedRingTractionStep> {
  const { side } = draft.clinicalCase.injury
  const isPin = options['hold-on'] === 'pin'
  const massKg = requireMass(draft)
  const { size, groin } = decideRing(draft, 'suspended-ring-traction', options)
  const span = measureSpan(draft)
  const inside = draft.measure(insideLeg)
  const lengthCm = inside ? decideSplintLength(draft, inside, options) : null
  const outer = isPin ? draft.measure(outerLeg) : draft.require(outerLeg)
  if (!isPin && inside && outer) decideStripLength(draft, inside, outer)
  if (!isPin && groin && span) decideBandage(draft, span, groin)
  if (span) decideSlingLengths(draft, span, groin, decideSlings(draft, span, String(options['slings'])))
  const strips = isPin ? null : resolveStrips(draft, options)
  let hung: ReturnType<typeof decideSuspension> | null = null
  if (massKg !== null) {
    const school = isPin ? 'tenth' : String(options['load'])
    const pullKg = decidePull(draft, { decision: 'traction', school, massKg, strips, isSkin: !isPin })
    const counterweightKg = decideCounterweight(draft, String(options['counterweight']), massKg, pullKg)
    if (strips !== null) judgeEightOnSkin(draft, { counterweightKg, pullKg, capKg: capOf(draft, strips), span })
    if (span && lengthCm !== null) {
      hung = decideSuspension(draft, {
        massKg,
        span,
        splintCm: lengthCm,
        groin,
        stripCm: isPin ? null : holdingStripCm(draft, span),
        kind: draft.clinicalCase.rig?.kind ?? (String(options['rig']) as RigKind),
        counterweightKg,
        pullKg,
      })
    }
    decideCord(draft, { massKg, pullKg, counterweightKg, strips, groin, span }, hung?.state ?? null)
    decideFootRaise(draft, counterweightKg, massKg)
    listCords(draft, hung)
  }
  const words = (id: string): string | null => draft.collect().decisions.find((decision) => decision.id === id)?.display ?? null
  const counter = draft.collect().decisions.find((decision) => decision.id === 'counterweight')
  const raise = draft.collect().decisions.find((decision) => decision.id === 'foot-raise')
  const pull = pullOf(draft, 'traction', isPin ? undefined : capOf(draft, strips))
  const steps = suspendedSteps({
    side,
    ring: size ?? 'the ring',
    isPin,
    isAdhesive: strips === 'adhesive',
    pullWords: pullWords(draft, 'traction', pull),
    pull,
    weightWords: words('suspension-weight') ?? 'until the leg floats',
    counterWords: counter && Number(counter.value) > 0 ? counter.display : null,
    raiseWords: raise && Number(raise.value) > 0 ? raise.display : null,
    stripWords: words('strips'),
    slingWords: words('slings'),
    isCarried: hung?.state.kind !== 'straight-cord',
    carriedWords: hung ? formatValue(hung.rig.carriedAtCm, 'cm') : null,
    cordWords: hung ? formatValue(roundUpTo(hung.route.lengthCm, 10), 'cm') : null,
    onward: hung?.rig.onwardCm.length ?? 1,
  })
  decidePeople(draft, { floor: 2 + extraHolder(draft.clinicalCase), steps, relief: ['hang the suspension before the leg is lifted'] })
  return { steps, fit: suspendedFit, care: suspendedCare, schedule: schedule(draft), geometry: draw(draft, span, lengthCm, hung) }
}

/**
 * Decides `bandage` over the strips: the leg template scaled to the groin girth, from 7 cm above the ankle to the groin, over the padding, one
 * pass of 10 cm by half overlap. An estimate, said so.
 */
function decideBandage(draft: PlanDraft, span: MeasuredSpan, groin: Estimate): void {
  const fromCm = ankleShare * span.lowerLegCm + bandageFromCm
  const padded = scaledLeg(span, groin, (girthCm) => paddedAt(draft, { girthCm }))
  if (!padded) return
  const areaCm2 = legStretchZones(padded, fromCm, span.insideLegCm).reduce((sum, zone) => sum + zone.areaCm2, 0)
  decideRolls(draft, {
    decision: 'bandage',
    item: 'crepe-bandage',
    zones: [{ id: 'leg', areaCm2, turnsCm: 0, widthsCm: [bandageWidthCm, bandageWidthCm] }],
    passes: 1,
    isEstimate: true,
    note: 'from 7 cm above the ankle to the groin, moderate, uncreased',
    working: [
      { ...workingOf(groin), label: `${groin.label}, the template scaled to it` },
      { label: 'From the heel sole', value: [fromCm, span.insideLegCm], unit: 'cm', from: 'computed' },
    ],
  })
}

/** The leg's template scaled to the groin's girth: an estimate; null without lengths. */
function scaledLeg(span: MeasuredSpan, groin: Estimate, over: (girthCm: number) => number): LegModel | null {
  const scale = groin.value / legGirthRatios.groin
  const lengths = { lowerLegCm: span.lowerLegCm, insideLegCm: span.insideLegCm, footCm: 0.152 * (span.lowerLegCm / 0.285) }
  const model = buildLegModel({ calf: { ...groin, value: legGirthRatios.calf * scale } }, lengths)
  if (!model) return null
  const stations = Object.values(model.stations).map(
    (station) => [station.id, { ...station, girthCm: over(legGirthRatios[station.id] * scale) }] as const,
  )
  return { ...model, stations: Object.fromEntries(stations) } as LegModel
}

/** Decides `sling-lengths`: girth there and 50 cm to go round both bars and tie, and lists the slings. */
function decideSlingLengths(draft: PlanDraft, span: MeasuredSpan, groin: Estimate | null, placesCm: readonly number[]): void {
  const leg = groin && scaledLeg(span, groin, (girthCm) => girthCm)
  const lengths =
    leg &&
    draft.decide({
      id: 'sling-lengths',
      value: placesCm.map((atCm) => roundUpTo(legGirthAt(leg, atCm) + slingMoreCm, 1)),
      source: 'practice',
      formula: 'Girth there, by the template scaled to the groin, and 50 cm: round both bars and a knot; in the order of the places.',
      working: [workingOf(groin), { label: 'Places above the heel sole', value: [...placesCm], unit: 'cm', from: 'computed' }],
    })
  for (const [index] of placesCm.entries())
    listKind(draft, {
      id: `sling-${index + 1}`,
      item: 'carrying-sling',
      decision: 'slings',
      step: 'slings',
      widthCm: slingWidthCm,
      ...(lengths?.[index] === undefined ? {} : { lengthCm: lengths[index] }),
      note: 'over the bar, under the gutter, round the other bar and back under',
    })
}

/** Decides `slings` (their places) and `gutter` (its length). */
function decideSlings(draft: PlanDraft, span: MeasuredSpan, school: string): readonly number[] {
  const lowest = ankleShare * span.lowerLegCm + slingAboveAnkleCm
  const highest = span.insideLegCm - slingBelowRingCm
  const middle = school === 'even' ? (lowest + highest) / 2 : span.lowerLegCm
  const places = draft.decide({
    id: 'slings',
    value: [lowest, middle, highest],
    source: 'practice',
    school: school === 'even' ? 'Evenly' : 'Ring, knee, heel cord',
    formula:
      school === 'even'
        ? 'Three: 3 cm above the ankle, half way, 6 cm below the ring.'
        : '3 cm above the ankle, never on the malleoli; behind the knee; 6 cm below the ring.',
    working: span.working,
  })
  const gutterCm = draft.decide({
    id: 'gutter',
    value: span.insideLegCm + 5,
    source: 'practice',
    formula: 'Inside leg + 5 cm.',
    working: span.working.slice(0, 1),
  })
  listKind(draft, {
    id: 'gutter',
    item: 'gutter',
    decision: 'gutter',
    step: 'gutter',
    lengthCm: gutterCm,
    note: 'padded, bent a little at the knee',
  })
  return places
}

/** Cords to cut, with their figures: the traction cord and the suspension over its pulleys, each with a metre to tie. */
function listCords(draft: PlanDraft, hung: ReturnType<typeof decideSuspension> | null): void {
  if (!hung) return
  const { tieCm } = readDefaults(rigDefaults, draft.ctx.protocol)
  const isCarried = hung.rig.kind === 'carried-pulley'
  listKind(draft, {
    id: 'cord-suspension',
    item: 'cord',
    decision: 'suspension-weight',
    step: 'suspension',
    lengthCm: roundUpTo(hung.route.lengthCm, 10),
    note: `${isCarried ? 'from the beam over the headward pulley, under the carried one, over the footward one and on to the foot end' : 'straight up, then on to the foot end'}: ${hung.route.stretchesCm.map((one) => formatValue(one, 'cm')).join(' + ')} + ${formatValue(tieCm, 'cm')} to tie`,
  })
  listKind(draft, {
    id: 'cord-pull',
    item: 'cord',
    decision: 'traction',
    step: 'pull',
    lengthCm: tieCm,
    note: 'from the loop or pin to the end of the splint',
  })
}

function draw(
  draft: PlanDraft,
  span: MeasuredSpan | null,
  lengthCm: number | null,
  hung: ReturnType<typeof decideSuspension> | null,
): Geometry {
  const { model } = sketchLeg(draft)
  const base = legGeometry(draft, model, 'groin')
  const topCm = span?.insideLegCm ?? model.insideLegCm
  const liftCm = topCm * (1 - readDefaults(rigDefaults, draft.ctx.protocol).liftShare)
  const slings = draft.collect().decisions.find((decision) => decision.id === 'slings')?.value
  const places = Array.isArray(slings) ? (slings as readonly number[]) : []
  return {
    ...base,
    angles: { ankle: 90, knee: 15 },
    bands: [
      { id: 'ring', axis: 'leg', label: 'Ring', kind: 'ring', fromCm: topCm - 3, toCm: topCm, decision: 'ring' },
      {
        id: 'bar',
        axis: 'leg',
        label: 'Bars',
        kind: 'bar',
        fromCm: topCm - (lengthCm ?? topCm + 20),
        toCm: topCm,
        decision: 'splint-length',
      },
      ...places.map((atCm, index) => ({
        id: `sling-${index + 1}`,
        axis: 'leg',
        label: `Sling ${index + 1}`,
        kind: 'strap' as const,
        fromCm: atCm - 5,
        toCm: atCm + 5,
        decision: 'slings',
      })),
      {
        id: 'suspension',
        axis: 'leg',
        label: 'Carried pulley',
        kind: 'hold',
        fromCm: liftCm - 1,
        toCm: liftCm + 1,
        decision: 'suspension-weight',
      },
    ],
    ...(hung && lengthCm !== null ? { scene: suspensionScene(draft, hung.rig, hung.state, topCm, lengthCm) } : {}),
  }
}

function schedule(draft: PlanDraft): readonly ScheduleEntry[] {
  return [
    ...scheduleRounds(draft.clinicalCase, draft.ctx.protocol, 'Circulation, feeling, movement, ring, heel; pulse, pressure, breathing.'),
    ...everyTwoHours('ring-skin', 'care', 'Ring, heel and fibular neck.'),
    ...[4, 8, 16, 24].map((hour, index) => ({
      id: `weights-${index + 1}`,
      kind: 'weights' as const,
      dueMin: hour * 60,
      graceMin: 30,
      text: 'Weights hang free, cords on their wheels, foot upright.',
    })),
    { id: 'review', kind: 'review', dueMin: 1440, graceMin: 720, text: 'Review: film, length against the other leg, theatre plan.' },
  ]
}
