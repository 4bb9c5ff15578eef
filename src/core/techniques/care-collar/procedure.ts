import type { FitTest } from '../../model/plan'
import type { Step, StepReading } from '../../model/step'
import { collarSkin } from '../../figures/body/measurements/neck'
import type { MeasurementDefinition } from '../../model/measurement-definition'
import { holdHead } from '../shared/hold-head'
import { makeStep } from '../shared/make-step'
import { closingCheck, openingSteps } from '../shared/opening-steps'
import type { CareCollarStep } from './roles'

export interface CareCollarFacts {
  readonly isScooped: boolean
  readonly isFlat: boolean
  /** Hands that turn the patient. */
  readonly rollHands: Step['hands']
  /** It goes on for the first time, in place of another device: neither half is on yet. */
  readonly isFirst: boolean
}

/** The steps of a daily collar change, or of its first fitting, in a workable order. */
export function careCollarSteps({ isScooped, isFlat, rollHands, isFirst }: CareCollarFacts): readonly Step<CareCollarStep>[] {
  const turn = isScooped
    ? 'No full roll: scoop, or a slight tilt, a hand steadying the front.'
    : 'Arms across, the patient’s own hand on the front when able, far knee up; roll as one piece towards the carer, on the word of the holder; the rail is up on the side rolled to. A hand steadies the front, the far strap is folded clear.'
  return [
    ...openingSteps({
      head: holdHead('after-check', 'That person does nothing else, and judges twist along nose, chin and breastbone notch.'),
      side: undefined,
      compared: 'all four limbs',
      position: `${isFlat ? 'Flat on the back' : 'As far up as allowed'}, bed at working height, rail up on the side rolled to.`,
      say: 'We open the collar in halves, wash and look at the skin. Your head stays held all the time; say at once if an arm or leg feels different.',
      layOut: 'warm water, towel, fresh liners in their order, shaving things',
    }),
    ...(isFirst ? [liners('ready-liners', ['lay-out'])] : []),
    makeStep({
      id: isFirst ? 'look-front' : 'front-off',
      say: isFirst ? 'I look at the skin of your neck and press here and there.' : 'The front comes off now; your head stays held.',
      text: `${isFirst ? '' : 'Front off. '}Look and press: chin, jaw, collarbones, breastbone.`,
      why: 'The front hides the places that go first.',
      prevents: 'A sore found by its smell.',
      reads: collarSkin.filter((definition) => !/occiput|shoulders/.test(definition.id)).map(skinReading),
      after: ['hold-head', 'baseline', 'lay-out'],
      minutes: [0.3, 0.5, 1],
      where: ['front'],
    }),
    makeStep({
      id: 'wash',
      text: 'Wash to the upper chest, pat dry, shave upward.',
      why: 'Damp skin and stubble rub.',
      prevents: 'A rash under the liner.',
      after: [isFirst ? 'look-front' : 'front-off'],
      minutes: [2, 4, 8],
    }),
    ...(isFirst
      ? []
      : [liners('liners', ['front-off']), frontOn(['wash', 'liners'], 'The roll needs both halves.', 'Turning with the neck free.')]),
    makeStep({
      id: 'roll',
      text: turn,
      say: 'We turn you as one piece. A hand on the rail gives you a hold; you need do nothing else.',
      why: 'Turned in one piece nothing twists.',
      prevents: 'Shoulders that go before the head.',
      after: isFirst ? ['wash', 'ready-liners'] : ['front-on'],
      minutes: [0.5, 1, 2],
      hands: rollHands,
    }),
    makeStep({
      id: isFirst ? 'look-back' : 'back-off',
      text: isFirst
        ? 'Look at back of the head and shoulders, wash, dry.'
        : 'The facing carer opens the uppermost strap from the front, the under one is folded clear. Back off, look at back of the head and shoulders, wash, dry, fresh liner.',
      say: 'I take the back half off and look at your skin.',
      why: 'The back of the head breaks down first in those who lie.',
      prevents: 'A sore under the hair.',
      reads: collarSkin
        .filter((definition) => /occiput|shoulders/.test(definition.id))
        .map((definition) => ({
          ...skinReading(definition),
          posture: isScooped ? 'Tilted, head held, back half off' : 'On the side, head held, back half off',
        })),
      after: ['roll'],
      minutes: [1, 2, 4],
      where: ['back'],
    }),
    makeStep({
      id: 'back-on',
      text: 'Locks checked, then the back slid in: centred, its arrow up, down over the shoulders. Its strap closed before rolling back; flat again, the locks once more.',
      say: 'We roll you back now, as one piece.',
      why: 'Upside down it pushes the head forward.',
      prevents: 'A collar that holds a bent neck.',
      after: [isFirst ? 'look-back' : 'back-off'],
      minutes: [0.5, 1, 2],
      where: ['back'],
    }),
    ...(isFirst ? [frontOn(['back-on'], 'Over the back half, the chin on its rest.', 'A collar that holds from behind alone.')] : []),
    makeStep({
      id: 'settle',
      say: 'I close the straps now, both alike. Say when it presses, or when swallowing is hard.',
      straps: {
        order: 'any',
        straps: [
          { id: 'strap-left', label: 'Left strap', slackCm: null },
          { id: 'strap-right', label: 'Right strap', slackCm: null },
        ],
      },
      text: 'Settle the chin, front over back, the arrows on both halves up, straps level and equal; closed, measure overhang and liner margin.',
      why: 'Unequal straps turn the head slowly all day.',
      prevents: 'A chin off its rest by evening.',
      reads: [
        ...(['left', 'right'] as const).map((side) => ({
          id: 'strap-overhang',
          side,
          label: `Strap overhang, ${side}`,
          wanted: 'equal within 0.5 cm',
        })),
        { id: 'liner-margin', label: 'Liner margin, at its least', wanted: 'at least 0.5 cm' },
      ],
      after: [isFirst ? 'front-on' : 'back-on'],
      minutes: [0.5, 1, 2],
      where: ['front'],
    }),
    closingCheck(['settle'], 'all four limbs'),
  ]
}

function liners(id: CareCollarStep, after: readonly CareCollarStep[]): Step<CareCollarStep> {
  return makeStep<CareCollarStep>({
    id,
    say: 'I put fresh liners in.',
    text: 'Liners one at a time, soft side to the shell as marked, a margin all round.',
    why: 'Taken off all at once nobody knows where each belongs.',
    prevents: 'Shell on skin.',
    after,
    minutes: [1, 2, 4],
    where: ['front'],
  })
}

function frontOn(after: readonly CareCollarStep[], why: string, prevents: string): Step<CareCollarStep> {
  return makeStep<CareCollarStep>({
    id: 'front-on',
    say: 'The front goes on again and is closed.',
    text: 'Front on, straps closed.',
    why,
    prevents,
    after,
    minutes: [0.3, 0.5, 1],
    where: ['front'],
  })
}

/** The skin of an area, looked at and pressed. */
function skinReading({ id, label }: MeasurementDefinition): StepReading {
  return { id, label, wanted: 'intact' }
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
