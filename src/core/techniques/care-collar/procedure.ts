import type { FitTest } from '../../model/plan'
import type { Step } from '../../model/step'
import { makeStep } from '../shared/make-step'
import { closingCheck, openingSteps } from '../shared/opening-steps'

const held = { from: 'hold-head', to: 'after-check', place: 'hold-joint' } as const

/** The steps of a daily collar change in a workable order. */
export function careCollarSteps(isScooped: boolean, isFlat: boolean): readonly Step[] {
  const turn = isScooped
    ? 'No full roll: scoop, or a slight tilt, a hand steadying the front.'
    : 'Rail up, arms across, knee up; roll as one piece on the word of the holder, a hand steadies the front, the far strap folded clear.'
  return [
    ...openingSteps({
      side: undefined,
      compared: 'all four limbs',
      position: `${isFlat ? 'Flat on the back' : 'As far up as allowed'}, bed at working height, rail up on the far side.`,
      layOut: 'warm water, towel, fresh liners in their order, shaving things',
    }),
    makeStep({
      id: 'hold-head',
      text: 'One person holds the head and does nothing else; judges twist along nose, chin and breastbone notch.',
      why: 'Without the collar the hands are all there is.',
      prevents: 'A neck moved while everybody looks at the skin.',
      after: ['baseline'],
      minutes: [0.2, 0.3, 0.6],
      hands: ['hold-joint'],
      holds: held,
      onPatient: true,
    }),
    makeStep({
      id: 'front-off',
      text: 'Front off. Look and press: chin, jaw, collarbones, breastbone.',
      why: 'The front hides the places that go first.',
      prevents: 'A sore found by its smell.',
      after: ['hold-head', 'lay-out'],
      minutes: [0.3, 0.5, 1],
      where: ['front'],
    }),
    makeStep({
      id: 'wash',
      text: 'Wash to the upper chest, pat dry, shave upward.',
      why: 'Damp skin and stubble rub.',
      prevents: 'A rash under the liner.',
      after: ['front-off'],
      minutes: [2, 4, 8],
    }),
    makeStep({
      id: 'liners',
      text: 'Liners one at a time, soft side to the shell as marked, a margin all round.',
      why: 'Taken off all at once nobody knows where each belongs.',
      prevents: 'Shell on skin.',
      after: ['front-off'],
      minutes: [1, 2, 4],
      where: ['front'],
    }),
    makeStep({
      id: 'front-on',
      text: 'Front on, straps closed.',
      why: 'The roll needs both halves.',
      prevents: 'Turning with the neck free.',
      after: ['wash', 'liners'],
      minutes: [0.3, 0.5, 1],
      where: ['front'],
    }),
    makeStep({
      id: 'roll',
      text: turn,
      why: 'Turned in one piece nothing twists.',
      prevents: 'Shoulders that go before the head.',
      after: ['front-on'],
      minutes: [0.5, 1, 2],
      hands: ['apply', 'hold-proximal'],
    }),
    makeStep({
      id: 'back-off',
      text: 'Back off, look at back of the head and shoulders, wash, dry, fresh liner.',
      why: 'The back of the head breaks down first in those who lie.',
      prevents: 'A sore under the hair.',
      after: ['roll'],
      minutes: [1, 2, 4],
      where: ['back'],
    }),
    makeStep({
      id: 'back-on',
      text: 'Back centred, down over the shoulders, right way up, locks checked; roll back.',
      why: 'Upside down it pushes the head forward.',
      prevents: 'A collar that holds a bent neck.',
      after: ['back-off'],
      minutes: [0.5, 1, 2],
      where: ['back'],
    }),
    makeStep({
      id: 'settle',
      straps: {
        order: 'any',
        straps: [
          { id: 'strap-left', label: 'Left strap', slackCm: null },
          { id: 'strap-right', label: 'Right strap', slackCm: null },
        ],
      },
      text: 'Settle the chin, front over back, straps level and equal; measure overhang and margin.',
      why: 'Unequal straps turn the head slowly all day.',
      prevents: 'A chin off its rest by evening.',
      after: ['back-on'],
      minutes: [0.5, 1, 2],
      where: ['front'],
    }),
    closingCheck(['settle'], 'all four limbs'),
  ]
}

/** What to look at on the closed collar. */
export const careCollarFit: readonly FitTest[] = [
  {
    id: 'no-shell',
    text: 'No skin on the shell',
    why: 'Plastic breaks skin within a shift.',
    remedy: 'Set the liner again.',
    where: ['front', 'back'],
  },
  {
    id: 'chin',
    text: 'Chin on its rest',
    why: 'Inside or above it nothing is held.',
    remedy: 'Open the front with the head held and settle it.',
    where: ['front'],
  },
  {
    id: 'in-line',
    text: 'Nose, chin and notch in line',
    why: 'Twist shows along that line.',
    remedy: 'Even out the straps.',
    where: ['front'],
  },
  { id: 'locks', text: 'Locks locked', why: 'They open when the patient is turned.', remedy: 'Press until they click.', where: ['front'] },
]

/** Care in words. */
export const careCollarCare: readonly string[] = [
  'Never opened by one person alone, never without the head held.',
  'Liners washed by hand, dried flat; a fresh set is always at the bedside.',
  'New weakness, numbness or tingling in any limb, trouble breathing or swallowing: call at once.',
]
