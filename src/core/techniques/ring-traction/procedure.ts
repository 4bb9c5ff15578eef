import type { Side } from '../../model/vocabulary'
import type { FitTest } from '../../model/plan'
import type { Step } from '../../model/step'
import type { StepPull, StepStrap } from '../../model/step'
import { makeStep } from '../shared/make-step'
import { closingCheck, openingSteps } from '../shared/opening-steps'
import type { RingTractionStep } from './roles'

export interface RingFacts {
  readonly side: Side | undefined
  readonly ring: string
  readonly lengthWords: string
  readonly padWords: string
  /** Straps that hold the leg on the pads: one a pad, and one more at the thigh’s end. */
  readonly straps: readonly StepStrap[]
  /** Length to cut the padding tube to. */
  readonly tubeWords: string | null
  readonly coverWords: string
  readonly pullWords: string
  readonly isAdhesive: boolean
  /** Null before there is a body mass. */
  readonly pull: StepPull
}

/** The steps of a modular ring splint in a workable order. */
export function ringTractionSteps(facts: RingFacts): readonly Step<RingTractionStep>[] {
  const { side, ring, lengthWords, padWords, straps, tubeWords, coverWords, pullWords, isAdhesive, pull } = facts
  const strapCount = straps.length > 0 ? `${straps.length} straps` : 'straps, one more than pads'
  return [
    ...openingSteps({
      side,
      compared: 'both legs',
      where: ['dorsal-foot-pulse'],
      position: 'Flat on the back, both legs bare to the hip.',
      say: 'We pull your leg gently and slide a splint under it, up to the sit bone. A ring lies in the groin: tell us if it pinches.',
      layOut: `${ring}, bars, side supports, ${padWords}, ${strapCount} laid flat, cover, skin strips, cord, padding tube`,
    }),
    makeStep({
      id: 'build',
      text: `Build it, ${lengthWords}: ${padWords}, edge over edge, wrapped from the far end with some give; ${strapCount} laid out flat under it first, two at the thigh’s end. Padding tube trimmed${tubeWords ? ` to ${tubeWords}` : ''}; ${coverWords} over the ring without wrinkles, reaching over its top, the short front bar bare.`,
      why: 'A gap lets tissue bulge, more overlap presses.',
      prevents: 'Ridges under the thigh, a wrinkle in the groin.',
      after: ['lay-out'],
      minutes: [3, 5, 9],
      hands: ['fetch'],
      where: ['ring'],
    }),
    makeStep({
      id: 'side-supports',
      text: 'Side supports joined to both bars, pulled once to prove it.',
      why: 'They keep the bars apart; one that slips lets the leg roll out.',
      prevents: 'Bars that close on the leg.',
      after: ['build'],
      minutes: [0.3, 0.6, 1],
      hands: ['fetch'],
      where: ['bar'],
    }),
    makeStep({
      id: 'ring-set',
      text: `Ring oblique for the ${side?.toUpperCase() ?? 'injured'} side: its outer side is the higher one. Read back: ${ring}, its cover, its side.`,
      why: 'A ring for the other side rides on the groin instead of the sit bone.',
      prevents: 'The wrong ring on the wrong way round.',
      after: ['side-supports', 'identity'],
      minutes: [0.3, 0.6, 1],
      confirm: `${ring}, ${side?.toUpperCase() ?? 'side'}, outer side high`,
      where: ['ring'],
    }),
    makeStep({
      id: 'strips',
      say: 'Strips go down both sides of your leg now, and a bandage over them.',
      text: `${isAdhesive ? 'Adhesive' : 'Non-adhesive'} strips down both sides, uncreased, malleoli padded; bandaged from above the ankle.`,
      why: 'They carry the whole pull on skin.',
      prevents: 'Blisters and a lost pull by the evening.',
      after: ['baseline', 'lay-out'],
      minutes: [2, 3, 5],
      onPatient: true,
      where: ['malleoli'],
    }),
    makeStep({
      id: 'pull',
      say: 'We pull your leg now, gently; it hurts for a moment and then eases. Tell us when.',
      text: `An assistant takes the pull along the leg, ${pullWords}, and keeps it.`,
      why: 'Muscle shortens the bone ends past each other; steady pull eases pain and bleeding.',
      prevents: 'Bone ends that grate while the splint goes on.',
      after: ['strips', 'ring-set'],
      minutes: [0.5, 1, 2],
      hands: ['hold-distal'],
      holds: { what: 'pull' as const, from: 'pull', to: 'tie-off', place: 'hold-distal' },
      pull,
      where: ['heel-instep'],
    }),
    makeStep({
      id: 'slide',
      text: 'Slide the splint under and up until the ring sits on the sit bone.',
      say: 'The splint slides under your leg now, up to the sit bone.',
      why: 'The sit bone is what it pushes against.',
      prevents: 'A ring in the groin that presses vessel and nerve.',
      after: ['pull'],
      minutes: [0.5, 1, 2],
      where: ['ring'],
    }),
    makeStep({
      id: 'tie-off',
      text: `Tie the cord off at the far end, ${pullWords}; only then does the assistant let go.`,
      why: 'Let go once, the muscles snap back.',
      prevents: 'A second, worse shortening.',
      after: ['slide'],
      minutes: [0.5, 1, 2],
      fits: ['finger', 'cover'],
      where: ['ring'],
    }),
    makeStep({
      id: 'close-straps',
      text: `Straps closed over the leg, ${strapCount}: firm, none over the break or the knee.`,
      why: 'They hold the leg on the pads; the pull is the cord’s.',
      prevents: 'A leg that lifts off its pads, a strap on the break.',
      say: 'Straps close over your leg now; tell me if one presses.',
      ...(straps.length > 0 ? { straps: { order: 'any' as const, straps } } : {}),
      after: ['tie-off'],
      minutes: [0.5, 1, 2],
      where: straps.map(({ id }) => id),
    }),
    makeStep({
      id: 'prop',
      text: 'Prop the far end of the splint: heel off the bed, foot upright.',
      why: 'A splint that lies on its end levers the ring into the groin.',
      prevents: 'Heel sores, a ring that tips.',
      say: 'We raise the end of the splint a little now.',
      after: ['close-straps'],
      minutes: [0.2, 0.5, 1],
      where: ['heel-instep'],
    }),
    closingCheck(['prop'], 'both legs', ['dorsal-foot-pulse', 'toe']),
  ]
}

/** What to look at on the finished splint. */
export const ringTractionFit: readonly FitTest[] = [
  {
    id: 'finger',
    text: 'A finger between ring and groin',
    why: 'Tight it presses skin and vessel.',
    remedy: 'Larger ring, or less pull.',
    where: ['ring'],
  },
  {
    id: 'cover',
    text: 'Cover reaches over the ring’s top, no wrinkle in the groin',
    why: 'A bare or creased ring breaks the skin within hours.',
    remedy: 'Pull by hand, cover drawn up and smoothed.',
    where: ['ring'],
  },
  { id: 'heel', text: 'Heel free', why: 'It breaks down first.', remedy: 'Move or fold the lowest pad.', where: ['heel-instep'] },
  {
    id: 'foot',
    text: 'Foot in the middle, neither turned nor dropped',
    why: 'A turned leg heals turned.',
    remedy: 'Prop or sling the foot.',
    where: ['toe'],
  },
]

/** Care in words. */
export const ringTractionCare: readonly string[] = [
  'Skin under the ring every two hours, moved and dried.',
  'Pull felt and re-tightened; it slackens as the muscles tire.',
  'Pulse, blood pressure, breathing and new confusion beside the limb.',
  'Theatre plan written down with its time.',
]
