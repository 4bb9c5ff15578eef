import { known, sentence } from '../../planner/answer'
import type { ArmModel } from '../../figures/body/arm-model'
import { armGeometry, measureArm, sketchArm } from '../../planner/body/measure-arm'
import {
  elbowGirth,
  forearmGirth,
  handGirth,
  midForearmGirth,
  thumbGirth,
  volarPathIndex,
  volarPathLittle,
  wristGirth,
} from '../../figures/body/measurements/arm'
import { hasFlag } from '../../model/clinical-case'
import type { PlanDraft } from '../../planner/draft'
import type { ScheduleEntry } from '../../model/plan'
import type { GeometryPolygon } from '../../model/geometry'
import { readDefaults } from '../../quantities/defaults'
import { scheduleRounds } from '../../planner/schedule-rounds'
import { decideSetting } from '../families/cast/decide-set-time'
import { isPlaster } from '../../figures/setting-time/working-time'
import type { SettingMaterial } from '../../model/setting-material'
import { decideSlabLayers } from '../families/slab/decide-slab-layers'
import { layerDefaults } from '../../figures/slabs/slab-layers'
import { decideArmBandage, decideArmWrap } from '../families/wraps/arm-wraps'
import { bandageDefaults } from '../../figures/wraps/bandage-pressure'
import { stockinetteLength, widestGirth } from '../../figures/wraps/stockinette'
import { listStockinette } from '../shared/list-stockinette'
import { reviewAfter } from '../shared/review'
import { slowerMends } from '../shared/judge-minutes'
import { askForCrew, askForHeat } from '../shared/slow-decisions'
import type { OptionValues, Technique, TechniqueOutcome } from '../../planner/technique'
import { extensionDeg, volarSlabOptions } from './options'
import { volarSlabCare, volarSlabFit, volarSlabSteps } from './procedure'
import { decideNotch, decideSlant, decideVolarLength, decideVolarWidth } from './size'
import { volarTemplate } from './template'
import { volarSlabRelease, volarSlabTroubles } from './trouble'
import { decisions } from './decisions'
import { volarSlabMusts } from './musts'
import { volarSlabRoles, type VolarSlabStep } from './roles'

/** Forearm slab on the palm side. */
export const volarSlab: Technique<VolarSlabStep> = {
  id: 'volar-slab',
  name: 'Volar slab, forearm',
  purpose: 'Rests a wrist sprain, small fracture or soft-tissue injury of the hand from the palm side.',
  bodyRegion: 'arm',
  regions: ['hand', 'wrist', 'forearm'],
  patterns: ['wrist-sprain', 'distal-radius-fracture', 'hand-soft-tissue', 'cellulitis'],
  decisions,
  options: volarSlabOptions,
  measurements: () => [
    { definition: volarPathIndex, need: 'required' },
    { definition: volarPathLittle, need: 'required' },
    ...[wristGirth, midForearmGirth, forearmGirth, handGirth].map((definition) => ({ definition, need: 'one-girth' as const })),
    { definition: thumbGirth, need: 'one-girth' },
    { definition: elbowGirth, need: 'optional' },
  ],
  asks: ['wound-plan'],
  uses: (options) => [options['material'] === 'padded-fibreglass' ? 'fibreglass-slab' : 'plaster-slab', 'padding-roll', 'elastic-bandage'],
  puts: ['limb-device', 'hard-shell', 'unfelt-pressure', 'wrist', 'skin-edges', 'over-injury'],
  judge: judgeVolar,
  answer: (said) =>
    sentence(
      known`Cut ${said.brief('slab-length')} of the ${said.brief('slab-width')} ${said.school('material').startsWith('plaster') ? 'plaster' : 'fibreglass'}, ${said.brief('slab-layers')}`,
      known`hand end slanted ${said.brief('end-slant')}, half-moon of ${said.brief('thumb-notch')} for the thumb`,
    ),
  plan: planVolarSlab,
  roles: volarSlabRoles,
  musts: volarSlabMusts,
  onUrgent: { holds: 'break', actions: volarSlabRelease },
  comesOff: [
    'Cut the bandage, or unwind it from the elbow.',
    'Lift the slab away from the palm side, wrist and forearm carried.',
    'Padding off, down to the skin.',
  ],
  troubles: volarSlabTroubles,
}

function judgeVolar(draft: PlanDraft): void {
  const { clinicalCase } = draft
  if (hasFlag(clinicalCase, 'open') && !clinicalCase.orders.woundPlan) {
    draft.caution({
      level: 'stop',
      code: 'open',
      steps: ['padding'],
      text: 'Get a plan for the wound first.',
      why: 'A covered open fracture festers unseen.',
    })
  }
  if (hasFlag(clinicalCase, 'dialysis-arm')) {
    draft.caution({
      level: 'caution',
      code: 'dialysis-arm',
      steps: ['bandage', 'after-check'],
      text: 'Find out which arm carries the dialysis vessel: nothing tight on that arm, thrill felt before and after.',
      why: 'A bandage or slab that slows it can close it for good.',
    })
  }
}

