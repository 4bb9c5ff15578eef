import type { Step, StepReading } from '../../model/step'
import { collarSkin } from '../../figures/body/measurements/neck'
import type { MeasurementDefinition } from '../../model/measurement-definition'
import { holdHead } from '../shared/hold-head'
import { line, linesOf, makeStep } from '../shared/make-step'
import { closingCheck, openingSteps } from '../shared/opening-steps'
import type { CareCollarStep } from './roles'
import { readyRoll, roll, rollBack, type CareCollarFacts } from './roll-steps'

/** The steps of a daily collar change, or of its first fitting, in a workable order. */
export function careCollarSteps(facts: CareCollarFacts): readonly Step<CareCollarStep>[] {
  const { isFlat, isFirst } = facts
  return [
    ...openingSteps({
      head: holdHead('after-check', [line('look', 'head', 'Judge twist along nose, chin and the notch of the breastbone.')]),
      side: undefined,
      compared: 'all four limbs',
      settle: [
        isFlat
          ? line('look', 'you', 'Flat on the back, as they lie; bed at working height.', { moves: 'on-back' })
          : line('look', 'you', 'As far up as allowed; bed at working height.', { moves: 'sitting' }),
        line('lay', 'you', 'Rail up where the patient is rolled to.'),
      ],
      say: 'We open the collar in halves, wash and look at the skin. Your head stays held all the time; say at once if an arm or leg feels different.',
      layOut: `${isFirst ? 'both halves of the collar, ' : ''}warm water, towel, fresh liners in their order, shaving things`,
    }),
    ...(isFirst ? [liners('ready-liners', ['lay-out'])] : []),
    makeStep<CareCollarStep>({
      id: isFirst ? 'look-front' : 'front-off',
      say: isFirst ? 'I look at the skin of your neck and press here and there.' : 'The front comes off now; your head stays held.',
      headline: isFirst ? 'Chin and jaw looked at' : 'Front off, chin and jaw looked at',
      lines: linesOf(
        !isFirst && line('open', 'you', 'Both straps undone, the front lifted off.', { joins: ['front'] }),
        line('press', 'you', 'Look and press: chin, and both sides of the jaw.', { at: 'front' }),
      ),
      why: 'The front hides the places that go first.',
      prevents: 'A sore found by its smell.',
      reads: skinReadings(/chin|jaw/),
      after: ['hold-head', 'baseline', 'lay-out'],
      minutes: [0.3, 0.5, 1],
      where: ['front'],
    }),
    makeStep<CareCollarStep>({
      id: 'wash',
      headline: 'Washed to the upper chest, dabbed dry',
      lines: linesOf(
        line('wet', 'you', 'Wash neck and upper chest; shave upward.', { uses: ['warm water', 'shaving things'] }),
        line('press', 'you', 'Dab it dry. Sore or red skin is not rubbed.', { uses: ['towel'] }),
        line('look', 'you', 'Look at collarbones and breastbone, and press.'),
        line('hold', 'head', 'Head holder: change now if tired, four hands on it, "I have it".', { rests: true }),
      ),
      why: 'Damp skin and stubble rub.',
      prevents: 'A rash under the liner, a sore rubbed open.',
      reads: skinReadings(/collarbones|breastbone/),
      after: [isFirst ? 'look-front' : 'front-off'],
      minutes: [2, 4, 8],
      where: ['front'],
    }),
    ...(isFirst
      ? []
      : [
          liners('liners', ['front-off']),
          frontOn(['wash', 'liners'], 'The roll needs both halves.', 'Turning with the neck free.', facts),
        ]),
    readyRoll(facts),
    roll(facts),
    makeStep<CareCollarStep>({
      id: isFirst ? 'look-back' : 'back-off',
      headline: isFirst ? 'Back of the head washed and looked at' : 'Back off, washed and looked at',
      lines: linesOf(
        !isFirst && line('open', 'you', 'Open the upper strap from the front; fold the lower one clear.', { joins: ['back'] }),
        line('press', 'you', `${isFirst ? 'Look' : 'Back half off; look'} and press: back of the head, shoulders.`, { at: 'back' }),
        line('wet', 'you', 'Wash and dab dry; sore skin is not rubbed.', { uses: ['warm water', 'towel'] }),
        line('lay', 'you', 'A fresh liner in the back half, soft side to the shell.', { uses: ['fresh liners'] }),
      ),
      say: isFirst ? 'I look at the back of your head now.' : 'I take the back half off and look at your skin.',
      why: 'The back of the head breaks down first in those who lie.',
      prevents: 'A sore under the hair.',
      reads: skinReadings(/occiput|shoulders/).map((reading) => ({
        ...reading,
        posture: `${facts.isScooped ? 'Tilted' : 'On the side'}, head held, ${isFirst ? 'before the back half goes on' : 'back half off'}`,
      })),
      after: ['roll'],
      minutes: [1, 2, 4],
      where: ['back'],
    }),
    makeStep<CareCollarStep>({
      id: 'back-on',
      headline: 'Back half slid in',
      lines: linesOf(
        line('press', 'you', 'Press every lock of the back half until it clicks.'),
        line('lay', 'you', 'Slide it in flat: centred, arrow up, down over the shoulders.', {
          joins: ['back'],
          ...(isFirst ? { uses: ['both halves'] } : {}),
        }),
      ),
      why: 'Upside down it pushes the head forward.',
      prevents: 'A collar that holds a bent neck.',
      fits: ['locks'],
      after: [isFirst ? 'look-back' : 'back-off'],
      minutes: [0.3, 0.6, 1.2],
      where: ['back'],
    }),
    ...(isFirst
      ? []
      : [
          makeStep<CareCollarStep>({
            id: 'back-strap',
            headline: 'The upper strap closed before the roll',
            lines: linesOf(line('close', 'you', 'Close the upper strap, front over back.', { joins: ['front', 'back'] })),
            why: 'Open it slides as the patient is rolled.',
            prevents: 'A back half that lies askew.',
            after: ['back-on'],
            minutes: [0.1, 0.2, 0.4],
            where: ['back'],
          }),
        ]),
    rollBack(facts),
    ...(isFirst
      ? [frontOn(['roll-back'], 'Over the back half, the chin on its rest.', 'A collar that holds from behind alone.', facts)]
      : []),
    makeStep<CareCollarStep>({
      id: 'settle',
      say: 'I close the straps now, both alike. Say when it presses, or when swallowing is hard.',
      straps: {
        order: 'any',
        straps: [
          { id: 'strap-left', label: 'Left strap', slackCm: null },
          { id: 'strap-right', label: 'Right strap', slackCm: null },
        ],
      },
      headline: 'Straps level and equal, chin on its rest',
      lines: linesOf(
        line('press', 'you', 'Settle the chin on its rest; front over back, both arrows up.'),
        line('close', 'you', 'Close both straps, level and equal; measure what hangs over.', { joins: ['front', 'back'] }),
        line('look', 'head', 'After the last strap: nose, chin and notch in line? Say it aloud.'),
      ),
      why: 'Unequal straps turn the head slowly all day.',
      prevents: 'A chin off its rest by evening.',
      fits: ['chin', 'in-line'],
      reads: (['left', 'right'] as const).map((side) => ({
        id: 'strap-overhang',
        side,
        label: `Strap overhang, ${side}`,
        wanted: 'equal within 0.5 cm',
      })),
      after: [isFirst ? 'front-on' : 'roll-back'],
      minutes: [0.4, 0.8, 1.6],
      where: ['front'],
    }),
    makeStep<CareCollarStep>({
      id: 'margin',
      headline: 'No skin on the shell',
      lines: linesOf(
        line('look', 'you', 'All round: the liner stands out past every edge of the shell.'),
        line('read', 'you', 'Measure the liner where it stands out least.'),
      ),
      why: 'Plastic breaks skin within a shift.',
      prevents: 'A shell edge on the skin until tomorrow.',
      fits: ['no-shell'],
      reads: [{ id: 'liner-margin', label: 'Liner margin, at its least', wanted: 'at least 0.5 cm' }],
      after: ['settle'],
      minutes: [0.1, 0.3, 0.6],
      where: ['front'],
    }),
    withHeadReleased(closingCheck(['settle', 'margin'], 'all four limbs')),
  ]
}

