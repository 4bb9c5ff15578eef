import type { DecidedSetting } from '../families/cast/decide-set-time'
import type { ClinicalCase } from '../../model/clinical-case'
import type { Side } from '../../model/vocabulary'
import { formatValue } from '../../planner/format-decision'
import type { FitTest } from '../../model/plan'
import type { Step } from '../../model/step'
import { takeFoot } from '../families/slab/hold'
import { lastLook } from '../shared/last-look'
import { makeStep } from '../shared/make-step'
import { ankleAngle, footPlane } from '../shared/step-angles'
import { cureTimer, lowerTimer, lowerWords, releaseTimer, settingTimer, wettingTimer } from '../shared/step-timers'
import { closingCheck, openingSteps } from '../shared/opening-steps'
import type { OptionValues } from '../../planner/technique'
import type { SlabAndStirrupStep } from './roles'

export interface StirrupFacts {
  readonly options: OptionValues
  readonly side: Side | undefined
  readonly slab: string
  readonly stirrup: string
  readonly ankleWords: string
  /** Null while the ordered angle is not entered. */
  readonly ankleDeg: number | null
  readonly set: DecidedSetting
  /** Face down or hanging the limb keeps its own angle. */
  readonly isHeldByItself: boolean
  readonly clinicalCase: ClinicalCase
}

/** Words for a cut piece: "10 cm × 52 cm". */
export function cutWords(widthCm: number | null, lengthCm: number | null): string {
  return widthCm === null || lengthCm === null ? 'to the plan' : `${formatValue(widthCm, 'cm')} × ${formatValue(lengthCm, 'cm')}`
}

/** The steps of slab and stirrup in a workable order. */
export function slabAndStirrupSteps(facts: StirrupFacts): readonly Step<SlabAndStirrupStep>[] {
  return [...drySteps(facts), ...wetSteps(facts), ...finishSteps(facts)]
}

function drySteps({ options, side, slab, stirrup, clinicalCase, isHeldByItself }: StirrupFacts): readonly Step<SlabAndStirrupStep>[] {
  const stance =
    options['position'] === 'seated'
      ? 'Seated is the hardest: gravity works against you.'
      : 'Whoever is short stands on a step and uses body weight.'
  const liner =
    options['liner'] === 'stockinette-and-wool' && options['supplies'] !== 'scarce' ? 'Stockinette first, without a crease. ' : ''
  return [
    ...openingSteps({
      side,
      holdsLong: true,
      compared: 'both legs',
      where: ['dorsal-foot-pulse'],
      position: `Show the wanted ankle position on the sound side. ${stance}`,
      chosen: { clinicalCase, options, supported: 'the calf and the heel' },
      say: 'I wrap your leg, lay two wet strips on it and bring your foot to its angle. They get warm, then hard. Tell me at once if anything pinches.',
      layOut: 'padding, slab on the left, stirrup on the right, a little cool water with thermometer, towel, elastic bandage, shears',
    }),
    ...takeFoot(isHeldByItself),
    makeStep({
      id: 'padding',
      text: `${liner}Padding from the toes, figure-of-eight at the ankle, heel covered, half overlap to the knee crease, two to four layers, ending about half a centimetre past the splint.`,
      why: 'Two splints press where they cross; even wool spreads it.',
      say: 'The soft padding goes round your leg now.',
      prevents: 'A missed heel, an overpadded ankle, edges on bare skin.',
      after: [takeFoot(isHeldByItself)[0]?.id ?? 'baseline', 'lay-out'],
      minutes: [1.5, 2.5, 4],
      onPatient: true,
      where: ['padding', 'heel-instep'],
    }),
    makeStep({
      id: 'bone-points',
      text: 'Feel both malleoli, the heel and the fibular neck through the padding, gently: it hurts.',
      say: 'I feel the bones through the padding now. Tell me where it hurts.',
      why: 'What you can feel sharply, the splint will press.',
      prevents: 'A foot drop from a pressed nerve at the fibular neck.',
      after: ['padding'],
      minutes: [0.3, 0.5, 1],
      where: ['malleoli', 'fibular-neck'],
    }),
    makeStep({
      id: 'cut-slab',
      text: `Cut the slab ${slab} and the stirrup ${stirrup}; cover the raw ends with their felt. Held round the limb, the front stays open.`,
      why: 'Bare fibreglass cuts like glass, and the open front is the release line.',
      prevents: 'A closed tube, and scratches on the other leg at night.',
      after: ['identity', 'padding'],
      minutes: [0.7, 1.2, 2.5],
      confirm: `Cut for the ${side?.toUpperCase() ?? 'injured'} leg, gap checked`,
      where: ['slab', 'stirrup'],
    }),
  ]
}

