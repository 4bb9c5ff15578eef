import { known, sentence } from '../../planner/answer'
import { splintScene } from '../families/traction/splint-scene'
import { everyTwoHours } from '../families/traction/every-two-hours'
import { legGeometry } from '../../planner/body/leg-geometry'
import { sketchLeg } from '../../planner/body/measure-leg'
import { calfGirth, insideLeg, midThighGirth } from '../../figures/body/measurements/leg'
import { obliqueGroinGirth } from '../../figures/body/measurements/traction'
import { legGirthRatios } from '../../figures/body/leg-template'
import type { Estimate } from '../../figures/body/pool-side'
import { workingOf, type PlanDraft } from '../../planner/draft'
import { formatValue } from '../../planner/format-decision'
import { listKind, warnOfMissingKind } from '../shared/list-kind'
import type { ScheduleEntry } from '../../model/plan'
import type { Geometry } from '../../model/geometry'
import { scheduleRounds } from '../../planner/schedule-rounds'
import { decideSize } from '../families/sized/decide-size'
import { capOf, checkSkinCap, decidePull } from '../families/traction/decide-pull'
import { gravity } from '../../figures/traction/leg-masses'
import { ringLoad } from '../../figures/traction/ring-load'
import { decidePeople } from '../shared/decide-people'
import { extraHolder } from '../shared/extra-holder'
import { pullOf, pullWords } from '../families/traction/step-pull'
import { decideRing, decideRingPressure, decideSplintLength, resolveStrips, ringOptions } from '../families/traction/ring'
import { judgeTraction, loadOption, requireMass } from '../families/traction/judge-traction'
import { lyingOption, suppliesOption } from '../../planner/shared-options'
import type { OptionValues, Technique, TechniqueOutcome } from '../../planner/technique'
import { decidePads, type PadLayout } from './pads'
import { ringTractionCare, ringTractionFit, ringTractionSteps } from './procedure'
import { ringTractionRelease, ringTractionTroubles } from './trouble'
import { decisions } from './decisions'
import { ringTractionTaskForms } from './task-forms'
import { ringTractionMusts } from './musts'
import { ringTractionRoles, type RingTractionStep } from './roles'

const estimatedShare = 0.06
const bareBarCm = 10

/** Modular ring splint with fixed traction. */
export const ringTraction: Technique<RingTractionStep> = {
  id: 'ring-traction',
  name: 'Ring traction splint',
  purpose: 'Keeps a broken thigh out to length against its own ring, without weights, for the way and the first days.',
  bodyRegion: 'leg',
  regions: ['thigh'],
  patterns: ['femoral-shaft-fracture'],
  decisions,
  options: [...ringOptions('range', 'plus-fifteen'), loadOption(['skin-cap', 'relief']), suppliesOption, lyingOption],
  measurements: () => [
    { definition: obliqueGroinGirth, need: 'required' },
    { definition: insideLeg, need: 'required' },
    { definition: midThighGirth, need: 'optional' },
    { definition: calfGirth, need: 'optional' },
  ],
  uses: () => ['ring-traction', 'sling-pad'],
  puts: ['limb-device', 'leg-pull', 'skin-strips', 'unfelt-edges', 'over-injury'],
  judge: judgeTraction,
  answer: (said) =>
    sentence(known`Take ${said.brief('ring')}, splint set to ${said.brief('splint-length')}`, known`pull ${said.brief('traction')}`),
  plan: planRingTraction,
  roles: ringTractionRoles,
  musts: ringTractionMusts,
  onUrgent: { holds: 'pull', actions: ringTractionRelease },
  comesOff: [
    'Untie the cord; the hands carry the pull.',
    'Splint out from under the leg, knee and calf carried.',
    'Bandage and strips off, slowly, the skin held back.',
  ],
  taskForms: ringTractionTaskForms,
  troubles: ringTractionTroubles,
}

function planRingTraction(draft: PlanDraft, options: OptionValues): TechniqueOutcome<RingTractionStep> {
  const { side } = draft.clinicalCase.injury
  const massKg = requireMass(draft)
  const { size, groin } = decideRing(draft, 'ring-traction', options)
  const inside = draft.require(insideLeg)
  const lengthCm = inside ? decideSplintLength(draft, inside, options) : null
  decideSling(draft)
  const pads = inside ? decidePads(draft, inside) : null
  const cover = decideCover(draft, groin)
  const tubeCm = decideTube(draft, size)
  const strips = resolveStrips(draft, options)
  const pullKg =
    massKg === null ? null : decidePull(draft, { decision: 'traction', school: String(options['load']), massKg, strips, isSkin: true })
  if (pullKg !== null && massKg !== null) {
    const { tensionN, ringN } = ringLoad(gravity * pullKg, 0)
    checkSkinCap(draft, tensionN, massKg, strips)
    if (groin) decideRingPressure(draft, ringN, groin, false)
  }
  const pull = pullOf(draft, 'traction', capOf(draft, strips))
  const steps = ringTractionSteps({
    side,
    ring: size ?? 'the ring',
    lengthWords: lengthCm === null ? 'by the inside leg' : `${lengthCm.toFixed(0)} cm long`,
    tubeWords: tubeCm === null ? null : formatValue(tubeCm, 'cm'),
    coverWords: cover === null ? 'cover' : String(cover),
    straps: (pads?.strapsCm ?? []).map((atCm, index) => ({
      id: `strap-${index + 1}`,
      label: `Strap ${index + 1}, at ${formatValue(atCm, 'cm')} above the sole`,
      slackCm: null,
    })),
    padWords: pads ? `${pads.count} sling pads` : 'sling pads',
    pullWords: pullWords(draft, 'traction', pull),
    pull,
    isAdhesive: strips === 'adhesive',
  })
  decidePeople(draft, {
    floor: 2 + extraHolder(draft.clinicalCase),
    steps,
    relief: ['build it before the pull is taken', 'tie the pull to the bed end while you slide'],
  })
  return {
    steps,
    fit: ringTractionFit,
    care: ringTractionCare,
    schedule: schedule(draft),
    geometry: draw(draft, inside, pads, lengthCm, pullKg),
  }
}