/** The last step ends with the hands off the head: the closed collar holds it. */
function withHeadReleased<Id extends string>(step: Step<Id>): Step<Id> {
  return makeStep<Id>({
    ...step,
    headline: step.headline ?? '',
    lines: [
      ...(step.lines ?? []),
      {
        id: 'hold',
        act: 'hold',
        by: 'head',
        text: 'Only now let go: the closed collar holds the head.',
        gives: [{ what: 'head', to: 'strap' }],
      },
    ],
  })
}

function liners(id: 'liners' | 'ready-liners', after: readonly CareCollarStep[]): Step<CareCollarStep> {
  return makeStep<CareCollarStep>({
    id,
    say: 'I put fresh liners in.',
    headline: 'Fresh liners, one at a time',
    lines: linesOf(
      line('lay', 'you', 'One out, one in: soft side to the shell, as marked.', { uses: ['fresh liners'] }),
      line('smooth', 'you', 'It stands out past the shell all round.'),
    ),
    why: 'Taken off all at once nobody knows where each belongs.',
    prevents: 'Shell on skin.',
    after,
    minutes: [1, 2, 4],
    where: ['front'],
  })
}

function frontOn(after: readonly CareCollarStep[], why: string, prevents: string, { isFirst }: CareCollarFacts): Step<CareCollarStep> {
  return makeStep<CareCollarStep>({
    id: 'front-on',
    say: 'The front goes on and is closed.',
    headline: isFirst ? 'Front on, over the back half' : 'Front on again, closed for the roll',
    lines: linesOf(
      line('lay', 'you', 'Front on, chin on its rest, its edges over the back half.', {
        joins: ['front'],
        ...(isFirst ? { uses: ['both halves'] } : {}),
      }),
      line('close', 'you', isFirst ? 'Both straps laid over, not tight yet.' : 'Both straps closed.', {
        joins: isFirst ? ['front', 'back'] : ['front'],
      }),
    ),
    why,
    prevents,
    after,
    minutes: [0.3, 0.5, 1],
    where: ['front'],
  })
}

/** Looks at the skin of the areas whose ids match. */
function skinReadings(areas: RegExp): readonly StepReading[] {
  return collarSkin.filter(({ id }) => areas.test(id)).map(skinReading)
}

/** The skin of an area, looked at and pressed. */
function skinReading({ id, label }: MeasurementDefinition): StepReading {
  return { id, label, wanted: 'intact' }
}
