import { known, sentence } from '../../planner/answer'
import type { LegModel } from '../../figures/body/leg-model'
import { armGeometry, sketchArm } from '../../planner/body/measure-arm'
import { buildArmModel, splitPath } from '../../figures/body/arm-model'
import { legGeometry } from '../../planner/body/leg-geometry'
import { sketchLeg } from '../../planner/body/measure-leg'
import { armGirths } from '../../figures/body/measurements/arm'
import { lowerLegLength, midThighGirth } from '../../figures/body/measurements/leg'
import { openingWidth } from '../../figures/body/measurements/opening'
import type { Estimate } from '../../figures/body/pool-side'
import { hasFlag, type ClinicalCase } from '../../model/clinical-case'
import { bodyRegionOf } from '../../model/vocabulary'
import type { PlanDraft } from '../../planner/draft'
import type { ScheduleEntry } from '../../model/plan'
import type { Geometry, GeometryBand } from '../../model/geometry'
import { scheduleRounds } from '../../planner/schedule-rounds'
import { hardMinutes } from '../../figures/setting-time/hard-after'
import { decideArmWrap } from '../families/wraps/arm-wraps'
import { decideLegWrap } from '../families/wraps/leg-wraps'
import { extraHolder } from '../shared/extra-holder'
import { decidePeople } from '../shared/decide-people'
import type { OptionValues, Technique, TechniqueOutcome } from '../../planner/technique'
import { castOpeningOptions } from './options'
import { cutLines, type CutLine } from './cut-lines'
import { decidePressures, girthsUnder, isLifted } from './pressure'
import { openCastNowSteps, type CastState } from './open-cast-now'
import { castOpeningCare, castOpeningFit, castOpeningSteps } from './procedure'
import { castOpeningRelease, castOpeningTroubles } from './trouble'
import { decisions } from './decisions'
import { castOpeningMusts } from './musts'
import { castOpeningRoles } from './roles'

const latestMin = 120

const openingLines: Readonly<Record<string, string>> = {
  strip: 'two lines, the strip between them out',
  single: 'one line',
  'two-halves': 'both sides',
}

/** Splitting a cast that is on. */
/** Its opening at once is the one of every device, so that its steps are not only its own. */
export const castOpening: Technique = {
  id: 'cast-opening',
  name: 'Opening a cast',
  purpose: 'Makes room in a cast that is on: planned when it is hard, at once in an emergency.',
  bodyRegion: ['leg', 'arm'],
  regions: ['foot', 'ankle', 'lower-leg', 'knee', 'thigh', 'hand', 'wrist', 'forearm'],
  patterns: ['tibial-shaft-fracture', 'tibial-plateau-fracture', 'malleolar-fracture'],
  decisions,
  options: castOpeningOptions,
  measurements: (clinicalCase) => [
    ...girthsUnder(clinicalCase).map((definition) => ({ definition, need: 'one-girth' as const })),
    { definition: openingWidth, need: 'optional' },
  ],
  asks: ['device', 'open-now'],
  uses: () => ['crepe-bandage'],
  puts: ['saw', 'skin-edges'],
  opensCasts: true,
  answer: (said) =>
    sentence(
      known`Open it along ${openingLines[said.school('lines')] ?? 'one line'}, no sooner than ${said.brief('earliest')} after it went on`,
      said.isSome('room-gained') && known`that gains ${said.brief('room-gained')} of girth`,
    ),
  plan: planCastOpening,
  isAtRisk: (clinicalCase) => hasFlag(clinicalCase, 'fresh'),
  roles: castOpeningRoles,
  musts: castOpeningMusts,
  onUrgent: { holds: 'break', actions: castOpeningRelease },
  comesOff: [],
  troubles: castOpeningTroubles,
}

function isArm(clinicalCase: ClinicalCase): boolean {
  const { region } = clinicalCase.injury
  return region !== undefined && bodyRegionOf(region) === 'arm'
}

