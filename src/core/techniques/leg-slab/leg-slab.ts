import { known, sentence } from '../../planner/answer'
import { legGeometry } from '../../planner/body/leg-geometry'
import { measureLeg, noteEstimatedGirths, requireLegLengths, sketchLeg } from '../../planner/body/measure-leg'
import type { LegModel } from '../../figures/body/leg-model'
import type { ScheduleEntry } from '../../model/plan'
import { workingOf, type PlanDraft } from '../../planner/draft'
import { readDefaults } from '../../quantities/defaults'
import { formatValue } from '../../planner/format-decision'
import type { LappedSlabs } from '../../figures/slabs/lap-two'
import { roundUpTo } from '../../quantities/rounding'
import { scheduleRounds } from '../../planner/schedule-rounds'
import { decideSetting } from '../families/cast/decide-set-time'
import { isPlaster } from '../../figures/setting-time/working-time'
import type { SettingMaterial } from '../../model/setting-material'
import { decideSlabLayers } from '../families/slab/decide-slab-layers'
import { layerDefaults } from '../../figures/slabs/slab-layers'
import { arcStiffness } from '../../figures/slabs/stiffness'
import { paddedAt } from '../families/wraps/leg-wraps'
import { stockinetteLength, widestGirth } from '../../figures/wraps/stockinette'
import { decideAnkle, describeAnkle } from '../families/slab/ankle'
import { crewRelief, holdsItself, leastPeople } from '../families/slab/hold'
import { bandageLeg } from '../families/slab/bandage-leg'
import { listStockinette } from '../shared/list-stockinette'
import { reviewAfter } from '../shared/review'
import { slowerMends } from '../shared/judge-minutes'
import { askForCrew, askForHeat } from '../shared/slow-decisions'
import type { OptionValues, Technique, TechniqueOutcome } from '../../planner/technique'
import { drawSlab } from './drawing'
import { legSlabCare, legSlabFit } from './fit'
import { legSlabMeasurements, slabPathFor } from './measurements'
import { extentOf, legSlabOptions, type Extent } from './options'
import { legSlabSteps } from './procedure'
import { applyLegSlabRules } from './rules'
import { decideWidth, limitingStations, type SlabFit } from './width'
import { legSlabRelease, legSlabTroubles } from './trouble'
import { decisions } from './decisions'
import { legSlabMusts } from './musts'
import { legSlabRoles, type LegSlabStep } from './roles'

/** Plaster back slab for the lower or the whole leg. */
export const legSlab: Technique<LegSlabStep> = {
  id: 'leg-slab',
  name: 'Back slab, leg',
  purpose: 'Holds a fresh or swelling ankle, foot or lower leg from behind, open at the front.',
  bodyRegion: 'leg',
  regions: ['foot', 'ankle', 'lower-leg', 'knee'],
  patterns: [
    'malleolar-fracture',
    'achilles-rupture',
    'ankle-sprain',
    'metatarsal-fracture',
    'toe-fracture',
    'tibial-shaft-fracture',
    'tibial-plateau-fracture',
    'cellulitis',
  ],
  decisions,
  options: legSlabOptions,
  measurements: legSlabMeasurements,
  uses: (options) => [options['material'] === 'padded-fibreglass' ? 'fibreglass-slab' : 'plaster-slab', 'padding-roll', 'elastic-bandage'],
  puts: ['limb-device', 'hard-shell', 'unfelt-pressure', 'skin-edges', 'over-injury'],
  judge: (draft, options) => applyLegSlabRules(draft, options, extentOf(draft.clinicalCase, options)),
  girthsInside: (clinicalCase, options) => limitingStations(extentOf(clinicalCase, options)).map((id) => `${id}-girth`),
  answer: (said) =>
    sentence(
      known`Cut ${said.brief('slab-length')} of the ${said.brief('slab-width')} ${said.school('material') === 'padded-fibreglass' ? 'fibreglass' : 'plaster'}, ${said.brief('slab-layers')}`,
      said.isSome('ankle-fold') && known`fold ${said.brief('ankle-fold')} away at the ankle, each side`,
    ),
  plan: planLegSlab,
  roles: legSlabRoles,
  musts: legSlabMusts,
  onUrgent: { holds: 'break', actions: legSlabRelease },
  comesOff: [
    'Cut the bandage, or unwind it from the top.',
    'Lift the slab away backwards, calf and heel carried.',
    'Padding off, down to the skin.',
  ],
  troubles: legSlabTroubles,
}