function planVolarSlab(draft: PlanDraft, options: OptionValues): TechniqueOutcome<VolarSlabStep> {
  const material = options['material'] as SettingMaterial
  const plaster = isPlaster(material)
  const item = plaster ? 'plaster-slab' : 'fibreglass-slab'
  const index = draft.require(volarPathIndex)
  const little = draft.require(volarPathLittle)
  const lengthCm = decideVolarLength(draft, index, little)
  const model = measureArm(draft, index && little ? Math.max(index.value, little.value) : null)
  const thumb = draft.measure(thumbGirth)
  if (model) decideSlant(draft, index, little, model)
  const width = model ? decideVolarWidth(draft, model, item) : null
  const notchCm = decideNotch(draft, thumb)
  const polygon =
    model && width && lengthCm !== null && index && little
      ? volarTemplate({
          widthCm: width.widthCm,
          indexCm: index.value,
          littleCm: little.value,
          lengthCm,
          notchCm,
          thumbAtCm: model.palmCm * 0.6,
        })
      : null
  if (polygon) decideTemplate(draft, polygon)
  const layers = decideSlabLayers(draft, plaster, { base: 12, least: 10, greatest: 15 }, 'at the forearm')
  if (width) {
    const trimmed = width.fromCm > width.widthCm ? `, trimmed to ${width.widthCm} cm wide` : ''
    draft.material({ id: 'slab', item, widthCm: width.fromCm, lengthCm, rolls: null, layers, note: `cut by the template${trimmed}` })
  }
  if (lengthCm !== null && options['liner'] === 'stockinette') decideStockinette(draft, lengthCm, model)
  if (model && lengthCm !== null) decideWraps(draft, model)
  const plies = plaster ? layers : readDefaults(layerDefaults, draft.ctx.protocol).padStripPlies
  const set = decideSetting(draft, material, plies)
  const degrees = extensionDeg[String(options['extension'])] ?? 10
  const steps = volarSlabSteps({
    options,
    side: draft.clinicalCase.injury.side,
    isPlaster: plaster,
    set,
    extensionDeg: degrees,
    extension: degrees === 0 ? 'straight' : `${degrees}° back`,
  })
  askForHeat(draft, material, plies, set.minutes)
  askForCrew(draft, {
    steps,
    set,
    floor: 1,
    wettingStep: 'wet',
    mouldingStep: 'mould',
    mends: () => slowerMends(draft, material, null),
    relief: [
      ...(plaster ? ['take pre-padded fibreglass'] : []),
      ...(draft.clinicalCase.environment.waterC > 18 ? ['use cooler water'] : []),
    ],
  })
  return {
    steps,
    fit: volarSlabFit,
    care: volarSlabCare,
    schedule: schedule(draft),
    geometry: model ? draw(draft, model, degrees, polygon) : armGeometry(draft, sketchArm(draft)),
  }
}

function decideTemplate(draft: PlanDraft, polygon: GeometryPolygon): void {
  draft.decide({
    id: 'template',
    value: true,
    display: 'Printed 1:1, slanted hand end and thumb half-moon',
    source: 'practice',
    formula:
      'Slab length by slab width, the hand end slanted from the longer to the shorter path, a half-moon on the index side for the thumb.',
    working: [{ label: 'Corners and curve points', value: polygon.points.length, unit: null, from: 'computed', where: 'template' }],
  })
}

function decideStockinette(draft: PlanDraft, lengthCm: number, model: ArmModel | null): void {
  const value = draft.decide({
    id: 'stockinette-length',
    value: stockinetteLength(lengthCm, 'folded-back'),
    source: 'practice',
    formula: '1.5 × slab length, to be folded back over both ends.',
    working: [{ label: 'Slab length', value: lengthCm, unit: 'cm', from: 'computed' }],
  })
  if (!model) return
  listStockinette(draft, {
    id: 'stockinette',
    widestCm: widestGirth(Object.values(model.stations)),
    lengthCm: value,
    note: 'folded back over the slab',
    without: { decision: 'stockinette-length', step: 'stockinette', text: 'Use padding alone: no stockinette of this width is in stock.' },
  })
}

function decideWraps(draft: PlanDraft, model: ArmModel): void {
  const topCm = model.forearmCm - 4
  decideArmWrap(draft, model, {
    decision: 'padding',
    item: 'padding-roll',
    topCm,
    passes: 1,
    isOverPadding: false,
    note: 'two to four layers, from the wrist through the web and down the arm',
  })
  decideArmBandage(draft, model, {
    topCm,
    passes: readDefaults(bandageDefaults, draft.ctx.protocol).passes,
    note: 'from the hand to the elbow and back, roomy thumb hole',
  })
}

function draw(draft: PlanDraft, model: ArmModel, extension: number, polygon: GeometryPolygon | null): TechniqueOutcome['geometry'] {
  const base = armGeometry(draft, model)
  const span = { axis: 'arm', fromCm: -model.palmCm, toCm: model.forearmCm - 4 } as const
  return {
    ...base,
    angles: { wrist: extension },
    bands: [
      { id: 'padding', label: 'Padding', kind: 'padding', decision: 'padding', ...span },
      { id: 'bandage', label: 'Bandage', kind: 'bandage', decision: 'bandage', ...span },
      { id: 'slab', label: 'Slab on the palm side', kind: 'slab', decision: 'slab-width', ...span },
    ],
    polygons: polygon ? [polygon] : [],
  }
}

function schedule(draft: PlanDraft): readonly ScheduleEntry[] {
  return [
    ...scheduleRounds(
      draft.clinicalCase,
      draft.ctx.protocol,
      'Circulation, feeling, movement, thumb tip, pain and fit, beside the other hand.',
    ),
    reviewAfter(draft.clinicalCase, { days: 2, graceDays: 3, text: 'Review for circulation, change or completion.' }),
  ]
}
