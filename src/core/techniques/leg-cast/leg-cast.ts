import { known, sentence } from '../../planner/answer'
import { legGeometry } from '../../planner/body/leg-geometry'
import type { LegStationId } from '../../figures/body/leg-template'
import type { LegModel } from '../../figures/body/leg-model'
import { measureLeg, noteEstimatedGirths, requireLegLengths, sketchLeg } from '../../planner/body/measure-leg'
import { footLength, insideLeg, legGirths, lowerLegLength } from '../../figures/body/measurements/leg'
import { hasFlag, isYoungerThan, type ClinicalCase } from '../../model/clinical-case'
import type { PlanDraft } from '../../planner/draft'
import type { ScheduleEntry } from '../../model/plan'
import { scheduleRounds } from '../../planner/schedule-rounds'
import { slowerMends } from '../shared/judge-minutes'
import { decideSetting } from '../families/cast/decide-set-time'
import { hardMinutes } from '../../figures/setting-time/hard-after'
import { isPlaster } from '../../figures/setting-time/working-time'
import { wrapDefaults } from '../../figures/wraps/wrap-length'
import { readDefaults } from '../../quantities/defaults'
import type { SettingMaterial } from '../../model/setting-material'
import { decideRoom } from '../families/cast/decide-room'
import { reviewAfter } from '../shared/review'
import { leastPeople } from '../../scene/least-people'
import { askForCrew, askForHeat } from '../shared/slow-decisions'
import type { OptionValues, Technique, TechniqueOutcome } from '../../planner/technique'
import { decideCastLayers, decideKnee, decidePadding, decideStocking, hasStocking } from './materials'
import { usualRolls } from './roll-zones'
import { planRolls } from './plan-rolls'
import type { RollChoice } from '../../figures/wraps/roll-choice'
import type { RollPlaces } from './roll-words'
import { castParts, castWindows, type CastFormation } from './cast-parts'
import { drawCast, rollPlaces } from './drawing'
import { castRelief, handRelief, orderMends, wetAhead } from './relief'
import { rollRuns } from './roll-bands'
import { decideAnkle, describeAnkle, judgeHeldAnkle } from '../families/slab/ankle'
import { legCastOptions } from './options'
import { legCastCare, legCastFit } from './fit'
import { legCastSteps } from './procedure'
import { decideKneeStrength } from './strength'
import { legCastRelease, legCastTroubles } from './trouble'
import { decisions } from './decisions'
import { legCastMusts } from './musts'
import { legCastRoles, type LegCastStep } from './roles'

/** Full cast of the leg, short or long. */
export const legCast: Technique<LegCastStep> = {
  id: 'leg-cast',
  name: 'Leg cast',
  purpose: 'Holds a fracture of the shin, the plateau or the ankle all round, to below the knee or to the groin.',
  bodyRegion: 'leg',
  regions: ['ankle', 'lower-leg', 'knee'],
  patterns: ['tibial-shaft-fracture', 'tibial-plateau-fracture', 'malleolar-fracture'],
  decisions,
  options: legCastOptions,
  measurements: (_case, options) => {
    const isLong = options['extent'] !== 'short'
    return [
      ...legGirths.map((definition, index) => ({ definition, need: isLong || index < 6 ? ('one-girth' as const) : ('optional' as const) })),
      { definition: insideLeg, need: isLong ? 'required' : 'optional' },
      { definition: lowerLegLength, need: 'optional' },
      { definition: footLength, need: 'optional' },
    ]
  },
  asks: ['wound-plan'],
  uses: (options) => [options['material'] === 'fibreglass-roll' ? 'fibreglass-roll' : 'plaster-roll', 'padding-roll'],
  puts: ['limb-device', 'hard-shell', 'unfelt-pressure', 'closed-shell', 'skin-edges', 'over-injury'],
  judge: judgeLegCast,
  answer: (said) =>
    sentence(
      known`Roll ${said.brief('rolls-lower')} on foot and lower leg${said.isSome('rolls-thigh') ? known`, ${said.brief('rolls-thigh')} over the knee to the groin` : ''}, ${said.brief('cast-layers')}`,
      said.school('extent') === 'short'
        ? known`ankle at ${said.brief('ankle-angle')}`
        : known`knee bent ${said.brief('knee-angle')}, ankle at ${said.brief('ankle-angle')}`,
    ),
  plan: planLegCast,
  girthsInside: (_case, options) => stationsInside(options['extent'] !== 'short').map((id) => `${id}-girth`),
  isCast: true,
  isAtRisk: (clinicalCase) => hasFlag(clinicalCase, 'fresh'),
  roles: legCastRoles,
  musts: legCastMusts,
  carries: ({ extent, position, ...options }) => {
    const isPropped = options['foot-hold'] === 'own-chest' && position !== 'face-down' && position !== 'hanging'
    return extent === 'short' && !isPropped ? ['foot'] : ['foot', 'knee']
  },
  turns: (options, protocol) => {
    const { ankleTurns, kneeTurns } = readDefaults(wrapDefaults, protocol)
    return { 'heel-instep': ankleTurns, ...(options['extent'] === 'short' ? {} : { knee: kneeTurns }) }
  },
  onUrgent: { holds: 'break', actions: legCastRelease },
  comesOff: [
    'Cut it on both sides, its whole length.',
    'Lift the front half off, then the back half, knee and heel carried.',
    'Cut padding and stocking, down to the skin.',
  ],
  troubles: legCastTroubles,
}

