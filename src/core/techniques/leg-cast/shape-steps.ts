import { line, linesOf } from '../shared/make-step'
import type { ShapeId } from './cast-parts'
import type { RollFacts } from './roll-facts'

/** The look before it sets, and its answers, as lines of whatever shapes last. */
const lastLookLines = [
  line('look', 'you', 'Last look: what pokes or squeezes, an edge at a nerve or in a fold?'),
  line('ease', 'you', 'Flare it, ease it or cut it now: later it can only be cut.'),
]

/** One shaping of a part; the last of all ends with the last look. */
export function shapeStep(facts: RollFacts, shape: ShapeId, isLast: boolean) {
  const { angles, isLong } = facts
  const look = isLast ? lastLookLines : []
  const common = { id: shape, wet: true, ...(isLast ? { fits: ['toes-seen', 'edges', 'fibular-neck', 'rotation'] } : {}) }
  switch (shape) {
    case 'mould-ankle':
    case 'mould-knee':
    case 'mould': {
      const isKnee = shape === 'mould-knee'
      return {
        ...common,
        headline: isKnee
          ? 'Knee shaped, leg on one axis'
          : shape === 'mould' && isLong
            ? 'Ankle and knee shaped'
            : 'Ankle shaped, foot at its angle',
        lines: linesOf(...mouldLines(facts, shape, isLast), ...look),
        why: 'A cast holds by its shape, not by its thickness.',
        prevents: 'A cast that slides down, a sagging knee that cracks, a dropped foot, a turned leg.',
        minutes: [0.4, 0.6, 1] as const,
        say: isKnee
          ? 'I press above your knee now. Tell me where it hurts, and if it gets too hot.'
          : 'I bring your foot to its angle now; it pulls in the calf. Tell me where it hurts, and if it gets too hot.',
        angles: angles.filter(({ id }) => shape === 'mould' || (id === 'knee') === isKnee),
        where: isKnee ? ['patella'] : shape === 'mould' && isLong ? ['malleoli', 'patella'] : ['malleoli'],
      }
    }
    case 'upper-edge':
      return {
        ...common,
        say: 'I shape the upper edge now.',
        headline: 'Upper edge flared off the skin',
        lines: linesOf(
          line('mould', 'you', 'Flare the upper edge off the skin while it is soft, smooth all round.'),
          ...axisLook(facts, isLast),
          ...look,
        ),
        why: 'The edge carries what slides; set sharp, it can only be cut.',
        prevents: 'An edge that digs in at the groin or behind the knee.',
        minutes: [0.2, 0.3, 0.5] as const,
        where: [isLong ? 'mid-thigh' : 'below-knee'],
      }
    case 'relief-cuts':
      return {
        ...common,
        headline: 'Relief cuts in the top edge of the boot',
        lines: linesOf(line('cut', 'you', 'Four short cuts while it is soft: front, back and both sides.', { uses: ['shears'] }), ...look),
        why: 'Vessel and nerve lie behind that edge, and it will be bent against them.',
        prevents: 'A hard edge in the hollow of the knee.',
        minutes: [0.2, 0.3, 0.5] as const,
        where: ['below-knee'],
      }
  }
}

/** What is pressed where, and the look along the leg while it can still be turned. */
function mouldLines({ isLong, ankleWords }: RollFacts, shape: 'mould-ankle' | 'mould-knee' | 'mould', isLast: boolean) {
  const ankle = line('mould', 'you', `Flat palms round the malleoli; ankle ${ankleWords}.`)
  const axis = line(
    'look',
    'you',
    `${isLong ? 'Along thigh, shin and foot' : 'Along shin and foot'}: one axis, angles again. Ask: too hot?`,
  )
  if (shape === 'mould-knee') return [line('mould', 'you', 'Flat palms above the condyles, that shape holds it up; kneecap.'), axis]
  if (shape === 'mould-ankle')
    return [ankle, isLast ? axis : line('look', 'you', 'Angle and tilt again, from behind the sole. Ask: too hot?')]
  return [isLong ? line('mould', 'you', 'Flat palms: malleoli, then above the condyles and round the kneecap.') : ankle, axis]
}

/** With the last look of a long cast: along the whole leg, once more. */
function axisLook({ isLong }: RollFacts, isLast: boolean) {
  return isLast && isLong ? [line('look', 'you', 'Along thigh, shin and foot: one axis?')] : []
}
