import type { Side } from '../../model/vocabulary'
import type { FitTest } from '../../model/plan'
import type { Step } from '../../model/step'
import type { StepAngle } from '../../model/step'
import { makeStep } from '../shared/make-step'
import { ankleAngle, footPlane, kneeAngle } from '../shared/step-angles'
import { cureTimer, holdTimer, settingTimer } from '../shared/step-timers'
import { closingCheck, openingSteps } from '../shared/opening-steps'
import type { OptionValues } from '../../planner/technique'

export interface CastFacts {
  readonly options: OptionValues
  readonly isLong: boolean
  readonly side: Side | undefined
  readonly isPlaster: boolean
  readonly setMin: number
  readonly lowerRolls: number
  readonly thighRolls: number
  readonly kneeWords: string
  /** The aim of the knee's school, degrees. */
  readonly kneeDeg: number
  readonly cureMin: number
  readonly openingMin: number
  readonly isFresh: boolean
}

/** The steps of a cast in a workable order, its rolls one by one. */
export function legCastSteps(facts: CastFacts): readonly Step[] {
  return [...drySteps(facts), ...rollSteps(facts), ...finishSteps(facts)]
}

/** Ids of the rolling steps, in order. */
export function rollIds(facts: Pick<CastFacts, 'lowerRolls' | 'thighRolls'>): readonly string[] {
  return Array.from({ length: facts.lowerRolls + facts.thighRolls }, (_, index) => `roll-${index + 1}`)
}

function drySteps({ isLong, options, side, kneeWords }: CastFacts): readonly Step[] {
  const isScarce = options['supplies'] === 'scarce'
  return [
    ...openingSteps({
      side,
      compared: 'both legs',
      where: ['dorsal-foot-pulse'],
      position: 'Settle the patient in position; stand on a step if the hold needs height.',
      layOut: `${isScarce ? '' : 'stocking, '}padding, rolls in order, bucket of water with thermometer, shears, marker`,
    }),
    ...(isScarce
      ? []
      : [
          makeStep({
            id: 'stocking',
            text: 'Stocking on without a crease, started high, because it creeps down.',
            why: 'A crease under plaster is a ridge for six weeks.',
            prevents: 'Sores from creases, a bare upper edge.',
            after: ['baseline', 'lay-out'],
            minutes: [0.5, 1, 2] as const,
            onPatient: true,
          }),
        ]),
    ...(isLong
      ? [
          makeStep({
            id: 'hold-thigh',
            text: 'A helper lifts the thigh from above the knee, flat hands, until the knee holder is in place.',
            why: 'Lifted by the foot alone the break bends.',
            prevents: 'Movement at the fracture before anything holds it.',
            after: ['baseline'],
            minutes: [0.2, 0.4, 0.8] as const,
            hands: ['hold-proximal'] as const,
            where: ['mid-thigh'],
          }),
        ]
      : []),
    makeStep({
      id: 'padding',
      text: `Padding ${options['padding'] === 'stocking-and-padding' ? 'over the stocking' : 'from the top down, one turn left to fold back'}, half overlap; more over malleoli, shin crest${isLong ? ', kneecap and condyles' : ' and fibular neck'}.`,
      why: 'Two even layers are the room for swelling; bone needs four.',
      prevents: 'Sores over bone, ridges, no room.',
      after: [isScarce ? 'baseline' : 'stocking', 'lay-out'],
      minutes: [2, 3, 5],
      onPatient: true,
      where: ['padding', 'malleoli', 'fibular-neck'],
    }),
    makeStep({
      id: 'bone-points',
      text: `Feel every bony point through the padding. Knee ${kneeWords}, ankle square, thigh and foot on one axis: look now.`,
      why: 'What is wrong now is wrong for weeks.',
      prevents: 'A turned foot, a pressed nerve at the fibular neck.',
      after: isLong ? ['padding', 'hold-thigh'] : ['padding'],
      minutes: [0.3, 0.6, 1],
      confirm: `Rolling on the ${side?.toUpperCase() ?? 'injured'} leg`,
      where: ['malleoli', 'fibular-neck'],
    }),
  ]
}

/** Knee by its school's band, ankle square, sole level. */
function heldAngles({ isLong, options, kneeDeg }: CastFacts): readonly StepAngle[] {
  const knee = options['knee'] === 'thirty' ? kneeAngle(kneeDeg, 30, 40) : kneeAngle(kneeDeg, 15, 20)
  return [...(isLong ? [knee] : []), ankleAngle(90), footPlane]
}

