import type { Step } from '../../model/step'
import { line, linesOf, makeStep } from '../shared/make-step'
import { openingSteps } from '../shared/opening-steps'
import { holderOf, isOnChest, isProppedCalf, type CastFacts } from './cast-facts'
import { finishSteps, heldAngles } from './finish-steps'
import { holdFoot, holdThigh, settleLines, toeGrip } from './hold-steps'
import { hasStocking } from './materials'
import { paddingLower, paddingThigh, stocking } from './padding-steps'
import type { LegCastStep } from './roles'
import { rollSteps } from './roll-steps'

/** The steps of a cast in a workable order, its rolls one by one. */
export function legCastSteps(facts: CastFacts): readonly Step<LegCastStep>[] {
  const { options } = facts
  const wet = rollSteps({
    ...facts,
    isHeldByHand: holderOf(facts) !== null,
    angles: heldAngles(facts),
    edge: hasStocking(options) ? 'stocking' : 'padding',
  })
  return [...drySteps(facts), ...wet, ...finishSteps(facts, wet.at(-1)?.id ?? 'bone-points')]
}

function drySteps(facts: CastFacts): readonly Step<LegCastStep>[] {
  const { clinicalCase, isLong, options, kneeWords, ankleWords } = facts
  const { side } = clinicalCase.injury
  const holder = holderOf(facts)
  const onStocking = hasStocking(options)
  const held: readonly LegCastStep[] = isLong ? ['hold-foot', 'hold-thigh'] : ['hold-foot']
  const dressed: readonly LegCastStep[] = [...(onStocking ? (['stocking'] as const) : held), 'lay-out']
  return [
    ...openingSteps({
      side,
      compared: 'both legs',
      where: ['dorsal-foot-pulse'],
      settle: settleLines(facts),
      say: 'I wrap your leg in wet rolls all round. They get warm, then hard. Tell me at once if it is too hot or anything pinches.',
      layOut: [
        ...(onStocking ? ['stocking'] : []),
        ...(isProppedCalf(facts) ? ['prop for the calf'] : []),
        'padding',
        'rolls in order',
        'bucket of water with thermometer',
        'shears',
        'marker',
      ].join(', '),
    }),
    holdFoot(facts),
    ...(isLong ? [holdThigh(facts)] : []),
    ...(onStocking ? [stocking(facts, held)] : []),
    ...(isLong ? [paddingThigh(facts, dressed)] : []),
    ...(isOnChest(facts) ? [] : [toeGrip(isLong ? ['padding-thigh'] : dressed)]),
    paddingLower(facts, dressed),
    makeStep({
      id: 'bone-points',
      headline: `Bony points felt, angles looked at`,
      lines: linesOf(
        line('press', 'you', 'Feel every bony point through the padding.', { at: 'malleoli' }),
        line(
          'look',
          'you',
          isLong ? `Knee ${kneeWords}, ankle ${ankleWords}; all on one axis.` : `Ankle ${ankleWords}; shin and foot on one axis.`,
        ),
        holder && line('hold', holder, 'Holders: change now if arms tire, four hands on it, one by one.', { rests: true }),
      ),
      why: 'What is wrong now is wrong for weeks.',
      prevents: 'A turned foot, a pressed nerve at the fibular neck.',
      say: 'It will get warm for some minutes; that is the setting. Too hot, and it comes off: say so.',
      after: ['padding', ...held],
      minutes: [0.3, 0.6, 1],
      confirm: `Rolling on the ${side?.toUpperCase() ?? 'injured'} leg`,
      where: ['malleoli', 'fibular-neck'],
    }),
  ]
}
