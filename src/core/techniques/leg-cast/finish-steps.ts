import { hasFlag } from '../../model/clinical-case'
import type { Step, StepAngle } from '../../model/step'
import { line, linesOf, makeStep } from '../shared/make-step'
import { closingCheck } from '../shared/opening-steps'
import { ankleAngle, footPlane, kneeAngle } from '../shared/step-angles'
import { cureTimer } from '../shared/step-timers'
import { holderOf, isOnChest, isProppedCalf, type CastFacts } from './cast-facts'
import type { LegCastStep } from './roles'

/** Knee by its school's band, ankle at its angle, sole level. */
export function heldAngles({ isLong, options, kneeDeg, ankleDeg }: CastFacts): readonly StepAngle[] {
  const knee = options['knee'] === 'thirty' ? kneeAngle(kneeDeg, 30, 40) : kneeAngle(kneeDeg, 15, 20)
  return [...(isLong ? [knee] : []), ...(ankleDeg === null ? [] : [ankleAngle(ankleDeg)]), footPlane]
}

/** From holding still to the look afterwards. */
export function finishSteps(facts: CastFacts, lastShape: LegCastStep): readonly Step<LegCastStep>[] {
  const { isLong, isFresh, openingMin, set } = facts
  const holder = holderOf(facts) ?? 'you'
  const isHeldByHand = holder !== 'you'
  const whole = isLong ? 'Knee and foot' : 'The foot'
  return [
    makeStep({
      id: 'hold-set',
      headline: `${whole} held still until it is hard`,
      lines: linesOf(
        line('hold', holder, `${whole} still: hard to the knuckle, no sooner than the clock.`),
        line('say', 'patient', '"Too hot" means: take it off.'),
        isHeldByHand && line('hold', holder, 'Arms tire: change, four hands on it, "I have it".', { rests: true }),
      ),
      why: 'At the likely setting time half of all batches are still soft; the classic failure is a sagging knee that cracks.',
      prevents: 'A crack at the knee, a foot that drops in the last minute.',
      after: [lastShape],
      minutes: [2, 4, 8],
      ...(isOnChest(facts) && !isLong ? {} : { hands: ['apply'] as const }),
      fits: isLong ? ['knee-angle', 'ankle-angle'] : ['ankle-angle'],
      angles: heldAngles(facts),
      timer: cureTimer(set.cureMin),
      where: [isLong ? 'knee' : 'ankle'],
    }),
    ...(isLong
      ? [
          makeStep({
            id: 'reinforce',
            headline: 'The knee looked at from both sides',
            lines: linesOf(line('look', 'you', 'The turns cross on both sides; no wrinkle behind, no crack.', { at: 'knee' })),
            why: 'The knee carries the whole lower leg.',
            prevents: 'A cast that breaks in two on the way to the ward.',
            after: ['hold-set'],
            minutes: [0.2, 0.4, 0.8] as const,
            fits: ['knee-crack'],
            where: ['knee'],
          }),
        ]
      : []),
    makeStep({
      id: 'trim',
      headline: 'All toes seen',
      lines: linesOf(
        line('cut', 'you', 'Trim until all toes are seen.', { at: 'toe', uses: ['shears'] }),
        line('press', 'you', 'A finger round both edges.'),
        line('lay', 'you', 'Mark the day, the hour and the level of the break on it.', { uses: ['marker'] }),
      ),
      why: 'Toes are the window for every later check.',
      prevents: 'Toes that nobody can look at, an edge that cuts.',
      after: [isLong ? 'reinforce' : 'hold-set'],
      minutes: [0.3, 0.7, 1.5],
      where: ['toe'],
    }),
    makeStep({
      id: 'transfer',
      headline: 'Set down, uncovered until it is cool',
      lines: linesOf(
        line('lift', holder, `Under thigh and calf, never by the heel; down not before its clock.`, {
          needs: isLong ? 2 : 1,
          ...(isHeldByHand ? {} : { takes: isProppedCalf(facts) ? (['foot', 'knee'] as const) : (['foot'] as const) }),
          gives: [
            { what: 'foot', to: 'bed' },
            ...(isLong || isProppedCalf(facts) ? [{ what: 'knee' as const, to: 'bed' as const }] : []),
            ...(hasFlag(facts.clinicalCase, 'cannot-be-moved') ? [{ what: 'thigh' as const, to: 'bed' as const }] : []),
          ],
        }),
        line('hold', holder, 'Sooner only with one named hand above and one below.'),
        line('lay', 'you', 'In open air: no pillow, no plastic, no blanket until it is cool.'),
      ),
      say: 'We set your leg down now.',
      why: 'Heat that cannot leave burns; a soft cast dents on what it lies on.',
      prevents: 'Burns and heel sores.',
      after: ['trim'],
      minutes: [0.5, 1, 2],
      ...(isFresh
        ? { timer: { id: 'opening', label: 'Hard enough to open', minutes: openingMin, kind: 'wait', starts: 'done' } as const }
        : {}),
      moreTimers: [{ id: 'cool', label: 'Uncovered until cool', minutes: 30, kind: 'cooling', starts: 'shown' }],
      where: ['heel-instep'],
    }),
    closingCheck(['trim'], 'both legs', ['dorsal-foot-pulse', 'toe']),
  ]
}
