import type { FitTest } from '../../model/plan'
import type { Step } from '../../model/step'
import type { FieldFacts } from '../families/traction/field-technique'
import { makeStep } from '../shared/make-step'
import { convertTimer, limitTimer } from '../shared/step-timers'
import { closingCheck, openingSteps } from '../shared/opening-steps'
import type { FrameTractionStep } from './roles'

/** The steps of a two-bar frame in a workable order. */
export function frameTractionSteps(
  { side, lengthWords, pullWords, strapWords, pull, straps, convertMin }: FieldFacts,
  loadingWords: string,
  isByTwo: boolean,
): readonly Step<FrameTractionStep>[] {
  return [
    ...openingSteps({
      side,
      compared: 'both legs',
      where: ['dorsal-foot-pulse'],
      position: 'On the back. Airway, breathing and bleeding first; pain block before the leg is touched. Leg bare to the groin.',
      say: 'We hold your leg and pull it gently; it hurts for a moment and then eases. A strap goes into your groin: tell us if it pinches.',
      layOut: 'frame, ankle hitch, straps, groin pad, board',
    }),
    makeStep({
      id: 'hold-leg',
      text: 'A helper holds above and below the break and keeps it still; they act only when the leader says so.',
      say: 'Somebody holds your leg now. It stays where it is.',
      why: 'Until the frame holds it the hands must.',
      prevents: 'Bone ends that grate at every move.',
      after: ['position', 'baseline'],
      minutes: [0.2, 0.4, 0.8],
      hands: ['hold-joint'],
      holds: { what: 'break', from: 'hold-leg', to: 'manual-pull', place: 'hold-joint' },
      moreTimers: [limitTimer('Pull taken within', 10, 'pull')],
      onPatient: true,
      where: ['injury'],
    }),
    makeStep({
      id: 'set-length',
      text: `Set the length on the sound leg, ${lengthWords}, and lock it.`,
      why: 'The hurt leg is shortened and lies.',
      prevents: 'A frame that runs out of ratchet.',
      after: ['lay-out'],
      minutes: [0.3, 0.6, 1],
      hands: ['fetch'],
      where: ['bar'],
    }),
    makeStep({
      id: 'hitch',
      say: 'A soft loop goes round your ankle.',
      text: 'Ankle hitch on, low, padded.',
      why: 'High it slips over the heel, bare it cuts.',
      prevents: 'A hitch that comes off in the pull.',
      after: ['baseline', 'hold-leg'],
      minutes: [0.3, 0.6, 1],
      confirm: `Hitch on the ${side?.toUpperCase() ?? 'injured'} leg`,
      where: ['hitch'],
    }),
    makeStep({
      id: 'manual-pull',
      text: 'Shoe off if it is still on; manual pull taken along the leg; handed over hand to hand, new hands on before the old let go.',
      say: 'We pull your leg now, gently; it hurts for a moment and then eases.',
      why: 'Let go once, the muscles snap back.',
      prevents: 'A second, worse shortening and bleeding.',
      after: ['hitch'],
      minutes: [0.3, 0.6, 1],
      hands: ['hold-distal'],
      holds: { what: 'pull', from: 'manual-pull', to: 'pull', place: 'hold-distal' },
      where: ['hitch'],
    }),
    makeStep({
      id: 'frame-in',
      text: isByTwo
        ? 'The helper keeps the pull and lifts only as high as the frame; the leader slides it under the leg up to the sit bone and props its stand.'
        : 'A third lifts under knee and calf, only as high as the frame, with the pull kept; frame under the leg up to the sit bone, its stand propped.',
      say: 'We lift your leg a little and slide the frame under it.',
      why: 'The sit bone is what it pushes against; on its stand the frame carries the leg off the ground.',
      prevents: 'A bar in the groin, a heel on the ground.',
      after: ['manual-pull', 'set-length'],
      minutes: [0.3, 0.6, 1.2],
      hands: isByTwo ? ['apply'] : ['apply', 'hold-joint'],
      where: ['bar', 'groin'],
    }),
    makeStep({
      id: 'groin-strap',
      text: 'Groin strap snug over the pad, nothing pinched.',
      say: 'This strap goes into your groin; tell me if it pinches.',
      why: 'Loose, the frame slides up when the ratchet turns.',
      prevents: 'A frame against the hip bone, pinched skin.',
      after: ['frame-in'],
      minutes: [0.2, 0.5, 1],
      where: ['groin'],
    }),
    makeStep({
      id: 'pull',
      say: 'The frame takes the pull over from the hands now. Tell me when it eases.',
      text: `Ratchet ${pullWords}; only then release the manual pull. Ask about pain before and after.`,
      why: 'The handing over is when pulls are lost.',
      prevents: 'A gap between hand and ratchet.',
      after: ['groin-strap'],
      minutes: [0.4, 0.8, 1.5],
      timer: convertTimer(convertMin),
      pull,
      where: ['hitch'],
    }),
    makeStep({
      id: 'straps',
      say: 'Straps hold your leg in the frame now.',
      text: `Straps ${strapWords}: two above and two below the knee where they fit, none over the break or the knee.`,
      why: 'They hold the leg in the frame, they do not pull.',
      prevents: 'A strap on the break.',
      straps,
      after: ['pull'],
      minutes: [0.5, 1, 2],
      where: ['strap-1', 'strap-2', 'strap-3', 'strap-4'],
    }),
    closingCheck(['straps'], 'both legs', ['dorsal-foot-pulse', 'toe']),
    makeStep({
      id: 'board',
      say: 'We move you onto the board now, as one piece; the pull stays.',
      text: `Onto the board and the stretcher, ${loadingWords}: the hip must be still too.`,
      why: 'The frame ends at the hip; what lies beyond swings.',
      prevents: 'A frame that hits the door.',
      after: ['after-check'],
      minutes: [0.8, 1.5, 3],
      hands: ['apply', 'hold-distal'],
    }),
  ]
}

/** What to look at on the finished frame. */
export const frameTractionFit: readonly FitTest[] = [
  { id: 'foot', text: 'Foot upright', why: 'A turned leg bleeds on.', remedy: 'Prop the foot, turn the hitch.', where: ['toe'] },
  {
    id: 'hitch',
    text: 'Hitch not biting',
    why: 'It carries the whole pull.',
    remedy: 'Pad it with the pull kept by hand.',
    where: ['hitch'],
  },
  { id: 'groin', text: 'Groin padded', why: 'The strap carries the counterpull.', remedy: 'Pad again.', where: ['groin'] },
]

/** Care in words. */
export const frameTractionCare: readonly string[] = [
  'Hitch and foot looked at with every round; toes moved.',
  'Changed for the ward’s traction as soon as possible, within two hours.',
  'The pull is never let go to move the patient.',
]