function planLegSlab(draft: PlanDraft, options: OptionValues): TechniqueOutcome<LegSlabStep> {
  const { clinicalCase } = draft
  const extent = extentOf(clinicalCase, options)
  const material = options['material'] as SettingMaterial
  const plaster = isPlaster(material)
  const leg = measureLeg(draft)
  const lengthCm = decideLength(draft, options, extent)
  const layers = decideLayers(draft, extent, plaster, options)
  const fit = leg ? decideWidth(draft, leg.model, options, extent, plaster ? 'plaster-slab' : 'fibreglass-slab') : null
  if (leg) noteEstimatedGirths(draft, leg.model, limitingStations(extent), ['slab-width'])
  if (fit) listSlab(draft, fit, lengthCm, layers, options, plaster)
  if (leg) decideWraps(draft, leg.model, leg.hasLengths, extent, options)
  if (leg && fit && fit.widthCm > 0) decideStiffness(draft, leg.model, fit, layers, plaster)
  const plies = plaster ? layers : readDefaults(layerDefaults, draft.ctx.protocol).padStripPlies
  const set = decideSetting(draft, material, plies)
  const ankleDeg = decideAnkle(draft, options)
  const steps = legSlabSteps({
    options,
    extent,
    side: clinicalCase.injury.side,
    widthCm: fit?.widthCm ?? null,
    lapped: fit?.lapped ?? null,
    lengthCm,
    ankleWords: ankleDeg === null ? 'as ordered' : describeAnkle(ankleDeg),
    ankleDeg,
    set,
    isHeldByItself: holdsItself(draft, options),
    isPlaster: plaster,
    isScarce: options['supplies'] === 'scarce',
    foldCm: fit?.foldCm ?? 0,
    gapCm: fit?.gapCm ?? null,
    clinicalCase,
  })
  askForHeat(draft, material, plies, set.minutes)
  askForCrew(draft, {
    steps,
    set,
    floor: leastPeople(draft, options),
    wettingStep: 'wet',
    mouldingStep: 'mould',
    mends: () => slowerMends(draft, material, plaster ? 'plaster-slow' : null),
    relief: crewRelief(clinicalCase, options),
  })
  return {
    steps,
    fit: legSlabFit(extent),
    care: legSlabCare,
    schedule: schedule(draft),
    geometry: leg
      ? drawSlab(draft, leg.model, extent, { fit, lengthCm, ankleDeg: ankleDeg ?? 90, kneeDeg: extent === 'above-knee' ? 18 : 0 })
      : legGeometry(draft, sketchLeg(draft).model, extent === 'above-knee' ? 'mid-thigh' : 'knee'),
  }
}

function decideLength(draft: PlanDraft, options: OptionValues, extent: Extent): number | null {
  const path = draft.require(slabPathFor(draft.clinicalCase, options))
  if (!path) return null
  const toes = options['length'] === 'past-toes' ? 5 : 0
  const top = extent === 'above-knee' ? -5 : options['top-end'] === 'turn-back' ? 2 : -3
  return draft.decide({
    id: 'slab-length',
    value: roundUpTo(path.value + toes + top, 0.5),
    sd: path.sd,
    source: 'practice',
    school:
      extent === 'above-knee'
        ? 'Ends 5 cm below the buttock fold'
        : options['top-end'] === 'turn-back'
          ? 'Top turned back'
          : 'Top stops short',
    formula:
      'Slab path + 5 cm when it goes past the toes; − 3 cm stopped short, + 2 cm turned back, − 5 cm above the knee; up to the next 0.5 cm.',
    working: [
      workingOf(path),
      { label: 'Toe end', value: toes, unit: 'cm', from: 'option' },
      { label: 'Top end', value: top, unit: 'cm', from: 'option' },
    ],
  })
}

function decideLayers(draft: PlanDraft, extent: Extent, plaster: boolean, options: OptionValues): number {
  const isAbove = extent === 'above-knee'
  const base = isAbove ? 12 : 10
  const more = options['control'] === 'more' ? [{ label: 'More control', change: 1 }] : []
  return decideSlabLayers(
    draft,
    plaster,
    { base, least: base - 2, greatest: base + 2 },
    isAbove ? 'above the knee' : 'below the knee',
    more,
  )
}

