import type { Step } from '../../model/step'
import type { LaidLayer } from '../../model/step-line'
import { formatValue } from '../../planner/format-decision'
import { line, linesOf, makeStep } from '../shared/make-step'
import { isOnChest, type CastFacts } from './cast-facts'
import { hasStocking } from './materials'
import type { LegCastStep } from './roles'

/** The stocking, over which the padding goes. */
export function stocking(facts: CastFacts, held: readonly LegCastStep[]): Step<LegCastStep> {
  return makeStep<LegCastStep>({
    id: 'stocking',
    headline: 'Stocking on, without a crease',
    lines: linesOf(
      isOnChest(facts)
        ? line('lay', 'you', 'Up from the midfoot: the sole stays free, against your chest.', {
            uses: [facts.places ? 'stockinette' : 'stocking'],
            at: 'calf',
          })
        : line('lay', 'you', 'Over toes and foot, past each hand in turn, up the leg.', {
            uses: [facts.places ? 'stockinette' : 'stocking'],
            at: 'calf',
          }),
      line('smooth', 'you', 'Started high, because it creeps down; no crease.'),
    ),
    why: 'A crease under plaster is a ridge for six weeks.',
    prevents: 'Sores from creases, a bare upper edge.',
    after: [...held, 'lay-out'],
    minutes: [0.5, 1, 2],
    onPatient: true,
    say: 'The stocking goes on first.',
  })
}

/** The thigh first, while the palms of the knee holder are below it. */
export function paddingThigh(facts: CastFacts, after: readonly LegCastStep[]): Step<LegCastStep> {
  const start = hasStocking(facts.options)
    ? 'Over the stocking, groin down to the knee'
    : 'Groin down to the knee, a turn left to fold back'
  return makeStep<LegCastStep>({
    id: 'padding-thigh',
    headline: 'Thigh and knee padded',
    lines: linesOf(
      line('hold', 'side', 'Knee holder: flat palms under the calf, one by one: "I have it".', { at: 'under-calf', takes: ['knee'] }),
      line('wind', 'you', `${start}; half overlap.`, { at: 'mid-thigh', uses: padRolls(facts, 'thigh'), puts: padding(facts, 'thigh') }),
      line('press', 'you', 'Kneecap and condyles have more; no crease behind the knee.'),
    ),
    why: 'Two even layers are the room for swelling; bone needs four.',
    prevents: 'A crease behind the knee, a bare upper edge.',
    after,
    minutes: [0.8, 1.2, 2],
    onPatient: true,
    say: 'The soft padding goes round your leg now.',
    where: ['padding', 'patella'],
  })
}

/** Lower leg and foot; in a short cast all of it. */
export function paddingLower(facts: CastFacts, dressed: readonly LegCastStep[]): Step<LegCastStep> {
  const { isLong } = facts
  return makeStep<LegCastStep>({
    id: 'padding',
    headline: isLong ? 'Lower leg and foot padded' : 'Padded, with room to swell',
    lines: linesOf(
      isLong && line('hold', 'side', 'Knee holder: flat palms back under the thigh, one by one.', { at: 'mid-thigh', takes: ['knee'] }),
      line('wind', 'you', padWords(facts), { at: 'calf', uses: padRolls(facts, 'lower'), puts: padding(facts, 'lower') }),
      line('press', 'you', `Malleoli, shin crest and fibular neck have more; no crease.`),
    ),
    why: 'Two even layers are the room for swelling; bone needs four.',
    say: 'The soft padding goes round your leg now.',
    prevents: 'A missed heel, an overpadded ankle, ridges, no room.',
    after: isLong ? ['padding-thigh', ...dressed] : dressed,
    minutes: isLong ? [1.2, 1.8, 3] : [2, 3, 5],
    onPatient: true,
    where: ['padding', 'malleoli', 'fibular-neck'],
  })
}
/** What is padded with the thigh, and what with the lower leg and foot; nothing to say without measured lengths. */
function padding({ places, isLong }: CastFacts, part: 'thigh' | 'lower'): readonly LaidLayer[] {
  if (!places) return []
  const layer = { layer: 'padding', passes: 1 }
  if (part === 'thigh') return [{ ...layer, axis: 'leg', fromCm: places.bootTopCm, toCm: places.topCm }]
  return [
    { ...layer, axis: 'leg', fromCm: 0, toCm: isLong ? places.bootTopCm : places.topCm },
    { ...layer, axis: 'foot', fromCm: places.toeCm, toCm: places.instepCm },
  ]
}

/** The padding rolls of a part as they are laid out: those of the thigh's width with the thigh. */
function padRolls({ padding, isLong }: CastFacts, part: 'thigh' | 'lower'): readonly string[] {
  if (!padding) return ['padding']
  const thighCm = isLong ? padding.zones.find(({ zone }) => zone === 'thigh')?.widthCm : undefined
  const rolls = padding.rolls
    .filter(({ widthCm }) => (part === 'thigh') === (widthCm === thighCm))
    .map(({ widthCm, count }) => `${count} × padding roll, ${formatValue(widthCm, 'cm')} wide`)
  return rolls.length > 0 ? rolls : ['padding roll']
}

function padWords(facts: CastFacts): string {
  if (facts.isLong) return 'On from the knee to the toes, unrolled outward, half overlap.'
  return hasStocking(facts.options)
    ? 'Over the stocking, from the top to the toes, half overlap.'
    : 'From the top to the toes, a turn left to fold back; half overlap.'
}
