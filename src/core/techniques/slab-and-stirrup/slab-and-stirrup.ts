import { known, sentence } from '../../planner/answer'
import { legGeometry } from '../../planner/body/leg-geometry'
import type { LegModel } from '../../figures/body/leg-model'
import { measureLeg, noteEstimatedGirths, requireLegLengths, sketchLeg } from '../../planner/body/measure-leg'
import {
  ankleGirth,
  belowKneeGirth,
  calfGirth,
  footLength,
  heelInstepGirth,
  lowerLegLength,
  midfootGirth,
  slabPath,
  toeGirth,
} from '../../figures/body/measurements/leg'
import { stirrupPath } from '../../figures/body/measurements/stirrup'
import type { MeasurementDefinition } from '../../model/measurement-definition'
import { workingOf, type PlanDraft } from '../../planner/draft'
import type { ScheduleEntry } from '../../model/plan'
import type { Geometry } from '../../model/geometry'
import { readDefaults } from '../../quantities/defaults'
import { roundUpTo } from '../../quantities/rounding'
import { scheduleRounds } from '../../planner/schedule-rounds'
import { decideSetting } from '../families/cast/decide-set-time'
import { layerDefaults } from '../../figures/slabs/slab-layers'
import { bandageLeg } from '../families/slab/bandage-leg'
import { decideAnkle, describeAnkle, judgeHeldAnkle, judgeSlabSwelling } from '../families/slab/ankle'
import { crewRelief, judgeGravity, holdsItself, leastPeople } from '../families/slab/hold'
import { reviewAfter } from '../shared/review'
import { slowerMends } from '../shared/judge-minutes'
import { askForCrew } from '../shared/slow-decisions'
import type { OptionValues, Technique, TechniqueOutcome } from '../../planner/technique'
import { slabAndStirrupOptions } from './options'
import { cutWords, slabAndStirrupCare, slabAndStirrupFit, slabAndStirrupSteps } from './procedure'
import { decideJointWidths, type JointFit } from './widths'
import { slabAndStirrupRelease, slabAndStirrupTroubles } from './trouble'
import { decisions } from './decisions'
import { slabAndStirrupMusts } from './musts'
import { slabAndStirrupRoles, type SlabAndStirrupStep } from './roles'

const path: MeasurementDefinition = {
  ...slabPath,
  landmarks: 'From the toe tips, under the heel, up the back of the leg to the crease behind the knee bent square',
}
const girths = [ankleGirth, calfGirth, belowKneeGirth, heelInstepGirth, toeGirth]

/** Pre-padded fibreglass back slab with a side-to-side stirrup. */
export const slabAndStirrup: Technique<SlabAndStirrupStep> = {
  id: 'slab-and-stirrup',
  name: 'Slab and stirrup',
  purpose: 'Holds an ankle, metatarsal or toe injury from behind and from both sides, open at the front.',
  bodyRegion: 'leg',
  regions: ['foot', 'ankle'],
  patterns: ['malleolar-fracture', 'achilles-rupture', 'ankle-sprain', 'metatarsal-fracture', 'toe-fracture'],
  decisions,
  options: slabAndStirrupOptions,
  measurements: (_case, options) => [
    { definition: path, need: 'required' },
    { definition: stirrupPathFor(options), need: 'required' },
    ...girths.map((definition) => ({ definition, need: 'one-girth' as const })),
    ...[lowerLegLength, footLength, midfootGirth].map((definition) => ({ definition, need: 'optional' as const })),
  ],
  uses: () => ['fibreglass-slab', 'padding-roll', 'elastic-bandage'],
  puts: ['limb-device', 'hard-shell', 'unfelt-pressure', 'skin-edges', 'over-injury'],
  judge: (draft, options) => {
    judgeHeldAnkle(draft, options)
    judgeSlabSwelling(draft)
    judgeGravity(draft, options)
  },
  girthsInside: () => [ankleGirth, calfGirth, belowKneeGirth].map((definition) => definition.id),
  answer: (said) =>
    sentence(
      known`Cut ${said.brief('slab-length')} of the ${said.brief('slab-width')} slab, and ${said.brief('stirrup-length')} of the ${said.brief('stirrup-width')} for the stirrup`,
    ),
  plan: planSlabAndStirrup,
  roles: slabAndStirrupRoles,
  musts: slabAndStirrupMusts,
  onUrgent: { holds: 'break', actions: slabAndStirrupRelease },
  comesOff: [
    'Cut the bandage, or unwind it from the top.',
    'Lift the stirrup sides away, then the slab, calf and heel carried.',
    'Padding off, down to the skin.',
  ],
  troubles: slabAndStirrupTroubles,
}

function stirrupPathFor(options: OptionValues): MeasurementDefinition {
  const top = options['stirrup-top'] === 'calf-widest' ? 'the widest part of the calf' : 'the height of the slab top'
  return {
    ...stirrupPath,
    takenFor: String(options['stirrup-top']),
    landmarks: `From ${top} on one side, under the heel, to the same height on the other side`,
  }
}

