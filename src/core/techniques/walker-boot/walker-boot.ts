import { isOrdered } from '../../model/orders'
import { known, sentence } from '../../planner/answer'
import { legGeometry } from '../../planner/body/leg-geometry'
import { sketchLeg } from '../../planner/body/measure-leg'
import { bootFootLength, bootSoleHeight, bootSoleLength, shoeSoleHeight } from '../../figures/body/measurements/boot'
import { calfGirth } from '../../figures/body/measurements/leg'
import { workingOf, type PlanDraft } from '../../planner/draft'
import type { ScheduleEntry } from '../../model/plan'
import { scheduleRounds } from '../../planner/schedule-rounds'
import { decideSize } from '../families/sized/decide-size'
import { decidePeople } from '../shared/decide-people'
import { reviewAfter } from '../shared/review'
import { extraHolder } from '../shared/extra-holder'
import { positionOptionOf, suppliesOption } from '../../planner/shared-options'
import type { OptionValues, Technique, TechniqueOutcome } from '../../planner/technique'
import { walkerBootCare, walkerBootFit, walkerBootSteps } from './procedure'
import { decideWedges } from './wedges'
import { walkerBootRelease, walkerBootTroubles } from './trouble'
import { decisions } from './decisions'
import { walkerBootTaskForms } from './task-forms'
import { walkerBootMusts } from './musts'
import { walkerBootRoles, type WalkerBootStep } from './roles'

const leastMarginCm = 0.5
const rightMarginCm = 1.5
const mostMarginCm = 2
const rounds = { onlyMin: [60] } as const

const usualStraps = 3
/** Sized over marked swelling it is loose once that goes down. */
const swellingReview: ScheduleEntry = {
  id: 'review-swelling',
  kind: 'review',
  dueMin: 1440,
  graceMin: 240,
  text: 'Review: has the swelling gone down? Size, liner and straps anew.',
}

/** Walker boot with a curved sole. */
export const walkerBoot: Technique<WalkerBootStep> = {
  id: 'walker-boot',
  name: 'Walker boot',
  purpose: 'Reduces ankle movement in a foot or ankle that may be looked at and washed every day.',
  bodyRegion: 'leg',
  regions: ['foot', 'ankle'],
  patterns: ['ankle-sprain', 'malleolar-fracture', 'metatarsal-fracture', 'toe-fracture', 'achilles-rupture'],
  decisions,
  options: [
    {
      id: 'weight',
      label: 'Weight',
      default: () => 'not-ordered',
      values: [
        { id: 'not-ordered', label: 'Not ordered', why: 'Planned as not allowed until somebody orders it by name.' },
        { id: 'allowed', label: 'Allowed', why: 'Ordered: stand and walk at the fitting.' },
        { id: 'not-allowed', label: 'Not allowed', why: 'Ordered: fitted seated, with walking aids.' },
      ],
    },
    suppliesOption,
    positionOptionOf(['seated', 'lying']),
  ],
  measurements: () => [
    { definition: bootFootLength, need: 'required' },
    ...[calfGirth, bootSoleLength, bootSoleHeight, shoeSoleHeight].map((definition) => ({ definition, need: 'optional' as const })),
  ],
  asks: ['weight', 'wedges', 'week', 'at-home'],
  uses: () => ['walker-boot'],
  puts: ['limb-device', 'hard-shell', 'walking-boot', 'skin-edges', 'over-injury'],
  judge: judgeBoot,
  answer: (said) =>
    sentence(
      known`Take ${said.brief('size')}`,
      said.isSome('wedges') && known`${said.brief('wedges')} under the heel`,
      said.isSome('other-shoe-raise') && known`raise the other shoe by ${said.brief('other-shoe-raise')}`,
    ),
  plan: planBoot,
  rounds,
  roles: walkerBootRoles,
  musts: walkerBootMusts,
  onUrgent: { holds: 'break', actions: walkerBootRelease },
  again: {
    keeps: ['identity', 'position', 'baseline', 'wedges', 'heel-home', 'liner', 'straps', 'stand', 'toes', 'after-check'],
    home: [
      'Sit. A clean dry sock without a crease, and look at the skin of heel and ankle first.',
      'Heel all the way back. The wedges stay where they are.',
      'Liner closed without a crease, then the straps from the toes to the top. Nothing cuts.',
      'All toes are inside and seen. Press up under the sole: the heel stays home.',
      'A red place that does not fade in half an hour, or a blister: leave it off, no weight, and call.',
    ],
  },
  comesOff: ['Straps and liner undone, from the top.', 'Foot out of the boot, heel and calf carried.'],
  taskForms: walkerBootTaskForms,
  troubles: walkerBootTroubles,
}