function rollSteps(facts: CastFacts): readonly Step[] {
  const { isLong, options, isPlaster, setMin } = facts
  const ids = rollIds(facts)
  const water = options['water'] === 'press-out' ? 'press it out' : 'let it drain until it stops running'
  const hasReliefCuts = isLong && options['order'] === 'lower-part-first'
  const last = ids.at(-1) ?? 'bone-points'
  const footHold = options['foot-hold'] === 'own-chest' ? null : ({ from: ids[0] ?? 'mould', to: 'mould', place: 'hold-distal' } as const)
  const rolls = ids.flatMap((id, index) => {
    const before =
      index === 0 ? 'bone-points' : hasReliefCuts && index === facts.lowerRolls ? 'relief-cuts' : (ids[index - 1] ?? 'bone-points')
    const roll = makeStep({
      id,
      text: `Roll ${index + 1} of ${ids.length}, ${placeOf(facts, index)}. Keep a hand's length of tail free, ${isPlaster ? `wet it till the bubbles stop, ${water}` : 'wet it, squeeze once'}; roll close without lifting off, smooth as you go.`,
      why: index === 0 ? 'Lifted off and pulled back it tightens; rolled along it lies.' : 'Layers bond while the one below is wet.',
      prevents:
        index === ids.length - 1
          ? 'A seam where a roll ends: the last one runs the whole length before the earlier ones set.'
          : 'Tight bands and layers that part.',
      after: [before],
      minutes: [0.8, 1.2, 1.8],
      wet: true,
      ...(index === 0 ? { onPatient: true } : {}),
      holds: index === 0 && isLong ? { from: id, to: 'mould', place: 'hold-joint' } : null,
      ...(index === ids.length - 1 ? { timer: settingTimer(setMin) } : {}),
      where: [index >= facts.lowerRolls ? 'mid-thigh' : 'calf'],
    })
    return hasReliefCuts && index === facts.lowerRolls - 1 ? [roll, reliefCuts(id)] : [roll]
  })
  return [
    ...rolls,
    makeStep({
      id: 'mould',
      text: `Mould round the malleoli${isLong ? ', above the femoral condyles (that shape holds the cast up), kneecap and its tendon' : ' and the shin'} with flat palms before it sets. Angles and tilt again. Ask: is it too hot?`,
      why: 'A cast holds by its shape, not by its thickness.',
      prevents: 'A cast that slides down, a sagging knee that cracks, a dropped foot.',
      after: [last],
      minutes: [0.4, 0.6, 1],
      wet: true,
      holds: footHold,
      angles: heldAngles(facts),
      where: ['malleoli', isLong ? 'patella' : 'ankle'],
    }),
  ]
}

function placeOf({ options, isLong, lowerRolls, thighRolls }: CastFacts, index: number): string {
  const total = lowerRolls + thighRolls
  if (index === total - 1 && total > 1)
    return options['order'] === 'from-the-injury' ? 'the foot last, then the whole length' : 'the whole length'
  if (options['order'] === 'from-the-injury') {
    if (index < Math.min(2, total - 1)) return 'over the injury'
    return isLong && index < Math.ceil(total / 2) ? 'up from the injury' : 'down from the injury'
  }
  return index < lowerRolls ? 'lower leg, up and back down' : 'over the knee to the groin'
}

function reliefCuts(after: string): Step {
  return makeStep({
    id: 'relief-cuts',
    text: 'Four short relief cuts in the top edge before it dries: front, back and both sides.',
    why: 'Vessel and nerve lie behind that edge, and it will be bent against them.',
    prevents: 'A hard edge in the hollow of the knee.',
    after: [after],
    minutes: [0.2, 0.3, 0.5],
    wet: true,
    where: ['below-knee'],
  })
}