function judgeLegCast(draft: PlanDraft, options: OptionValues): void {
  judgePosition(draft, options)
  judgeHeldAnkle(draft, options)
  const { clinicalCase } = draft
  if (hasFlag(clinicalCase, 'open') && !clinicalCase.orders.woundPlan) {
    draft.caution({
      level: 'stop',
      code: 'open',
      steps: ['padding'],
      text: 'Get a plan for the wound first: a window, a slab, or theatre.',
      why: 'A covered open fracture festers unseen.',
    })
  }
  if (clinicalCase.injury.swelling === 'marked') {
    draft.caution({
      level: 'caution',
      code: 'swelling',
      decisions: ['room'],
      steps: ['padding'],
      text: 'Take a slab instead, and a cast when the swelling is past.',
      why: 'Marked swelling fills a closed cast within hours.',
    })
  }
  if (clinicalCase.environment.backing === 'pillow') {
    draft.caution({
      level: 'caution',
      code: 'pillow',
      decisions: ['peak-skin-temp'],
      steps: ['transfer'],
      text: 'No pillow or plastic under it until it is cool; then a cloth pillow, heel hanging.',
      why: 'A pillow keeps the heat of setting in.',
    })
  }
  if (isYoungerThan(clinicalCase, 4) && options['extent'] === 'short') {
    draft.caution({
      level: 'caution',
      code: 'unusual',
      steps: ['padding'],
      text: 'Have a long cast considered for a toddler.',
      why: 'Short casts slip off a small round leg.',
    })
  }
}

/** A knee that is held at its bend needs a leg that lies or is held out: face down the bend is square, hanging it is too. */
function judgePosition(draft: PlanDraft, options: OptionValues): void {
  const { position } = options
  if (options['extent'] === 'short' || (position !== 'face-down' && position !== 'hanging')) return
  draft.caution({
    level: 'stop',
    code: 'position-cannot',
    at: ['settles'],
    text: `Choose on the back, or seated: ${position === 'hanging' ? 'with the lower leg hanging' : 'face down'} the knee is bent square.`,
    why: 'A long cast holds the knee nearly straight; what is bent square cannot be held so.',
  })
}