function planCastOpening(draft: PlanDraft, options: OptionValues): TechniqueOutcome {
  const { clinicalCase } = draft
  const isUrgent = isLifted(clinicalCase)
  // At once it is both sides and down to skin, whatever was chosen for the hour when it is hard.
  const opened = isUrgent ? { ...options, lines: 'two-halves', padding: 'cut' } : options
  decideTimes(draft, isUrgent)
  warnAboutPadding(draft)
  const widest = widestMeasured(draft)
  if (widest) decidePressures(draft, opened, widest)
  const geometry = isArm(clinicalCase) ? openArm(draft, opened, isUrgent) : openLeg(draft, opened, isUrgent, widest !== null)
  const steps = isUrgent
    ? openCastNowSteps({ injury: clinicalCase.injury, state: stateOf(draft), reach: reachWords(draft) })
    : castOpeningSteps({
        options,
        side: clinicalCase.injury.side,
        limb: isArm(clinicalCase) ? 'arm' : 'leg',
        cutsPadding: options['padding'] === 'cut',
        clinicalCase,
      })
  decidePeople(draft, { floor: 1 + extraHolder(clinicalCase), steps, relief: [] })
  return { steps, fit: castOpeningFit, care: castOpeningCare, schedule: schedule(draft), geometry }
}

/** Whether the cast is soft or hard by what it is made of and how long it has been on. */
function stateOf(draft: PlanDraft): CastState {
  const { material, minutesSince } = draft.clinicalCase.device ?? {}
  if (minutesSince === undefined) return 'unknown'
  return minutesSince < hardMinutes(material ?? 'plaster-slow', draft.ctx.protocol) ? 'soft' : 'hard'
}

/** Where the cast ends, in words: what is cut last is left first. */
function reachWords(draft: PlanDraft): string {
  if (isArm(draft.clinicalCase)) return 'hand and elbow'
  return isLongCast(draft) ? 'foot and thigh' : 'foot and knee'
}

/** Whether the cast goes over the knee: as it was planned, or as the thigh was measured for it. */
function isLongCast(draft: PlanDraft): boolean {
  const topCm = draft.clinicalCase.device?.topCm
  if (topCm !== undefined) return topCm > sketchLeg(draft).model.stations['knee'].atCm
  return draft.measure(midThighGirth) !== null
}

function decideTimes(draft: PlanDraft, isUrgent: boolean): void {
  const { device } = draft.clinicalCase
  if (!isUrgent && !device?.material) {
    draft.problem({
      code: 'missing',
      path: 'device/material',
      message: 'What the cast is made of is missing: say plaster-fast, plaster-slow or fibreglass-roll.',
    })
  }
  if (!isUrgent && device?.minutesSince === undefined) {
    draft.problem({
      code: 'missing',
      path: 'device/minutesSince',
      message: 'The minutes since the cast was applied are missing: enter them, to know whether it is hard.',
    })
  }
  // A cast of which only its age is known counts as plaster, which takes longer to harden.
  const material = device?.material ?? (device?.minutesSince === undefined ? undefined : 'plaster-slow')
  const hardMin = material ? hardMinutes(material, draft.ctx.protocol) : null
  const earliestMin = isUrgent ? 0 : hardMin
  if (earliestMin !== null) {
    const decided = draft.decide({
      id: 'earliest',
      value: earliestMin,
      source: 'practice',
      display: isUrgent ? 'now' : `${earliestMin} min`,
      formula: 'When it is hard: plaster 60 minutes, fibreglass 20. At once when ordered or when the last round was urgent.',
      working: [
        { label: 'Material', value: device?.material ?? (material ? 'not known, as plaster' : 'not known'), unit: null, from: 'measured' },
      ],
    })
    if (!isUrgent && device?.minutesSince !== undefined && device.minutesSince < decided) {
      draft.caution({
        level: 'stop',
        code: 'not-hard',
        decisions: ['earliest'],
        steps: ['cut'],
        text: `Wait ${Math.ceil(decided - device.minutesSince)} min more, unless it is an emergency: then open now.`,
        why: 'A saw tears soft plaster and clogs; the cast loses its shape.',
      })
    }
  }
  draft.decide({
    id: 'latest',
    value: latestMin,
    source: 'practice',
    formula: 'Before leaving for the ward: within 120 minutes.',
    working: [],
  })
}

function warnAboutPadding(draft: PlanDraft): void {
  const layers = draft.clinicalCase.device?.paddingLayers ?? 2
  if (layers >= 2) return
  draft.caution({
    level: 'caution',
    code: 'thin-padding',
    steps: ['cut'],
    text: 'Short touches of the blade, a guard under it, or shears.',
    why: `${layers} ${layers === 1 ? 'layer' : 'layers'} of padding lie between blade and skin.`,
  })
}

/** The greatest girth that was measured where the cast runs; `missing` when there is none. */
function widestMeasured(draft: PlanDraft): Estimate | null {
  const definitions = girthsUnder(draft.clinicalCase)
  const measured = definitions.flatMap((definition) => draft.measure(definition) ?? [])
  if (measured.length > 0) return measured.reduce((a, b) => (b.value > a.value ? b : a))
  if (!draft.collect().problems.some((problem) => problem.path.includes('-girth'))) {
    draft.problem({
      code: 'missing',
      path: `measurements/${isArm(draft.clinicalCase) ? 'forearm' : 'calf'}-girth`,
      message: "No girth under the cast is known: take it from the cast's own case, or measure the other side.",
    })
  }
  return null
}

