import type { DecidedSetting } from '../families/cast/decide-set-time'
import type { Side } from '../../model/vocabulary'
import type { FitTest } from '../../model/plan'
import type { Step } from '../../model/step'
import { lastLook } from '../shared/last-look'
import { makeStep } from '../shared/make-step'
import { wristAngle } from '../shared/step-angles'
import { cureTimer, releaseTimer, settingTimer, wettingTimer } from '../shared/step-timers'
import { closingCheck, openingSteps } from '../shared/opening-steps'
import type { OptionValues } from '../../planner/technique'
import type { VolarSlabStep } from './roles'

export interface VolarFacts {
  readonly options: OptionValues
  readonly side: Side | undefined
  readonly isPlaster: boolean
  readonly set: DecidedSetting
  readonly extension: string
  /** Wrist bent back, degrees. */
  readonly extensionDeg: number
}

/** The steps of a volar slab in a workable order. */
export function volarSlabSteps(facts: VolarFacts): readonly Step<VolarSlabStep>[] {
  return [...drySteps(facts), ...wetSteps(facts), ...finishSteps(facts)]
}

function drySteps({ options, side, isPlaster }: VolarFacts): readonly Step<VolarSlabStep>[] {
  const hasLiner = options['liner'] === 'stockinette'
  const liner = makeStep({
    id: 'stockinette',
    text: 'Stockinette past the middle finger joints and the elbow fold. Lift it off the skin before its thumb hole is cut.',
    why: 'Cut on the skin, the shears find the web.',
    say: 'The soft sleeve goes over your hand first.',
    prevents: 'A cut thumb web, and ends too short to fold back.',
    after: ['baseline', 'lay-out'],
    minutes: [0.3, 0.6, 1],
    onPatient: true,
    where: ['hand'],
  })
  return [
    ...openingSteps({
      side,
      holdsLong: true,
      compared: 'both hands',
      where: ['radial-pulse'],
      position: 'Seat the patient, elbow on the table, rings and watch off that hand.',
      say: `I wrap your hand and forearm and lay ${isPlaster ? 'wet plaster' : 'a damp strip'} on the palm side. It gets warm, then hard. It stays on: cover it when you wash. Tell me if your fingers tingle.`,
      layOut: `${hasLiner ? 'stockinette, ' : ''}padding, slab, ${isPlaster ? 'bucket of water with thermometer' : 'a little cool water with thermometer, towel'}, elastic bandage, shears`,
    }),
    ...(hasLiner ? [liner] : []),
    makeStep({
      id: 'padding',
      text: 'Padding, unrolled outward, from the wrist to the hand, through the web with a split pad as a cuff for the thumb, then down the arm: two to four even layers.',
      why: 'Thin spots press; too much lets the slab shift.',
      say: 'The soft padding goes round your hand and arm now.',
      prevents: 'Sores over the wrist points, and a slab that slides.',
      after: [hasLiner ? 'stockinette' : 'baseline', 'lay-out'],
      minutes: [0.8, 1.3, 2.5],
      onPatient: true,
      where: ['padding', 'ulnar-styloid'],
    }),
    makeStep({
      id: 'bone-points',
      text: 'Feel the bony points of the wrist and the base of the thumb through the padding.',
      why: 'What you can feel sharply, the slab will press.',
      prevents: 'A sore over the wrist point.',
      after: ['padding'],
      minutes: [0.2, 0.3, 0.6],
      where: ['ulnar-styloid'],
    }),
    makeStep({
      id: 'cut-slab',
      text: 'Cut the slab by the template: slanted hand end, half-moon for the thumb. Hold it dry to the palm: knuckle crease free, elbow free.',
      why: 'The little finger is shorter than the index: a square end blocks it.',
      prevents: 'Stiff knuckles from a slab past the palm crease.',
      after: ['identity', 'padding'],
      minutes: [0.6, 1, 2],
      confirm: `Cut for the ${side?.toUpperCase() ?? 'injured'} forearm, palm side checked`,
      where: ['slab'],
    }),
  ]
}

