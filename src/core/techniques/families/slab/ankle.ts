import type { PlanDraft } from '../../../planner/draft'
import type { OptionValues, TechniqueOption } from '../../../planner/technique'

/** Ankle position: the schools, and the ordered figure. The angle between shin and sole: 90° is square, more is toes down. */
export const ankleOptions: readonly TechniqueOption[] = [
  {
    id: 'ankle',
    label: 'Ankle',
    default: () => 'square',
    values: [
      { id: 'square', label: 'Square', why: 'The foot can stand flat later; the heel cord does not shorten.' },
      { id: 'a-little-up', label: 'A little up', why: '85°, toes 5° up, because it relaxes to square as the hold tires.' },
      { id: 'as-ordered', label: 'As ordered', why: 'Heel cord injuries and reductions need the angle that was ordered.' },
    ],
  },
  {
    id: 'ankle-ordered',
    label: 'Ordered ankle angle',
    default: () => null,
    values: [],
    figure: { unit: 'degrees', least: 40, greatest: 120, describe: describeAnkle },
  },
]

/** Which way an ankle angle points: 90 is square, above it the toes are down, below it they are up. */
export function describeAnkle(degrees: number): string {
  if (degrees === 90) return 'square'
  return degrees > 90 ? `toes ${degrees - 90}° down from square` : `toes ${90 - degrees}° up from square`
}

/** Decides `ankle-angle`, or raises `missing` when it is to be as ordered and no figure was entered. */
export function decideAnkle(draft: PlanDraft, options: OptionValues): number | null {
  const school = String(options['ankle'])
  const ordered = options['ankle-ordered']
  if (school === 'as-ordered' && typeof ordered !== 'number') {
    draft.problem({
      code: 'missing',
      path: 'options/ankle-ordered',
      message: 'The ordered ankle angle is missing: enter it in degrees, 90 being square and more with the toes down.',
    })
    return null
  }
  const value = school === 'as-ordered' ? Number(ordered) : school === 'a-little-up' ? 85 : 90
  return draft.decide({
    id: 'ankle-angle',
    value,
    display: `${value}°, ${describeAnkle(value)}`,
    source: 'practice',
    school: school === 'as-ordered' ? 'As ordered' : school === 'a-little-up' ? 'A little up, relaxes to square' : 'Square',
    formula: 'Between shin and sole: 90° is square; above it the toes point further down, below it further up.',
    working: [{ label: 'School', value: school, unit: null, from: 'option' }],
  })
}

/** From this angle on a torn heel cord is not pulled, degrees. */
const slackCordDeg = 95

/**
 * Stops against bringing an ankle to an angle of one's own choice: the one rule for everything that holds an ankle. An order without its figure is none yet.
 */
export function judgeHeldAnkle(draft: PlanDraft, options: OptionValues): void {
  const { injury } = draft.clinicalCase
  const ordered = options['ankle'] === 'as-ordered' ? options['ankle-ordered'] : undefined
  if (injury.pattern === 'achilles-rupture' && !(typeof ordered === 'number' && ordered >= slackCordDeg)) {
    draft.caution({
      level: 'stop',
      code: 'achilles-rupture',
      decisions: ['ankle-angle'],
      at: ['moulds'],
      text:
        typeof ordered === 'number'
          ? `Do not bring the ankle to ${ordered}°: have the order confirmed, ${slackCordDeg}° or more, the toes down.`
          : 'Do not square the ankle: get the angle ordered and enter it.',
      why: 'This pulls the heel cord: bringing the foot up parts its torn ends.',
    })
  }
  if (injury.flags.includes('comminuted') && typeof ordered !== 'number') {
    draft.caution({
      level: 'stop',
      code: 'comminuted',
      decisions: ['ankle-angle'],
      at: ['moulds'],
      text: 'Do not bring the ankle to an angle of your own choice: get it ordered and enter it.',
      why: 'Moving many fragments can displace them and cut what lies beside them.',
    })
  }
}

/** The caution of marked swelling under a slab. */
export function judgeSlabSwelling(draft: PlanDraft): void {
  if (draft.clinicalCase.injury.swelling !== 'marked') return
  draft.caution({
    level: 'caution',
    code: 'swelling',
    decisions: ['slab-width'],
    at: ['wraps'],
    text: 'Leave the front wide open, bandage with less pull, check early and often.',
    why: 'Marked swelling fills the room that the slab leaves.',
  })
}