function finishSteps(facts: CastFacts): readonly Step[] {
  const { isLong, isFresh, openingMin, options, cureMin } = facts
  return [
    makeStep({
      id: 'hold-set',
      text: `Hold ${isLong ? 'knee from the far side and foot, the grip moved to the toe tips' : 'the foot square'}, without moving, until it is set. "Too hot" means: take it off.`,
      why: 'The knee holder is a person of their own: the classic failure is a sagging knee that cracks.',
      prevents: 'A crack at the knee, a foot that drops in the last minute.',
      after: ['mould'],
      minutes: [2, 4, 8],
      holds: { from: 'hold-set', to: 'hold-set', place: isLong ? 'hold-joint' : 'hold-distal' },
      angles: heldAngles(facts),
      timer: cureTimer(cureMin),
      moreTimers: [holdTimer(4)],
      where: [isLong ? 'knee' : 'ankle'],
    }),
    ...(isLong
      ? [
          makeStep({
            id: 'reinforce',
            text: 'Look at the knee: the crossing turns lie on both sides, no wrinkle behind.',
            why: 'The knee carries the whole lower leg.',
            prevents: 'A cast that breaks in two on the way to the ward.',
            after: ['hold-set'],
            minutes: [0.2, 0.4, 0.8] as const,
            where: ['knee'],
          }),
        ]
      : []),
    makeStep({
      id: 'turn-back',
      text: `Turn the ${options['padding'] === 'stocking-and-padding' ? 'stocking' : 'padding'} back over both edges under the last turn; all toes seen.`,
      why: 'A padded edge can touch skin, a bare one cannot.',
      prevents: 'Raw edges, toes that nobody can look at.',
      after: [isLong ? 'reinforce' : 'hold-set'],
      minutes: [0.5, 1, 2],
      where: ['toe'],
    }),
    makeStep({
      id: 'transfer',
      text: 'Rest it in open air, uncovered, no pillow or plastic until it is cool; lift under thigh and calf.',
      why: 'Heat that cannot leave burns; a soft cast dents on what it lies on.',
      prevents: 'Burns and heel sores.',
      after: ['turn-back'],
      minutes: [0.5, 1, 2],
      ...(isFresh
        ? { timer: { id: 'opening', label: 'Hard enough to open', minutes: openingMin, kind: 'wait', starts: 'done' } as const }
        : {}),
      moreTimers: [{ id: 'cool', label: 'Uncovered until cool', minutes: 30, kind: 'cooling', starts: 'shown' }],
      where: ['heel-instep'],
    }),
    closingCheck(['turn-back'], 'both legs', ['dorsal-foot-pulse', 'toe']),
  ]
}

/** What to look at on the finished cast. */
export function legCastFit(isLong: boolean): readonly FitTest[] {
  return [
    { id: 'toes-seen', text: 'All toes seen', why: 'They are the window for every round.', remedy: 'Trim the end back.', where: ['toe'] },
    {
      id: 'edges',
      text: 'Edges padded all round',
      why: 'A bare edge cuts.',
      remedy: 'Turn back and tape down.',
      where: ['toe', 'below-knee'],
    },
    ...(isLong
      ? [
          {
            id: 'knee-crack',
            text: 'No crack or crease at the knee',
            why: 'It breaks there first.',
            remedy: 'Reinforce with crossing turns, or make it again.',
            where: ['knee'],
          },
          {
            id: 'knee-angle',
            text: 'Knee angle measured',
            why: 'It sets as it is held.',
            remedy: 'Still soft: correct it. Set: wedge or make it again.',
            where: ['knee'],
          },
        ]
      : []),
    {
      id: 'ankle-angle',
      text: 'Ankle angle measured',
      why: 'A dropped foot cannot stand flat.',
      remedy: 'Still soft: correct it. Set: make it again.',
      where: ['ankle'],
    },
    { id: 'rotation', text: 'Thigh and foot on one axis', why: 'Turned is as wrong as bent.', remedy: 'Make it again.', where: ['toe'] },
    {
      id: 'fibular-neck',
      text: 'No pressure at the fibular neck',
      why: 'The nerve that lifts the foot lies there.',
      remedy: 'Trim or window the edge.',
      where: ['fibular-neck'],
    },
  ]
}

/** Care in words. */
export const legCastCare: readonly string[] = [
  'No weight through the cast unless it is ordered by name.',
  'Open air until it is cool, 20 to 30 minutes; then a cloth pillow with the heel hanging.',
  'Limb at heart level; toes moved every hour while awake.',
  'Nothing is pushed down inside it; keep it dry.',
  'More pain, pain when the toes are stretched, numb or blue toes: call at once, day or night.',
  'Calf pain or breathlessness: call at once.',
]