function planLegCast(draft: PlanDraft, options: OptionValues): TechniqueOutcome<LegCastStep> {
  const { clinicalCase } = draft
  const isLong = options['extent'] !== 'short'
  const material = options['material'] as SettingMaterial
  const leg = measureLeg(draft)
  if (isLong) draft.require(insideLeg)
  const hasInsideLeg = !isLong || draft.measure(insideLeg) !== null
  const kneeDeg = decideKnee(draft, options, isLong)
  const ankleDeg = decideAnkle(draft, options)
  const layers = decideCastLayers(draft)
  const isLowInjury = isLow(clinicalCase, leg?.model ?? null)
  const isFromInjury = options['order'] === 'from-the-injury'
  let rolls = usualRolls(isLong)
  let places: RollPlaces | null = null
  let padding: RollChoice | null = null
  if (leg) {
    noteEstimatedGirths(draft, leg.model, isLong ? ['ankle', 'calf', 'knee', 'mid-thigh'] : ['ankle', 'calf'], ['rolls'])
    if (!leg.hasLengths) requireLegLengths(draft)
    if (leg.hasLengths && hasInsideLeg) {
      if (hasStocking(options)) decideStocking(draft, leg.model, isLong)
      padding = decidePadding(draft, leg.model, isLong)
      rolls = planRolls(draft, { model: leg.model, isLong, material, layers, isFromTop: isFromInjury && !isLowInjury }) ?? rolls
      places = rollPlaces(leg.model, isLong)
    }
    if (isLong && leg.hasLengths && hasInsideLeg) decideKneeStrength(draft, leg.model, material, layers)
    decideRoomOf(draft, leg.model, isLong)
  }
  const set = decideSetting(draft, material, layers + (isLong ? 2 : 0))
  const { halfOverlap, lapCm } = readDefaults(wrapDefaults, draft.ctx.protocol)
  const isFresh = hasFlag(clinicalCase, 'fresh')
  const openingMin = decideOpening(draft, material, isFresh)
  const formation: CastFormation = { options, isLong, rolls, isLowInjury }
  const parts = castParts(formation)
  const facts = {
    clinicalCase,
    parts,
    options,
    isLong,
    isLowInjury,
    isPlaster: isPlaster(material),
    set,
    rolls,
    places,
    padding,
    passLayers: 1 / (1 - halfOverlap),
    kneeWords: isLong ? `${kneeDeg}° bent` : 'free',
    kneeDeg,
    ankleWords: ankleDeg === null ? 'as ordered' : describeAnkle(ankleDeg),
    ankleDeg,
    openingMin,
    isFresh,
  }
  const steps = legCastSteps(facts)
  const windows = castWindows(parts, set.workableShare)
  askForHeat(draft, material, layers, set.minutes)
  const relief = castRelief(clinicalCase, options, isLong)
  askForCrew(draft, {
    steps,
    set,
    floor: leastPeople(steps) + (clinicalCase.replaces === undefined ? 0 : 1),
    isSearched: true,
    wettingStep: parts.flatMap((part) => part.rolls).at(-1)?.id ?? '',
    mouldingStep: parts.flatMap(({ shapes }) => shapes).at(-1) ?? '',
    windows,
    mends: () => [
      ...orderMends(facts),
      wetAhead(draft, steps, windows),
      ...slowerMends(draft, material, isPlaster(material) ? 'plaster-slow' : null),
    ],
    relief,
  })
  return {
    steps,
    rolls: rollRuns(parts),
    relief: handRelief(options, isLong),
    fit: legCastFit(isLong),
    care: legCastCare,
    schedule: schedule(draft, isFresh, openingMin),
    geometry: leg
      ? drawCast(draft, leg.model, { isLong, kneeDeg, ankleDeg: ankleDeg ?? 90, parts, lapCm })
      : legGeometry(draft, sketchLeg(draft).model, isLong ? 'groin' : 'knee'),
  }
}

/** Whether the injury is nearer to the ankle than to the knee; by its region where no level is known. */
function isLow({ injury }: ClinicalCase, model: LegModel | null): boolean {
  if (injury.levelCm === null || !model) return injury.region === 'ankle'
  return injury.levelCm < model.lowerLegCm / 2
}

/** Stations inside of the cast, short or long. */
function stationsInside(isLong: boolean): readonly LegStationId[] {
  const short = ['ankle', 'calf', 'below-knee'] as const
  return isLong ? [...short, 'knee', 'above-knee', 'mid-thigh', 'groin'] : short
}

function decideRoomOf(draft: PlanDraft, model: LegModel, isLong: boolean): void {
  const widest = stationsInside(isLong)
    .map((id) => model.stations[id])
    .reduce((a, b) => (b.girthCm > a.girthCm ? b : a))
  decideRoom(draft, widest.girthCm, widest.id)
}

function decideOpening(draft: PlanDraft, material: SettingMaterial, isFresh: boolean): number {
  const minutes = hardMinutes(material, draft.ctx.protocol)
  return draft.decide({
    id: 'opening-time',
    label: isFresh ? 'Open after' : 'Hard enough to open after',
    value: minutes,
    source: 'practice',
    formula: 'No sooner than hard: plaster 60 minutes, fibreglass 20. An emergency never waits for it.',
    working: [{ label: 'Material', value: material, unit: null, from: 'option' }],
  })
}

function schedule(draft: PlanDraft, isFresh: boolean, openingMin: number): readonly ScheduleEntry[] {
  return [
    ...scheduleRounds(
      draft.clinicalCase,
      draft.ctx.protocol,
      'Circulation, feeling, movement, stretch pain and fit, beside the other leg.',
      isFresh,
    ),
    ...(isFresh
      ? [{ id: 'opening', kind: 'opening' as const, dueMin: openingMin, graceMin: 30, text: 'Split the cast before the ward.' }]
      : []),
    reviewAfter(draft.clinicalCase, { days: 1, graceDays: 1, text: 'Review: films, cracks, edges, heel, change of cast.' }),
  ]
}