/** Decides `sling` from the mid-thigh girth, measured or scaled from the calf. */
function decideSling(draft: PlanDraft): void {
  const measured = draft.measure(midThighGirth)
  const calf = draft.measure(calfGirth)
  const estimate: Estimate | null =
    measured ??
    (calf
      ? {
          ...calf,
          id: midThighGirth.id,
          label: `${midThighGirth.label}, estimated from the calf`,
          value: calf.value * (legGirthRatios['mid-thigh'] / legGirthRatios.calf),
          sd: estimatedShare * calf.value * legGirthRatios['mid-thigh'],
        }
      : null)
  if (!estimate) return
  if (draft.stock((item) => item.item === 'sling').isListed && draft.stock((item) => item.item === 'sling').inStock.length === 0) {
    draft.decide({
      id: 'sling',
      value: estimate.value,
      unit: 'cm',
      display: `for ${formatValue(estimate.value, 'cm')} of mid-thigh`,
      source: 'practice',
      formula: 'The mid-thigh girth, where no sling is listed.',
      working: [workingOf(estimate)],
    })
    return warnOfMissingKind(draft, 'sling', 'sling', 'build')
  }
  decideSize(draft, {
    decision: 'sling',
    matches: (item) => item.item === 'sling',
    readings: [{ definition: midThighGirth, estimate, allowanceCm: 0 }],
    prefer: 'smaller',
    rule: 'odds',
    school: null,
    steps: ['build'],
  })
}

/** Decides `ring-cover`, by its own scale, and `side-high`. */
function decideCover(draft: PlanDraft, groin: Estimate | null): string | null {
  const cover = decideSize(draft, {
    decision: 'ring-cover',
    matches: (item) => item.item === 'ring-cover',
    readings: [{ definition: obliqueGroinGirth, estimate: groin, allowanceCm: 0 }],
    prefer: 'larger',
    rule: 'odds',
    school: null,
    steps: ['build'],
    isAccessory: true,
  })
  draft.decide({
    id: 'side-high',
    value: 'outer',
    source: 'practice',
    formula: 'The outer side is the higher one: the ring slants from the sit bone up to the hip.',
    working: [],
  })
  return cover?.size ?? null
}

/** Decides `tube-length`: round the largest girth of the ring's range, the short front bar left bare. */
function decideTube(draft: PlanDraft, size: string | null): number | null {
  const items = [...draft.ctx.catalogue.items, ...(draft.clinicalCase.stock === 'catalogue' ? [] : draft.clinicalCase.stock)]
  const ring = items.findLast((item) => item.technique === 'ring-traction' && item.size === size)
  const range = ring?.fits?.[obliqueGroinGirth.id]
  if (!range) return null
  const bareCm = Number(ring?.['bareBarCm'] ?? bareBarCm)
  const lengthCm = draft.decide({
    id: 'tube-length',
    value: range[1] - bareCm,
    source: 'practice',
    formula: 'Greatest girth of the ring’s range − the front bar that stays bare.',
    working: [
      { label: 'Greatest girth of the ring', value: range[1], unit: 'cm', from: 'default' },
      { label: 'Bare front bar', value: bareCm, unit: 'cm', from: 'default' },
    ],
  })
  listKind(draft, {
    id: 'tube',
    item: 'padding-tube',
    decision: 'tube-length',
    step: 'build',
    lengthCm,
    note: 'over the ring, the front bar bare',
  })
  return lengthCm
}

function draw(draft: PlanDraft, inside: Estimate | null, pads: PadLayout | null, lengthCm: number | null, pullKg: number | null): Geometry {
  const { model } = sketchLeg(draft)
  const base = legGeometry(draft, model, 'groin')
  const topCm = inside?.value ?? model.insideLegCm
  return {
    ...base,
    angles: { ankle: 90, knee: 5 },
    bands: [
      { id: 'ring', axis: 'leg', label: 'Ring', kind: 'ring', fromCm: topCm - 3, toCm: topCm, decision: 'ring' },
      { id: 'bar', axis: 'leg', label: 'Bars', kind: 'bar', fromCm: -15, toCm: topCm, decision: 'splint-length' },
      ...(pads?.strapsCm ?? []).map((atCm, index) => ({
        id: `strap-${index + 1}`,
        axis: 'leg',
        label: `Strap ${index + 1}`,
        kind: 'strap' as const,
        fromCm: atCm - 2.5,
        toCm: atCm + 2.5,
        decision: 'strap-places',
      })),
    ],
    scene: splintScene({
      insideLegCm: topCm,
      beyondCm: (lengthCm ?? topCm + 15) - topCm,
      top: 'ring',
      topLabel: 'Ring at the sit bone',
      gripLabel: 'Skin strips',
      pullKg,
    }),
  }
}

function schedule(draft: PlanDraft): readonly ScheduleEntry[] {
  return [
    ...scheduleRounds(draft.clinicalCase, draft.ctx.protocol, 'Circulation, feeling, movement, pull, heel; pulse, pressure, breathing.'),
    ...everyTwoHours('ring-skin', 'care', 'Skin under the ring.'),
    { id: 'pull', kind: 'weights', dueMin: 60, graceMin: 15, text: 'Pull felt and re-tightened.' },
    { id: 'theatre', kind: 'review', dueMin: 720, graceMin: 720, text: 'Theatre plan: when, who, what until then.' },
  ]
}