function wetSteps({ options, ankleWords, ankleDeg, set }: StirrupFacts): readonly Step<SlabAndStirrupStep>[] {
  return [
    makeStep({
      id: 'wet',
      text: `A little water along both strips, roll them in the towel together, press out. The clock starts.${options['position'] === 'seated' ? ' Seated, fluid pools in the leg: be quick.' : ''}`,
      say: 'It will get warm under the splint for some minutes; that is the setting. Too hot, and it comes off: say so.',
      why: 'Wetted together they set together and bond where they cross.',
      prevents: 'A slab that has set while the stirrup is still soft.',
      after: ['cut-slab', 'bone-points'],
      minutes: [0.4, 0.6, 1],
      wet: true,
      timer: settingTimer(set.minutes),
      moreTimers: [wettingTimer(0.6), releaseTimer(set.releaseMin, 'done'), lowerTimer(set.lowerMin, 'done')],
    }),
    makeStep({
      id: 'lay',
      text: 'Slab centred behind the leg, toe end folded into a guard that ends half a centimetre past the toes, tacked with one turn.',
      why: 'Off centre it holds one side only.',
      say: 'The damp strip comes behind your leg now.',
      prevents: 'A twisted slab and a squeezed little toe.',
      after: ['wet'],
      minutes: [0.3, 0.5, 0.8],
      wet: true,
      onPatient: true,
      where: ['slab', 'toe'],
    }),
    makeStep({
      id: 'stirrup',
      text: 'Stirrup under the heel and up both sides to the same height, over the slab, tacked with one turn.',
      why: 'It is the two sides that stop the ankle from tilting.',
      say: 'The second strip goes under your heel and up both sides.',
      prevents: 'A stirrup longer on one side, which tilts the foot.',
      after: ['lay'],
      minutes: [0.3, 0.5, 0.8],
      wet: true,
      where: ['stirrup', 'malleoli'],
    }),
    makeStep({
      id: 'bandage',
      text: 'One elastic bandage over both from the toes, figure-of-eight at the ankle, the weave never stretched open.',
      why: 'Two separate wraps squeeze more than one.',
      say: 'The bandage goes round now: firm, not tight. Tell me if it is tight.',
      prevents: 'A tight double bandage over swelling.',
      after: ['stirrup'],
      minutes: [0.8, 1.1, 1.6],
      wet: true,
      where: ['bandage'],
    }),
    makeStep({
      id: 'mould',
      text: `A flat palm along the outer middle of the foot, the other hand on the calf: bring the ankle ${ankleWords} and hold. Ask: is it too hot, does it poke at the sides of the ankle, are the toes squeezed? ${lastLook}`,
      why: 'Pushing under the toes bends the middle of the foot instead of the ankle.',
      prevents: 'A dropped or tilted foot that looks square at the toes.',
      after: ['bandage'],
      minutes: [0.2, 0.4, 0.6],
      wet: true,
      say: 'I bring your foot to its angle now; it pulls in the calf. Tell me where it hurts.',
      angles: [...(ankleDeg === null ? [] : [ankleAngle(ankleDeg)]), footPlane],
      fits: ['toes-sideways', 'malleoli', 'edges-apart'],
      where: ['ankle', 'midfoot'],
    }),
  ]
}