function wetSteps({ isPlaster, set, extension, extensionDeg, options }: VolarFacts): readonly Step<VolarSlabStep>[] {
  const hasLiner = options['liner'] === 'stockinette'
  return [
    makeStep({
      id: 'wet',
      text: isPlaster
        ? 'Hold the stack by both ends in the water until the bubbles stop, fold, press out, smooth it on the table. The clock starts.'
        : 'A little cool water along the strip, roll it in a towel, press out. The clock starts.',
      say: 'It will get warm for some minutes; that is the setting. Too hot, and it comes off: say so.',
      why: 'Air left in makes it weak; water left in makes it slow.',
      prevents: 'Dry layers that split apart.',
      after: ['cut-slab', 'bone-points'],
      minutes: isPlaster ? [0.2, 0.3, 0.5] : [0.4, 0.6, 1],
      wet: true,
      timer: settingTimer(set.minutes),
      moreTimers: [wettingTimer(isPlaster ? 0.3 : 0.6), releaseTimer(set.releaseMin, 'done')],
    }),
    makeStep({
      id: 'lay',
      text: 'Lay it on the palm side, the edge folded clear of the palm crease.',
      why: 'The knuckles must bend fully over the edge.',
      say: 'The wet strip comes on the palm side now: cool first, then warm.',
      prevents: 'Stiff fingers after two weeks.',
      after: ['wet'],
      minutes: isPlaster ? [0.2, 0.3, 0.5] : [0.3, 0.5, 0.8],
      wet: true,
      onPatient: true,
      where: ['slab', 'palm-crease'],
    }),
    ...(isPlaster
      ? [
          makeStep({
            id: 'fold',
            text: `${hasLiner ? 'Fold the stockinette back over both ends. ' : ''}A layer of padding over the slab: it is the quick release line.`,
            why: 'A bandage stuck to plaster cannot be cut off quickly.',
            prevents: 'Minutes lost when it has to come open.',
            after: ['lay'],
            minutes: [0.3, 0.4, 0.6] as const,
            wet: true,
          }),
        ]
      : []),
    makeStep({
      id: 'bandage',
      text: `${isPlaster ? '' : `${hasLiner ? 'Fold the stockinette back over both ends. ' : ''}A layer of padding over the slab as release line. `}Elastic bandage, half overlap, with a roomy thumb hole, the weave not opened.`,
      why: 'Pulled tight it presses the median nerve against the slab.',
      say: 'The bandage goes round now: firm, not tight. Tell me if it is tight.',
      prevents: 'Numb fingers, a strangled thumb.',
      after: [isPlaster ? 'fold' : 'lay'],
      minutes: isPlaster ? [0.4, 0.6, 0.9] : [0.8, 1.1, 1.6],
      wet: true,
      where: ['bandage'],
    }),
    makeStep({
      id: 'mould',
      text: `Your palm against the patient's, the other hand behind the wrist: hold it ${extension}. Ask: is it too hot? ${lastLook}`,
      why: 'Palm to palm keeps the arch of the hand; fingertips leave dents.',
      prevents: 'A dropped wrist, a dent over the nerve.',
      after: ['bandage'],
      minutes: isPlaster ? [0.3, 0.4, 0.5] : [0.2, 0.4, 0.6],
      wet: true,
      say: 'I bring your wrist to its angle now. Tell me where it hurts.',
      angles: [wristAngle(extensionDeg)],
      fits: ['knuckles', 'thumb-hole', 'no-dent'],
      where: ['wrist'],
    }),
  ]
}

function finishSteps({ extensionDeg, set }: VolarFacts): readonly Step<VolarSlabStep>[] {
  return [
    makeStep({
      id: 'hold-set',
      text: 'Hold without moving until it is hard to the knuckle, and no sooner than the clock. "Too hot" means: take it off.',
      why: 'Movement while it sets cracks it inside, where nobody sees it.',
      prevents: 'A slab that looks whole and holds nothing.',
      after: ['mould'],
      minutes: [1.5, 3, 6],
      angles: [wristAngle(extensionDeg)],
      timer: cureTimer(set.cureMin),
      where: ['wrist'],
    }),
    makeStep({
      id: 'finish',
      text: 'Turn the bandage ends in and fix them. Ask for a fist, thumb to little finger, and a bent thumb tip.',
      why: 'What does not move now will be stiff at the review.',
      say: 'Make a fist for me, then touch your little finger with your thumb.',
      prevents: 'A thumb or knuckle held still by an edge.',
      after: ['hold-set'],
      minutes: [0.4, 0.8, 1.5],
      where: ['palm-crease'],
    }),
    closingCheck(['finish'], 'both hands', ['radial-pulse']),
    makeStep({
      id: 'sling',
      text: 'Sling or raised hand; show finger, elbow and shoulder movements, and how to loosen it.',
      why: 'A hanging hand swells, and an unused shoulder freezes.',
      prevents: 'A swollen hand and a stiff shoulder.',
      after: ['after-check'],
      minutes: [0.5, 1, 2],
    }),
  ]
}

/** What to look at on the finished slab. */
export const volarSlabFit: readonly FitTest[] = [
  {
    id: 'knuckles',
    text: 'Knuckles bend fully',
    why: 'Held straight they stiffen.',
    remedy: 'Fold the hand end back.',
    where: ['palm-crease'],
  },
  {
    id: 'thumb',
    text: 'Thumb meets the little finger',
    why: 'The hand is used while it heals.',
    remedy: 'Widen the half-moon.',
    where: ['hand'],
  },
  {
    id: 'thumb-tip',
    text: 'Thumb tip bends',
    why: 'It is the median nerve at work.',
    remedy: 'Loosen; check feeling at once.',
    where: ['hand'],
  },
  { id: 'elbow', text: 'Elbow bends', why: 'An edge in the fold cuts.', remedy: 'Trim the upper end.', where: ['elbow-crease'] },
  {
    id: 'thumb-hole',
    text: 'Thumb hole loose',
    why: 'It strangles as the hand swells.',
    remedy: 'Cut the bandage there.',
    where: ['hand'],
  },
  { id: 'no-dent', text: 'No dent anywhere', why: 'A dent presses for as long as it is worn.', remedy: 'Make it again.', where: ['slab'] },
]

/** Care in words. */
export const volarSlabCare: readonly string[] = [
  'Not to be taken off; covered for washing.',
  'Hand raised; fingers, elbow and shoulder moved every hour while awake.',
  'Too tight: cut or unwind the bandage along the padded line on the slab, then come back.',
  'More pain, tingling or numb fingers, blue fingers: come back or call, day or night.',
]