function listSlab(draft: PlanDraft, fit: SlabFit, lengthCm: number | null, layers: number, options: OptionValues, plaster: boolean): void {
  const { lapped } = fit
  const trimmed = !lapped && fit.fromCm > fit.widthCm ? `, trimmed to ${fit.widthCm} cm wide` : ''
  if (plaster && options['slab-from'] === 'roll' && lengthCm !== null) {
    const { inStock } = draft.stock(
      (item) => item.item === 'plaster-roll' && (item.widthCm ?? 0) >= (lapped ? fit.fromCm : fit.widthCm) && (item.lengthCm ?? 0) > 0,
    )
    const roll = [...inStock].sort((a, b) => (a.widthCm ?? 0) - (b.widthCm ?? 0))[0]
    if (roll?.lengthCm) {
      draft.material({
        id: 'slab',
        item: 'plaster-roll',
        widthCm: roll.widthCm ?? null,
        lengthCm,
        layers,
        rolls: Math.ceil(((lapped ? 2 : 1) * layers * lengthCm) / roll.lengthCm - 1e-9),
        note: `folded to and fro into ${layers} layers of ${lengthCm} cm${lapped ? `, twice: ${lapWords(lapped)}` : trimmed}`,
      })
      return
    }
    draft.caution({
      level: 'caution',
      code: 'not-in-stock',
      decisions: ['slab-layers'],
      steps: ['lay-out'],
      text: 'Cut a ready slab: no plaster roll is wide enough to fold one.',
      why: `The slab is ${fit.widthCm} cm wide.`,
    })
  }
  draft.material({
    id: 'slab',
    item: plaster ? 'plaster-slab' : 'fibreglass-slab',
    widthCm: fit.fromCm,
    lengthCm,
    rolls: null,
    ...(lapped ? { pieces: 2 } : {}),
    layers,
    note: lapped ? `each cut to length, ${lapWords(lapped)}` : `cut to length${trimmed}`,
  })
}

/** How two are laid as one, with what is left over and what it is good for. */
function lapWords({ lapCm, widthCm, leftCm }: LappedSlabs): string {
  const left =
    leftCm >= leastStripCm
      ? `; left over: a strip ${formatValue(leftCm, 'cm')} wide, doubled over the outer side of the ankle or kept to fix the bandage`
      : ''
  return `lapped ${formatValue(lapCm, 'cm')} to ${formatValue(widthCm, 'cm')} together${left}`
}

/** A narrower strip than this is thrown away, cm. */
const leastStripCm = 1

function decideWraps(draft: PlanDraft, model: LegModel, hasLengths: boolean, extent: Extent, options: OptionValues): void {
  if (!hasLengths) return requireLegLengths(draft)
  bandageLeg(draft, model, extent === 'above-knee' ? 'mid-thigh' : 'below-knee', {
    padding: 'two layers by half overlap, up to four over bone, 2 cm beyond the slab at each end',
    bandage: 'from the injury to the toes and back up, half overlap',
  })
  if (options['liner'] === 'stockinette-and-wool' && options['supplies'] !== 'scarce') decideStockinette(draft, model, extent)
}

function decideStockinette(draft: PlanDraft, model: LegModel, extent: Extent): void {
  const top = model.stations[extent === 'above-knee' ? 'mid-thigh' : 'below-knee']
  listStockinette(draft, {
    id: 'stockinette',
    widestCm: widestGirth(Object.values(model.stations).filter((station) => station.axis === 'foot' || station.atCm <= top.atCm)),
    lengthCm: stockinetteLength(top.atCm + model.footCm, 'folded-back'),
    note: 'folded back over the slab at both ends',
    without: { decision: 'padding', step: 'padding', text: 'Use wool alone: no stockinette of this width is in stock.' },
  })
}

function decideStiffness(draft: PlanDraft, model: LegModel, fit: SlabFit, layers: number, plaster: boolean): void {
  const thickness = readDefaults(layerDefaults, draft.ctx.protocol)
  const tau = plaster ? layers * thickness.plasterLayerCm : thickness.padStripPlies * thickness.fibreglassPlyCm
  const radius = paddedAt(draft, model.stations.ankle) / (2 * Math.PI)
  const arc = arcStiffness(radius, tau, fit.widthCm)
  const gain = arc.chordCm4 / arc.flatCm4
  draft.decide({
    id: 'stiffness-gain',
    value: gain,
    display: `${gain.toFixed(0)} times`,
    source: 'physics',
    formula:
      'Second moment of the curved slab at the ankle ÷ that of the same strip laid flat. Width bends it into a channel; layers only thicken it.',
    working: [
      { label: 'Radius at the ankle', value: radius, unit: 'cm', from: 'computed', where: 'ankle' },
      { label: 'Thickness', value: tau, unit: 'cm', from: 'computed' },
      { label: 'Slab width', value: fit.widthCm, unit: 'cm', from: 'computed' },
      { label: 'Curved, chord axis', value: arc.chordCm4, unit: 'cm⁴', from: 'computed' },
      { label: 'Flat strip', value: arc.flatCm4, unit: 'cm⁴', from: 'computed' },
      { label: 'Sideways gain', value: arc.symmetryCm4 / arc.flatCm4, unit: 'times', from: 'computed' },
    ],
  })
}

function schedule(draft: PlanDraft): readonly ScheduleEntry[] {
  const { clinicalCase, ctx } = draft
  const rounds = scheduleRounds(clinicalCase, ctx.protocol, 'Circulation, feeling, movement, pain and fit, beside the other leg.')
  return [
    ...rounds,
    reviewAfter(clinicalCase, { days: 2, graceDays: 3, text: 'Review for circulation, change of slab or completion to a cast.' }),
  ]
}
