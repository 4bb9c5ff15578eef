import { hasFlag } from '../../model/clinical-case'
import type { Step } from '../../model/step'
import type { Posture, StepLine } from '../../model/step-line'
import type { Position } from '../../planner/shared-options'
import { line, linesOf, makeStep } from '../shared/make-step'
import { isOnChest, isProppedCalf, liesOut, type CastFacts } from './cast-facts'
import type { LegCastStep } from './roles'

/** How the patient is settled for a cast: the leg lies until hands or a prop take it. */
export function settleLines(facts: CastFacts): readonly Omit<StepLine, 'id'>[] {
  const { options, clinicalCase } = facts
  if (hasFlag(clinicalCase, 'cannot-be-moved'))
    return [
      line('look', 'you', 'As found, in bed or chair.', { moves: 'as-found' }),
      line('hold', 'legs', `One more holder, seated, steadies ${facts.isLong ? 'hip and trunk' : 'the thigh'}.`, {
        takes: ['thigh'],
        rests: true,
      }),
    ]
  const lies: Readonly<Record<Position, readonly [string, Posture]>> = {
    lying: ['On the back; the leg lies on the couch until hands take it.', 'on-back'],
    'face-down': ['Face down, knee bent square, shin upright; chest on a pillow.', 'face-down'],
    hanging: ['Sitting on the edge, thigh on the couch, the lower leg hanging.', 'sitting'],
    seated: ['Seated, the leg out in front on a chair until hands take it.', 'sitting'],
  }
  const [words, moves] = lies[options['position'] as Position] ?? lies.lying
  return [
    line('turn', 'you', words, { moves, needs: 1 }),
    isOnChest(facts)
      ? line('say', 'you', 'Stand so that the sole can lean square against your chest.')
      : line('say', 'foot', 'Take a stool or a step now, before the long hold; bed at hip height.'),
  ]
}

const footHeld = { what: 'foot', from: 'hold-foot', to: 'transfer', place: 'hold-distal' } as const

/** The foot is taken: by a helper, or leaned on one's own chest. */
export function holdFoot(facts: CastFacts): Step<LegCastStep> {
  const { isLong, ankleWords } = facts
  const common = {
    id: 'hold-foot' as const,
    why: 'Let go of once, the foot drops and the break moves.',
    prevents: 'Movement at the fracture before anything holds it.',
    after: ['baseline'] as const,
    minutes: [0.1, 0.2, 0.4] as const,
    where: ['heel-instep'],
  }
  if (isOnChest(facts))
    return makeStep<LegCastStep>({
      ...common,
      headline: 'The foot leans on your chest',
      lines: linesOf(
        isProppedCalf(facts) &&
          line('lay', 'you', 'Calf on the prop, knee bent, the foot clear.', {
            uses: ['prop for the calf'],
            takes: ['knee'],
            gives: [{ what: 'knee', to: 'prop' }],
          }),
        line('hold', 'you', `Sole against your chest, ankle ${ankleWords}; hands free.`, {
          takes: ['foot'],
          gives: [{ what: 'foot', to: 'chest' }],
          at: 'toe-tips',
        }),
      ),
      say: 'I lean your foot against me now. Let it be heavy.',
    })
  return makeStep<LegCastStep>({
    ...common,
    headline: 'The foot is held',
    lines: linesOf(
      line('hold', 'foot', `Heel in one palm, forefoot in the other; ankle ${ankleWords}.`, { takes: ['foot'], at: 'heel-instep' }),
      isLong
        ? line('say', 'foot', 'Lift nothing yet: the knee comes with it.')
        : liesOut(facts.options)
          ? line('lift', 'foot', 'Lift the foot clear, knee bent; held until it is set down.', { needs: 1 })
          : line('hold', 'foot', 'Steady it where it is; held until it is set down.'),
      !isLong && line('hold', 'foot', 'Sit, or elbows propped on the couch.', { rests: true }),
    ),
    hands: [],
    holds: { ...footHeld, changes: [{ at: 'toe-grip', place: 'hold-distal' }] },
    say: isLong
      ? 'A hand takes your foot. We lift in a moment, together.'
      : 'We hold your leg now until the cast is hard. Let it be heavy.',
  })
}

/** Thigh and knee are taken, and the leg is lifted. */
export function holdThigh({ kneeWords, options }: CastFacts): Step<LegCastStep> {
  const other = options['foot-hold'] === 'own-chest' ? 'you' : 'the foot holder'
  return makeStep<LegCastStep>({
    id: 'hold-thigh',
    headline: 'Thigh and knee are lifted with it',
    lines: linesOf(
      line('hold', 'side', `A helper’s flat hands under thigh and knee, ${kneeWords}.`, { takes: ['knee'], at: 'mid-thigh' }),
      line('lift', 'side', `Lift with ${other}, on the count; held until it is set down.`, { needs: 2 }),
      line('hold', 'side', 'Both holders: sit, or elbows propped on the couch.', { rests: true }),
    ),
    why: 'Lifted by the foot alone the break bends; the knee holder is a person of their own.',
    prevents: 'A break that bends, a sagging knee that cracks.',
    after: ['baseline', 'hold-foot'],
    minutes: [0.2, 0.4, 0.8],
    hands: [],
    holds: { what: 'knee', from: 'hold-thigh', to: 'transfer', place: 'hold-joint' },
    say: 'We lift your leg now and hold it until the cast is hard. Let it be heavy.',
    where: ['mid-thigh'],
  })
}

/** The foot is let go of where it will be wrapped, before it is wrapped. */
export function toeGrip(after: readonly LegCastStep[]): Step<LegCastStep> {
  return makeStep<LegCastStep>({
    id: 'toe-grip',
    headline: 'The foot is held by the toe tips',
    lines: linesOf(
      line('hold', 'foot', 'One hand to the toe tips: "I have it"; then the heel is let go.', { takes: ['foot'], at: 'toe-tips' }),
      line('hold', 'foot', 'Toes broken: a flat palm under their tips instead.'),
    ),
    why: 'Fingers under a roll leave a dent, and lifted away they leave a bare patch.',
    prevents: 'A dent or a bare patch where the hand was.',
    after,
    minutes: [0, 0, 0.2],
    hands: [],
    say: 'We take your foot by the tips of the toes now.',
    where: ['toe'],
  })
}
