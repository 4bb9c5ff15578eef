import type { FitTest } from '../../model/plan'
import type { Step } from '../../model/step'
import type { StepStrap } from '../../model/step'
import { holdHead } from '../shared/hold-head'
import { makeStep } from '../shared/make-step'
import { closingCheck, openingSteps } from '../shared/opening-steps'
import type { OptionValues } from '../../planner/technique'
import type { SeatedVestStep } from './roles'

export interface VestFacts {
  readonly options: OptionValues
  readonly isCrossed: boolean
  readonly padCm: number | null
  readonly hasCollar: boolean
  /** People who lift. */
  readonly lifters: number
  readonly settingWords: string
}

const strap = (id: string, label: string): StepStrap => ({ id, label, slackCm: null })
const middle = strap('strap-2', 'Middle strap')
const bottom = strap('strap-3', 'Bottom strap')
const top = strap('strap-1', 'Top strap')
const legs = [strap('leg-left', 'Left leg strap'), strap('leg-right', 'Right leg strap')]
const head = [strap('head-forehead', 'Forehead strap'), strap('head-chin', 'Strap at the chin piece of the collar')]

/** The steps of a seated vest in a workable order. */
export function seatedVestSteps({
  options,
  isCrossed,
  padCm,
  hasCollar,
  lifters,
  settingWords,
}: VestFacts): readonly Step<SeatedVestStep>[] {
  const holdTo = options['head-hold'] === 'until-head-straps' ? 'head-straps' : 'board'
  const pad =
    padCm === null
      ? 'Pad behind the head by the gap that is there'
      : padCm === 0
        ? 'No pad behind the head: it touches'
        : `Pad of ${padCm.toFixed(1)} cm behind the head`
  return [
    ...openingSteps({
      head: holdHead(
        holdTo,
        'From behind, elbows resting on the seat back, at once; the other speaks from the front and reads the identity meanwhile. Alone: the head, nothing else.',
      ),
      side: undefined,
      compared: 'all four limbs',
      position: 'Get in behind the seat; a second helper at the side.',
      say: 'A stiff vest comes in behind you, then straps round chest and thighs. They pinch a little; say when breathing gets hard.',
      layOut: `gloves, vest with its straps stowed and counted, head straps and pad apart, ${hasCollar ? 'collar, ' : ''}board`,
    }),
    makeStep({
      id: 'upright',
      say: 'On three we bring you upright, as one piece. Do not help. Say stop when it hurts.',
      text: 'On a count, upright by hinging at the hips: forearm on the breastbone, chin supported. Stop on pain.',
      why: 'Hinged at the hips the spine stays one piece.',
      prevents: 'Bending at the hurt place.',
      after: ['hold-head', 'baseline'],
      minutes: [0.3, 0.6, 1.2],
      hands: ['apply', 'hold-proximal'],
    }),
    ...(hasCollar
      ? [
          makeStep({
            id: 'size-collar',
            say: 'The collar goes round your neck now. Keep still; do not nod.',
            text: `Collar on, ${settingWords}, chin well in.`,
            why: 'It keeps the chin while the vest goes in behind.',
            prevents: 'A nodding head.',
            after: ['upright'],
            minutes: [0.5, 1, 2] as const,
            confirm: 'Collar setting read back',
            where: ['collar'],
          }),
        ]
      : []),
    makeStep({
      id: 'vest-in',
      text: 'Vest slid in behind, passed up through the arms of whoever holds the head.',
      why: 'Slid in low and straight it needs no leaning.',
      prevents: 'A patient leaned forward to make room.',
      say: 'A stiff vest slides in behind your back. Keep still; do not turn to look.',
      after: [hasCollar ? 'size-collar' : 'upright', 'lay-out'],
      minutes: [0.5, 1, 2],
      where: ['vest'],
    }),
    makeStep({
      id: 'arms-up',
      text: 'Both arms up, the vest pulled high into the armpits, arms down to clamp it, and a squeeze of each hand. Who cannot lift them: a second helper lifts the vest.',
      why: 'Set low it rides up and misses a tall head; the squeeze shows what the move did.',
      prevents: 'Head flaps at the shoulders, a strap over an arm, a new weakness found in hospital.',
      after: ['vest-in'],
      minutes: [0.2, 0.4, 0.8],
      say: 'Lift both arms. Let them down again, and squeeze my fingers.',
      where: ['vest'],
    }),
    makeStep({
      id: 'strap-middle',
      text: 'Middle strap first: one hand pushes while the other pulls, in time, so that nothing turns.',
      say: 'I close the straps now, one after the other.',
      why: 'The top one first would tip it.',
      prevents: 'A vest that leans away from the head.',
      after: ['arms-up'],
      minutes: [0.2, 0.4, 0.8],
      straps: { order: 'given', straps: [middle] },
      where: ['strap-2'],
    }),
    makeStep({
      id: 'strap-bottom',
      say: 'The next strap goes round your belly.',
      text: 'Bottom strap.',
      why: 'It keeps the vest from swinging out.',
      prevents: 'A vest that lifts at the seat.',
      after: ['strap-middle'],
      minutes: [0.2, 0.3, 0.6],
      straps: { order: 'given', straps: [bottom] },
      where: ['strap-3'],
    }),
    makeStep({
      id: 'strap-legs',
      text: `Leg straps worked under to the midline, ${isCrossed ? 'crossed' : 'to the same side'}.`,
      say: 'These straps go between your legs and pull in the groin; tell me if they pinch.',
      why: 'Not seated under the midline they slip off the thigh.',
      prevents: 'A vest that rides up in the lift.',
      straps: { order: 'any', straps: legs },
      after: ['strap-bottom'],
      minutes: [0.5, 1, 2],
    }),
    makeStep({
      id: 'head-pad',
      text: `${pad}: the gap read now, with the vest on; back straight, eyes level.`,
      reads: [
        {
          id: 'occiput-gap',
          label: 'Gap behind the head, with the vest on',
          wanted: 'filled, no more',
          posture: 'Seated, vest on, head held in line',
        },
      ],
      why: 'Pulled back to the vest the neck is bent.',
      prevents: 'A head strapped into extension.',
      after: ['strap-legs'],
      minutes: [0.2, 0.4, 0.8],
    }),
    makeStep({
      id: 'head-straps',
      text: 'The helper presses the flaps to the head while its straps close: forehead, then chin piece of the collar, nothing on the chin itself.',
      say: 'Straps come over your forehead and the collar. Tell me if you feel sick.',
      why: 'A chin strap closes the mouth of somebody who vomits.',
      prevents: 'A blocked airway.',
      straps: { order: 'given', straps: head },
      after: ['head-pad'],
      minutes: [0.3, 0.6, 1],
    }),
    makeStep({
      id: 'strap-top',
      say: 'The last strap, over the chest: breathe in deeply first.',
      text: 'Top strap last, just before moving; breathe in first.',
      why: 'It takes breath, so it is closed for the shortest time.',
      prevents: 'Breathlessness while everything else is done.',
      after: ['head-straps'],
      minutes: [0.1, 0.3, 0.6],
      straps: { order: 'given', straps: [top] },
      where: ['strap-1'],
    }),
    makeStep({
      id: 'straps',
      say: 'I pull on every strap once more.',
      text: 'Every strap again.',
      why: 'Each one that is closed loosens the one before.',
      prevents: 'A slack strap found in the lift.',
      straps: { order: 'any', straps: [middle, bottom, ...legs, ...head, top] },
      after: ['strap-top'],
      minutes: [0.2, 0.4, 0.8],
    }),
    closingCheck(['straps'], 'all four limbs'),
    makeStep({
      id: 'board',
      say: 'We turn and lower you now, as one piece.',
      text: `${lifters === 3 ? 'Three' : 'Four'} lift, on one word: turn and lower onto the board; leg straps released before the legs go down, then the top strap.`,
      why: 'Held up by the leg straps, the hips bend the back.',
      prevents: 'A back bent in the last move, a chest held shut.',
      after: ['after-check'],
      minutes: [0.8, 1.5, 3],
      hands: ['apply', 'hold-proximal', 'hold-distal'],
      timer: { id: 'board', label: 'Off the board', minutes: 30, kind: 'limit', starts: 'done' },
    }),
  ]
}

/** What to look at on the closed vest. */
export const seatedVestFit: readonly FitTest[] = [
  {
    id: 'collar-straight',
    text: 'Collar straight, ears free',
    why: 'Crooked it turns the head in the lift.',
    remedy: 'Head held: open it, free the ears, close it straight.',
    where: ['collar'],
  },
  {
    id: 'armpits',
    text: 'High in the armpits, within 1 cm',
    why: 'Low it rides up in the lift.',
    remedy: 'Middle strap open, lift, close.',
    where: ['vest'],
  },
  {
    id: 'head-flaps',
    text: 'Head flaps meet the head',
    why: 'They are what holds it.',
    remedy: 'Lift the vest or pad the sides.',
    where: ['vest'],
  },
  { id: 'breathing', text: 'Breathing free', why: 'The top strap takes breath.', remedy: 'Open the top strap.', where: ['strap-1'] },
]

/** Care in words, with the card for an emergency in the vest. */
export const seatedVestCare: readonly string[] = [
  'Off the board within 30 minutes.',
  'Arrest: top strap, then middle; one person keeps the head; flat, compress.',
  'Vomiting: turn vest, patient and board as one; one person keeps the head.',
  'Airway: collar open while the head is held; head straps only if they are in the way.',
]
