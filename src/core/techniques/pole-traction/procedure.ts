import type { FitTest } from '../../model/plan'
import type { Step } from '../../model/step'
import type { FieldFacts } from '../families/traction/field-technique'
import { makeStep } from '../shared/make-step'
import { convertTimer, limitTimer } from '../shared/step-timers'
import { closingCheck, openingSteps } from '../shared/opening-steps'
import type { PoleTractionStep } from './roles'

/** The steps of a one-pole splint in a workable order. */
export function poleTractionSteps({
  side,
  lengthWords,
  pullWords,
  strapWords,
  pull,
  straps,
  convertMin,
}: FieldFacts): readonly Step<PoleTractionStep>[] {
  return [
    ...openingSteps({
      side,
      compared: 'both legs',
      where: ['dorsal-foot-pulse'],
      position: 'On the back. Airway, breathing and bleeding first; pain block before the leg is touched. Leg bare to the groin.',
      say: 'I put a strap in your groin and a loop round your ankle, then I pull the leg gently; it hurts for a moment and then eases. Tell me when it does.',
      layOut: 'pole in its sections, thigh strap, ankle hitch, elastic straps, pad; pulling strap let fully out',
    }),
    makeStep({
      id: 'thigh-strap',
      text: 'Thigh strap passed under the leg and up to the groin, high, pole socket on the outside, pad on the inside.',
      say: 'This strap goes high into your groin; tell me if it pinches.',
      why: 'It is what the pole pushes against.',
      prevents: 'A strap that slides down onto the break.',
      after: ['baseline', 'lay-out'],
      minutes: [0.5, 1, 2],
      moreTimers: [limitTimer('Pull taken within', 10, 'pull')],
      onPatient: true,
      where: ['groin'],
    }),
    makeStep({
      id: 'join-pole',
      text: `Pole laid beside the leg, ${lengthWords}: sections clicked together. By eye its mark is level with the sole, its end about 20 cm beyond.`,
      why: 'Short it leaves no room to pull, long it catches.',
      prevents: 'A pole that has to be changed under pull.',
      after: ['lay-out'],
      minutes: [0.2, 0.4, 0.8],
      where: ['bar'],
    }),
    makeStep({
      id: 'pull-joints',
      text: 'Pull each joint of the pole once.',
      why: 'A joint that is not home opens under pull.',
      prevents: 'A pole that comes apart while it holds the leg.',
      after: ['join-pole'],
      minutes: [0.1, 0.1, 0.3],
      where: ['bar'],
    }),
    makeStep({
      id: 'hitch',
      text: 'Ankle hitch on, low, padded, its ring under the heel.',
      say: 'A soft loop goes round your ankle.',
      why: 'High it slips over the heel, bare it cuts.',
      prevents: 'A hitch that comes off in the pull.',
      after: ['thigh-strap'],
      minutes: [0.3, 0.6, 1],
      where: ['hitch'],
    }),
    makeStep({
      id: 'fit-pole',
      say: 'The pole goes beside your leg now. Nothing pulls yet.',
      text: 'Hook the stirrup to the lower end, then seat the upper end in its socket; shorten the strap until it is snug. A pad between pole and leg.',
      why: 'Hooked below first, the socket takes it without a lift; an end that is not seated jumps out under pull.',
      prevents: 'A pole that jumps, a sore over the knee.',
      after: ['pull-joints', 'hitch'],
      minutes: [0.3, 0.6, 1],
      confirm: `Pole on the ${side?.toUpperCase() ?? 'injured'} leg`,
      where: ['bar'],
    }),
    makeStep({
      id: 'pull',
      text: `Take the slack, then pull smoothly, ${pullWords}. Ask about pain before and after.`,
      why: 'Muscle shortens the bone ends past each other; pull eases pain and bleeding, and the length is kept for theatre.',
      prevents: 'A jerk that starts the spasm again.',
      say: 'I pull now, gently; it hurts for a moment and then eases. Tell me when.',
      after: ['fit-pole'],
      minutes: [0.5, 1, 2],
      timer: convertTimer(convertMin),
      pull,
      where: ['hitch'],
    }),
    makeStep({
      id: 'straps',
      text: `Elastic straps ${strapWords}; none over the break or the knee.`,
      why: 'They hold the leg to the pole, they do not pull.',
      prevents: 'A strap on the break.',
      straps,
      say: 'Straps hold your leg to the pole now.',
      after: ['pull'],
      minutes: [0.5, 1, 2],
      where: ['strap-1', 'strap-2', 'strap-3'],
    }),
    closingCheck(['straps'], 'both legs', ['dorsal-foot-pulse', 'toe']),
  ]
}

/** What to look at on the finished splint. */
export const poleTractionFit: readonly FitTest[] = [
  { id: 'foot', text: 'Foot upright', why: 'A turned leg bleeds on.', remedy: 'Prop the foot, turn the hitch.', where: ['toe'] },
  { id: 'groin', text: 'Groin padded', why: 'The strap carries the counterpull.', remedy: 'Pad again.', where: ['groin'] },
  {
    id: 'straps',
    text: 'Straps off the injury and the knee',
    why: 'A strap on the break presses bone into vessels.',
    remedy: 'Move it.',
    where: ['injury'],
  },
]

/** Care in words. */
export const poleTractionCare: readonly string[] = [
  'Hitch and foot looked at with every round; toes moved.',
  'Changed for the ward’s traction as soon as possible, within two hours.',
  'Never let go of the pull to move the patient.',
]
