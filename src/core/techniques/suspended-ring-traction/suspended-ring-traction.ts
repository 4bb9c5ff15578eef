import { legGeometry } from '../../planner/body/leg-geometry'
import { sketchLeg } from '../../planner/body/measure-leg'
import { calfGirth, insideLeg, lowerLegLength, midThighGirth } from '../../figures/body/measurements/leg'
import { obliqueGroinGirth, outerLeg } from '../../figures/body/measurements/traction'
import type { PlanDraft } from '../../planner/draft'
import type { ScheduleEntry } from '../../model/plan'
import type { Geometry } from '../../model/geometry'
import { scheduleRounds } from '../../planner/schedule-rounds'
import { capOf, decidePull } from '../families/traction/decide-pull'
import { measureSpan, type MeasuredSpan } from '../families/traction/measure-span'
import { decideRolls } from '../families/wraps/decide-rolls'
import { girthWorking, legStretchZones } from '../families/wraps/leg-wraps'
import { everyTwoHours } from '../families/traction/every-two-hours'
import { decidePeople } from '../shared/decide-people'
import { extraHolder } from '../shared/extra-holder'
import { pullOf } from '../families/traction/step-pull'
import { decideRing, decideSplintLength, resolveStrips, ringOptions } from '../families/traction/ring'
import { judgeTraction, loadOption, requireMass } from '../families/traction/judge-traction'
import { positionOption, suppliesOption } from '../../planner/shared-options'
import type { OptionValues, Technique, TechniqueOutcome } from '../../planner/technique'
import { suspendedCare, suspendedFit, suspendedSteps } from './procedure'
import { rigDefaults } from '../families/traction/decide-suspension'
import { decideCord, decideCounterweight, decideFootRaise, decideStripLength, decideSuspension } from './weights'
import { readDefaults } from '../../quantities/defaults'
import { suspendedRingTractionRelease, suspendedRingTractionTroubles } from './trouble'
import { decisions } from './decisions'

const bandageFromCm = 7
const malleoliShare = 0.137

/** Ring splint, skin strips or pin, slings, balanced suspension. */
export const suspendedRingTraction: Technique = {
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
      id: 'hold-on',
      label: 'Pull on',
      default: () => 'skin',
      values: [
        { id: 'skin', label: 'Skin strips', why: 'No theatre needed; up to 5 kg.' },
        { id: 'pin', label: 'Bone pin', why: 'Longer traction or more pull, placed by a surgeon.' },
      ],
    },
    suppliesOption,
    positionOption,
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
  puts: ['leg-pull', 'skin-strips'],
  judge: judgeTraction,
  plan: planSuspended,
  onUrgent: { device: 'traction', actions: suspendedRingTractionRelease },
  troubles: suspendedRingTractionTroubles,
}

function planSuspended(draft: PlanDraft, options: OptionValues): TechniqueOutcome {
  const { side } = draft.clinicalCase.injury
  const isPin = options['hold-on'] === 'pin'
  const massKg = requireMass(draft)
  const { size, groin } = decideRing(draft, 'suspended-ring-traction', options)
  const span = measureSpan(draft)
  const inside = draft.measure(insideLeg)
  const lengthCm = inside ? decideSplintLength(draft, inside, options) : null
  const outer = isPin ? draft.measure(outerLeg) : draft.require(outerLeg)
  if (!isPin && inside && outer) decideStripLength(draft, inside, outer)
  if (!isPin) decideBandage(draft)
  if (span) decideSlings(draft, span)
  const strips = isPin ? null : resolveStrips(draft, options)
  if (massKg !== null) {
    const pullKg = decidePull(draft, { decision: 'traction', school: String(options['load']), massKg, strips, isSkin: true })
    const counterweightKg = decideCounterweight(draft, String(options['counterweight']), massKg, pullKg)
    if (span && lengthCm !== null) decideSuspension(draft, massKg, span, lengthCm, counterweightKg)
    decideCord(draft, { massKg, pullKg, counterweightKg, strips, groin, span })
    decideFootRaise(draft, counterweightKg, massKg)
  }
  const words = (id: string): string | null => draft.collect().decisions.find((one) => one.id === id)?.display ?? null
  const counter = draft.collect().decisions.find((one) => one.id === 'counterweight')
  const raise = draft.collect().decisions.find((one) => one.id === 'foot-raise')
  const steps = suspendedSteps({
    side,
    ring: size ?? 'the ring',
    isPin,
    isAdhesive: strips === 'adhesive',
    pullWords: words('traction') ?? 'as ordered',
    pull: pullOf(draft, 'traction', isPin ? undefined : capOf(draft, strips)),
    weightWords: words('suspension-weight') ?? 'until the leg floats',
    counterWords: counter && Number(counter.value) > 0 ? counter.display : null,
    raiseWords: raise && Number(raise.value) > 0 ? raise.display : null,
  })
  decidePeople(draft, { floor: 2 + extraHolder(draft.clinicalCase), steps, relief: ['hang the suspension before the leg is lifted'] })
  return { steps, fit: suspendedFit, care: suspendedCare, schedule: schedule(draft), geometry: draw(draft, span, lengthCm) }
}

/** Decides `bandage` over the strips where the leg is known well enough. */
function decideBandage(draft: PlanDraft): void {
  const { model, hasGirths } = sketchLeg(draft)
  if (!hasGirths) return
  const fromCm = model.lowerLegCm * malleoliShare + bandageFromCm
  decideRolls(draft, {
    decision: 'bandage',
    item: 'crepe-bandage',
    zones: legStretchZones(model, fromCm, model.stations['mid-thigh'].atCm),
    passes: 1,
    note: 'from about 7 cm above the ankle upward, moderate, uncreased',
    working: girthWorking(model),
  })
}

/** Decides `slings` (three places) and `gutter` (its length). */
function decideSlings(draft: PlanDraft, span: MeasuredSpan): void {
  draft.decide({
    id: 'slings',
    value: [8, span.lowerLegCm + 5, (span.lowerLegCm + span.insideLegCm) / 2],
    source: 'practice',
    formula: 'Above the heel cord at 8 cm, 5 cm above the knee, at mid-thigh.',
    working: span.working,
  })
  draft.decide({
    id: 'gutter',
    value: span.insideLegCm + 5,
    source: 'practice',
    formula: 'Inside leg + 5 cm.',
    working: span.working.slice(0, 1),
  })
}

function draw(draft: PlanDraft, span: MeasuredSpan | null, lengthCm: number | null): Geometry {
  const { model } = sketchLeg(draft)
  const base = legGeometry(draft, model, 'groin')
  const topCm = span?.insideLegCm ?? model.insideLegCm
  const kneeCm = span?.lowerLegCm ?? model.lowerLegCm
  const liftCm = topCm * (1 - readDefaults(rigDefaults, draft.ctx.protocol).liftShare)
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
      ...[8, kneeCm + 5, (kneeCm + topCm) / 2].map((atCm, index) => ({
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
        label: 'Suspension cords',
        kind: 'hold',
        fromCm: liftCm - 1,
        toCm: liftCm + 1,
        decision: 'suspension-weight',
      },
    ],
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