function cuts(axis: string, options: OptionValues, toCm: number, courses: readonly CutLine[] = []): readonly GeometryBand[] {
  const count = options['lines'] === 'single' ? 1 : 2
  return Array.from({ length: count }, (_, index): GeometryBand => ({
    id: `cut-${index + 1}`,
    axis,
    label: `Cutting line ${index + 1}, away from bone points`,
    kind: 'cut',
    fromCm: 0,
    toCm,
    decision: 'room-gained',
    ...(courses[index] ? { line: courses[index] } : {}),
  }))
}

/** The same lines on along the foot, to the toes. */
function footCuts(model: LegModel, options: OptionValues): readonly GeometryBand[] {
  return cuts('foot', options, model.footCm).map((band, index) => ({
    ...band,
    id: `cut-foot-${index + 1}`,
    label: `Cutting line ${index + 1}, on the foot`,
    fromCm: model.stations.toe.atCm,
    line: [
      [model.stations.toe.atCm, 0.5],
      [model.footCm, 0.5],
    ],
  }))
}

/** The cast that is on, foot included: what is opened is drawn on it. */
function castBands(model: LegModel, topCm: number): readonly GeometryBand[] {
  return [
    {
      id: 'cast-foot',
      axis: 'foot',
      label: 'Cast, foot',
      kind: 'zone',
      fromCm: model.stations.toe.atCm,
      toCm: model.footCm,
      decision: null,
    },
    { id: 'cast-lower', axis: 'leg', label: 'Cast that is on', kind: 'zone', fromCm: 0, toCm: topCm, decision: null },
  ]
}

function openLeg(draft: PlanDraft, options: OptionValues, isUrgent: boolean, isMeasured: boolean): Geometry {
  const { model } = sketchLeg(draft)
  const isLong = isLongCast(draft)
  const top = isLong ? 'mid-thigh' : 'below-knee'
  const hasLengths = draft.clinicalCase.patient.heightCm !== undefined || draft.measure(lowerLegLength) !== null
  if (isMeasured && hasLengths && !isUrgent) {
    decideLegWrap(draft, model, {
      decision: 'crepe',
      item: 'crepe-bandage',
      top,
      passes: 1,
      isOverPadding: true,
      note: 'lightly, to hold the edges',
    })
  }
  const topCm = draft.clinicalCase.device?.topCm ?? model.stations[top].atCm
  const base = legGeometry(draft, model, isLong ? (topCm > model.stations['mid-thigh'].atCm ? 'groin' : 'mid-thigh') : 'knee')
  const courses = cutLines(String(options['lines']), base.marks, topCm)
  return {
    ...base,
    angles: { ankle: 90, knee: isLong ? 18 : 0 },
    bands: [...castBands(model, topCm), ...cuts('leg', options, topCm, courses), ...footCuts(model, options)],
  }
}

function openArm(draft: PlanDraft, options: OptionValues, isUrgent: boolean): Geometry {
  const girths = Object.fromEntries(
    armGirths.flatMap((definition) => {
      const estimate = draft.measure(definition)
      return estimate ? [[definition.id.replace(/-girth$/, ''), estimate] as const] : []
    }),
  )
  const model = buildArmModel(girths, splitPath(25))
  if (!model) return armGeometry(draft, sketchArm(draft))
  const topCm = model.forearmCm - 4
  if (!isUrgent) {
    decideArmWrap(draft, model, {
      decision: 'crepe',
      item: 'crepe-bandage',
      topCm,
      passes: 1,
      isOverPadding: true,
      note: 'lightly, to hold the edges',
    })
  }
  return { ...armGeometry(draft, model), bands: cuts('arm', options, topCm) }
}

function schedule(draft: PlanDraft): readonly ScheduleEntry[] {
  const isFresh = hasFlag(draft.clinicalCase, 'fresh')
  return [
    ...scheduleRounds(draft.clinicalCase, draft.ctx.protocol, 'Circulation, feeling, movement and stretch pain after opening.', isFresh),
    {
      id: 'review',
      kind: 'review',
      dueMin: 1440,
      graceMin: 1440,
      text: 'Review: swelling, skin along the line, close or change the cast.',
    },
  ]
}