function planSlabAndStirrup(draft: PlanDraft, options: OptionValues): TechniqueOutcome<SlabAndStirrupStep> {
  const { clinicalCase } = draft
  const leg = measureLeg(draft)
  const slabLengthCm = decideLengthOf(
    draft,
    path,
    'slab-length',
    2,
    'Slab path + 5 cm past the toes − 3 cm short of the crease, up to the next 0.5 cm.',
  )
  const stirrupLengthCm = decideLengthOf(draft, stirrupPathFor(options), 'stirrup-length', 0, 'Stirrup path, up to the next 0.5 cm.')
  const fit = leg ? decideJointWidths(draft, leg.model, options) : null
  if (leg) {
    noteEstimatedGirths(draft, leg.model, ['ankle', 'calf', 'below-knee'], ['slab-width', 'stirrup-width'])
    decideWraps(draft, leg.model, leg.hasLengths)
  }
  if (fit) listSlabs(draft, fit, slabLengthCm, stirrupLengthCm)
  const plies = readDefaults(layerDefaults, draft.ctx.protocol).padStripPlies
  const set = decideSetting(draft, 'padded-fibreglass', plies)
  const ankleDeg = decideAnkle(draft, options)
  const steps = slabAndStirrupSteps({
    options,
    side: clinicalCase.injury.side,
    slab: cutWords(fit?.slabCm ?? null, slabLengthCm),
    stirrup: cutWords(fit?.stirrupCm ?? null, stirrupLengthCm),
    ankleWords: ankleDeg === null ? 'as ordered' : describeAnkle(ankleDeg),
    ankleDeg,
    set,
    isHeldByItself: holdsItself(draft, options),
    clinicalCase,
  })
  askForCrew(draft, {
    steps,
    set,
    floor: leastPeople(draft, options),
    wettingStep: 'wet',
    mouldingStep: 'mould',
    mends: () => slowerMends(draft, 'padded-fibreglass', null),
    relief: crewRelief(clinicalCase, options),
  })
  return {
    steps,
    fit: slabAndStirrupFit,
    care: slabAndStirrupCare,
    schedule: schedule(draft),
    geometry: leg ? draw(draft, leg.model, ankleDeg ?? 90, fit, options) : legGeometry(draft, sketchLeg(draft).model, 'knee'),
  }
}

function decideLengthOf(
  draft: PlanDraft,
  definition: MeasurementDefinition,
  id: 'slab-length' | 'stirrup-length',
  addCm: number,
  formula: string,
): number | null {
  const measured = draft.require(definition)
  if (!measured) return null
  return draft.decide({
    id,
    value: roundUpTo(measured.value + addCm, 0.5),
    sd: measured.sd,
    source: 'practice',
    formula,
    working: [workingOf(measured), { label: 'Ends', value: addCm, unit: 'cm', from: 'default' }],
  })
}

function decideWraps(draft: PlanDraft, model: LegModel, hasLengths: boolean): void {
  if (!hasLengths) return requireLegLengths(draft)
  bandageLeg(draft, model, 'below-knee', {
    padding: 'two to four layers, ending about half a centimetre past the splint',
    bandage: 'one bandage over slab and stirrup together',
  })
}

function listSlabs(draft: PlanDraft, fit: JointFit, slabLengthCm: number | null, stirrupLengthCm: number | null): void {
  for (const [id, widthCm, lengthCm] of [
    ['slab', fit.slabCm, slabLengthCm],
    ['stirrup', fit.stirrupCm, stirrupLengthCm],
  ] as const) {
    draft.material({
      id,
      item: 'fibreglass-slab',
      widthCm,
      lengthCm,
      rolls: null,
      layers: 1,
      note: `${id}, cut to length, raw ends covered`,
    })
  }
}

function draw(draft: PlanDraft, model: LegModel, ankleDeg: number, fit: JointFit | null, options: OptionValues): Geometry {
  const base = legGeometry(draft, model, 'knee')
  const topCm = model.stations['below-knee'].atCm
  const all = { axis: 'leg', fromCm: 0, toCm: topCm } as const
  const stirrupTopCm = options['stirrup-top'] === 'calf-widest' ? model.stations.calf.atCm : topCm
  return {
    ...base,
    angles: { ankle: ankleDeg, knee: 0 },
    bands: [
      { id: 'padding', label: 'Padding', kind: 'padding', decision: 'padding', axis: 'leg', fromCm: 0, toCm: topCm + 0.5 },
      { id: 'bandage', label: 'Bandage', kind: 'bandage', decision: 'bandage', ...all },
      { id: 'slab', label: fit ? `Slab, ${fit.slabCm} cm wide` : 'Slab', kind: 'slab', decision: 'slab-width', ...all },
      {
        id: 'stirrup',
        label: fit ? `Stirrup, ${fit.stirrupCm} cm wide` : 'Stirrup',
        kind: 'slab',
        decision: 'stirrup-width',
        ...all,
        toCm: stirrupTopCm,
      },
    ],
  }
}

function schedule(draft: PlanDraft): readonly ScheduleEntry[] {
  return [
    ...scheduleRounds(draft.clinicalCase, draft.ctx.protocol, 'Circulation, feeling, movement, pain and fit, beside the other leg.'),
    reviewAfter(draft.clinicalCase, { days: 2, graceDays: 3, text: 'Review for circulation, change or completion.' }),
  ]
}