function finishSteps({ options, ankleWords, ankleDeg, set }: StirrupFacts): readonly Step<SlabAndStirrupStep>[] {
  const isFaceDown = options['position'] === 'face-down'
  return [
    makeStep({
      id: 'hold-set',
      text: `Hold ${ankleWords} without moving until it is hard to the knuckle, and no sooner than the clock; the holder stays. "Too hot" means: take it off.`,
      why: 'Fibreglass that moves while it sets holds the shape it was moved to.',
      prevents: 'An ankle that sags in the last minute.',
      after: ['mould'],
      minutes: [2, 3, 6],
      angles: ankleDeg === null ? [] : [ankleAngle(ankleDeg)],
      timer: cureTimer(set.cureMin),
      where: ['ankle'],
    }),
    makeStep({
      id: 'look-along',
      text: 'Look along the toes from the foot end: the sole neither tilted nor turned.',
      why: 'Tilt shows from the end and nowhere else.',
      prevents: 'A foot set on its edge.',
      angles: [footPlane],
      after: ['hold-set'],
      minutes: [0.1, 0.2, 0.4],
      where: ['toe'],
    }),
    makeStep({
      id: 'finish',
      say: 'I free your toes and fix the ends now.',
      text: isFaceDown
        ? `Turn face up ${lowerWords}. Free the toes side to side, flare what presses, fix the bandage ends.`
        : 'Free the toes side to side, flare what presses, fix the bandage ends.',
      why: isFaceDown ? 'Turning before it is set bends it at the ankle.' : 'What presses now presses for as long as it is worn.',
      prevents: isFaceDown ? 'Squeezed toes, and a splint bent by the turn.' : 'Squeezed toes, bandage ends that catch.',
      ...(isFaceDown ? { say: 'We turn you onto your back now; keep the leg still.' } : {}),
      after: ['look-along'],
      minutes: [0.5, 1, 2],
      where: ['toe', 'malleoli'],
    }),
    closingCheck(['finish'], 'both legs', ['dorsal-foot-pulse', 'toe']),
  ]
}

/** What to look at on the finished splint. */
export const slabAndStirrupFit: readonly FitTest[] = [
  { id: 'toes-seen', text: 'All toe tips seen', why: 'They are the window for every round.', remedy: 'Trim the end back.', where: ['toe'] },
  { id: 'little-toe', text: 'Little toe free', why: 'It is pressed first.', remedy: 'Flare or cut the corner.', where: ['toe'] },
  {
    id: 'toes-sideways',
    text: 'Toes free from side to side',
    why: 'A squeezed foot swells at the toes.',
    remedy: 'Flare the sides of the guard.',
    where: ['toe'],
  },
  {
    id: 'malleoli',
    text: 'No pressure at the malleoli',
    why: 'Bone lies under the skin there.',
    remedy: 'Lift the stirrup and pad again, or make it again.',
    where: ['malleoli'],
  },
  {
    id: 'fibular-neck',
    text: 'Two fingers clear at the fibular neck',
    why: 'The nerve that lifts the foot lies on bone there.',
    remedy: 'Trim or flare the edge away.',
    where: ['fibular-neck'],
  },
  {
    id: 'upper-edge',
    text: 'Upper edge clear of the thigh when the knee bends',
    why: 'It digs in at every step on crutches.',
    remedy: 'Trim 2 cm and turn the padding over.',
    where: ['below-knee'],
  },
  { id: 'no-dent', text: 'No dent anywhere', why: 'A dent presses for as long as it is worn.', remedy: 'Make it again.', where: ['slab'] },
  {
    id: 'foot-level',
    reads: 'foot-plane',
    text: 'Foot plane level, neither tilted nor turned',
    why: 'It sets as it is held.',
    remedy: 'Still soft: correct it. Set: make it again.',
    where: ['ankle'],
  },
  {
    id: 'edges-apart',
    text: 'Front open from end to end',
    why: 'It is the room for swelling and the release line.',
    remedy: 'Trim the edges back.',
    where: ['slab', 'stirrup'],
  },
]

/** Care in words. */
export const slabAndStirrupCare: readonly string[] = [
  'No weight through the splint.',
  'Raised while it cures and while resting, unless the compartment is a worry: then at heart level.',
  'The folded end guards the toes on crutches; it is not for standing on.',
  'Toes moved every hour while awake.',
  'More pain, numb or blue toes, a tight feeling: come back or call, day or night.',
  'Calf pain or breathlessness: call at once.',
]
