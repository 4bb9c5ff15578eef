import type { Step } from '../../model/step'
import { line, linesOf, makeStep } from '../shared/make-step'
import type { CareCollarStep } from './roles'

/** Who turns the patient, beside the head and the carer. */
export interface Turners {
  /** All who are needed for the turn. */
  readonly people: number
  readonly isHeavy: boolean
  readonly isCleared: boolean
  /** The patient can keep themselves on the side by the rail. */
  readonly holdsRail: boolean
}

export interface CareCollarFacts {
  readonly isScooped: boolean
  readonly isFlat: boolean
  /** Hands that turn the patient. */
  readonly rollHands: Step['hands']
  readonly turners: Turners
  /** It goes on for the first time, in place of another device: neither half is on yet. */
  readonly isFirst: boolean
}

/** Arms, knee and strap, before anybody turns. */
export function readyRoll({ isFlat, isFirst }: CareCollarFacts): Step<CareCollarStep> {
  return makeStep<CareCollarStep>({
    id: 'ready-roll',
    headline: 'Ready to be rolled',
    lines: linesOf(
      !isFlat && line('lay', 'you', 'Bed flat again, the head followed.', { moves: 'on-back' }),
      line('lay', 'you', `Arms across${isFirst ? '' : ', own hand on the front if able'}, far knee up.`),
      !isFirst && line('smooth', 'you', 'The far strap folded clear.'),
    ),
    why: 'What hangs out is caught under the patient.',
    prevents: 'An arm or a strap pinched beneath.',
    after: isFirst ? ['wash', 'ready-liners'] : ['front-on'],
    minutes: [0.1, 0.2, 0.4],
  })
}

/** The turn itself, and who keeps the patient there. */
export function roll({ isScooped, rollHands, turners }: CareCollarFacts): Step<CareCollarStep> {
  const { people, isHeavy, isCleared, holdsRail } = turners
  const held = holdsRail
    ? line('hold', 'patient', 'Hold the rail, and stay on the side.', { takes: ['patient-on-side'] })
    : isCleared
      ? line('hold', 'hip', 'Keep shoulder and hip there; a hand steadies the front.', { takes: ['patient-on-side'] })
      : line('hold', 'shoulder', 'Keep shoulder and chest there; a hand steadies the front.')
  const turned = isScooped
    ? line('turn', isCleared ? 'you' : 'shoulder', 'On the word of the head: no roll, a slight tilt as one piece.', {
        needs: people,
        moves: 'on-side',
        takes: ['patient-on-side'],
      })
    : line('turn', isCleared ? 'you' : 'shoulder', 'On the word of the head: roll as one piece towards the carer.', {
        needs: people,
        moves: 'on-side',
        takes: ['patient-on-side'],
      })
  return makeStep<CareCollarStep>({
    id: 'roll',
    headline: isScooped ? 'Tilted a little, as one piece' : 'Rolled as one piece',
    lines: linesOf(
      turned,
      held,
      !isCleared &&
        line('hold', 'hip', isHeavy ? 'Hip in line with the shoulder.' : 'Hip and legs in line with the shoulder.', { takes: ['spine'] }),
      isHeavy && line('hold', 'legs', 'Legs as one with the hip.', { takes: ['thigh'] }),
    ),
    say: 'We turn you as one piece. A hand on the rail gives you a hold; you need do nothing else.',
    why: 'Turned in one piece nothing twists.',
    prevents: 'Shoulders that go before the head.',
    after: ['ready-roll'],
    minutes: [0.4, 0.8, 1.6],
    hands: rollHands,
    ...(holdsRail ? {} : { holds: { what: 'patient-on-side', from: 'roll', to: 'roll-back', place: 'hold-proximal' } as const }),
  })
}

/** Back flat, on the same word. */
export function rollBack({ turners, isFirst }: CareCollarFacts): Step<CareCollarStep> {
  const { people, isHeavy, isCleared } = turners
  return makeStep<CareCollarStep>({
    id: 'roll-back',
    headline: 'Rolled back flat, as one piece',
    lines: linesOf(
      isFirst && line('hold', 'you', 'A flat hand keeps the back half in its place.'),
      line('turn', isCleared ? 'you' : 'shoulder', 'On the word of the head: back flat, as one piece.', {
        needs: people,
        moves: 'on-back',
        gives: [
          { what: 'patient-on-side', to: 'bed' },
          ...(isCleared ? [] : [{ what: 'spine' as const, to: 'bed' as const }]),
          ...(isHeavy ? [{ what: 'thigh' as const, to: 'bed' as const }] : []),
        ],
      }),
      line('press', 'you', 'Flat again: press the locks once more.'),
    ),
    say: 'We roll you back now, as one piece.',
    why: 'Turned in one piece nothing twists.',
    prevents: 'A lock that sprang open under the weight.',
    after: [isFirst ? 'back-on' : 'back-strap'],
    minutes: [0.3, 0.5, 1],
    hands: ['apply'],
    where: ['back'],
  })
}