function judgeBoot(draft: PlanDraft, options: OptionValues): void {
  const { orders, injury } = draft.clinicalCase
  const isWithdrawn = orders.weight?.withdrawn === true
  if (isWithdrawn || (options['weight'] === 'not-ordered' && !isOrdered(orders.weight))) {
    draft.caution({
      level: 'caution',
      code: 'not-ordered',
      steps: ['stand'],
      text: 'Get the weight ordered by name; until then it is planned without any.',
      why: isWithdrawn ? 'The order was withdrawn: no step in the boot.' : 'A boot invites a step that the bone may not bear.',
    })
  }
  if (injury.swelling === 'marked') {
    draft.caution({
      level: 'caution',
      code: 'marked-swelling',
      decisions: ['size'],
      steps: ['lay-out'],
      text: 'Take the size whose liner and straps close over the fuller leg, and look again after 24 h.',
      why: 'The size goes by the length of the foot alone. Over marked swelling it presses, and is loose once that goes down.',
    })
  }
  if (injury.pattern === 'achilles-rupture' && !orders.wedges?.length) {
    draft.caution({
      level: 'stop',
      code: 'achilles-rupture',
      decisions: ['wedges'],
      steps: ['heel-home'],
      text: 'No boot without ordered wedges.',
      why: 'A flat sole pulls the torn ends of the heel cord apart.',
    })
  }
}

function planBoot(draft: PlanDraft, options: OptionValues): TechniqueOutcome<WalkerBootStep> {
  const foot = draft.require(bootFootLength)
  const size = decideSize(draft, {
    decision: 'size',
    matches: (item) => item.technique === 'walker-boot',
    readings: [{ definition: bootFootLength, estimate: foot, allowanceCm: 0 }],
    prefer: 'larger',
    rule: 'odds',
    school: null,
    steps: ['lay-out'],
  })
  decideMargin(draft)
  decideRaise(draft)
  const wedgeWords = decideWedges(draft)
  const { orders } = draft.clinicalCase
  const isAllowed = options['weight'] === 'allowed' && orders.weight?.withdrawn !== true
  const steps = walkerBootSteps({
    clinicalCase: draft.clinicalCase,
    options,
    size: size?.size ?? 'by foot length',
    weightWords: orders.weight && isOrdered(orders.weight) ? `${orders.weight.allowed ?? 'as ordered'}, by ${orders.weight.by}` : null,
    mayStand: isAllowed,
    wedgeWords,
    straps: Number(size?.item['straps']) || usualStraps,
  })
  decidePeople(draft, { floor: 1 + extraHolder(draft.clinicalCase), steps, relief: [] })
  const { model } = sketchLeg(draft)
  const base = legGeometry(draft, model, 'knee')
  return {
    steps,
    fit: walkerBootFit,
    care: walkerBootCare,
    schedule: schedule(draft),
    geometry: {
      ...base,
      angles: { ankle: 90, knee: 0 },
      bands: [{ id: 'boot', axis: 'leg', label: 'Boot', kind: 'shell', fromCm: 0, toCm: model.stations.calf.atCm, decision: 'size' }],
    },
  }
}

/** Decides `toe-margin`: 0.5 to 1.5 cm is right; a note to 2, a caution above, a stop below 0.5. */
function decideMargin(draft: PlanDraft): void {
  const sole = draft.measure(bootSoleLength)
  const foot = draft.measure(bootFootLength)
  if (!sole || !foot) return
  const margin = draft.decide({
    id: 'toe-margin',
    value: sole.value - foot.value,
    sd: Math.hypot(sole.sd, foot.sd),
    source: 'practice',
    formula: 'Inside length of the sole − foot length, the heel home.',
    working: [workingOf(sole), workingOf(foot)],
  })
  if (margin >= leastMarginCm - 1e-9 && margin <= rightMarginCm + 1e-9) return
  const level = margin < leastMarginCm ? 'stop' : margin > mostMarginCm + 1e-9 ? 'caution' : 'note'
  draft.caution({
    level,
    code: 'toe-margin',
    lasts: true,
    decisions: ['toe-margin'],
    steps: ['toes'],
    text: level === 'stop' ? 'Take the larger boot.' : level === 'caution' ? 'Take the smaller boot.' : 'A little long: mind the stairs.',
    why:
      level === 'stop'
        ? `Only ${margin.toFixed(1)} cm in front of the toes: they go over the edge.`
        : `${margin.toFixed(1)} cm in front of the toes: the front edge trips.`,
  })
}

function decideRaise(draft: PlanDraft): void {
  const boot = draft.measure(bootSoleHeight)
  const shoe = draft.measure(shoeSoleHeight)
  if (!boot || !shoe) return
  draft.decide({
    id: 'other-shoe-raise',
    value: Math.max(0, boot.value - shoe.value),
    source: 'practice',
    formula: 'Boot sole − shoe sole, not below 0.',
    working: [workingOf(boot), workingOf(shoe)],
  })
}

function schedule(draft: PlanDraft): readonly ScheduleEntry[] {
  return [
    ...scheduleRounds(
      draft.clinicalCase,
      draft.ctx.protocol,
      'After walking or an hour of wear: toes, feeling, friction points.',
      false,
      rounds,
    ),
    ...[1, 2, 3].map((day) => ({
      id: `skin-${day}`,
      kind: 'care' as const,
      dueMin: day * 1440,
      graceMin: 240,
      text: 'Skin of foot and shin, liner dry.',
    })),
    ...(draft.clinicalCase.injury.swelling === 'marked' ? [swellingReview] : []),
    reviewAfter(draft.clinicalCase, { days: 7, graceDays: 1, text: 'Review: weight, wedges, when to leave the boot off.' }),
    { id: 'wean', kind: 'remove', dueMin: 42 * 1440, graceMin: 7 * 1440, text: 'Weaning: shoe indoors first, boot outdoors, then off.' },
  ]
}
