import type { DecidedSetting } from '../families/cast/decide-set-time'
import type { ClinicalCase } from '../../model/clinical-case'
import type { FitTest } from '../../model/plan'
import type { Step } from '../../model/step'
import type { StepAngle } from '../../model/step'
import { makeStep } from '../shared/make-step'
import { ankleAngle, footPlane, kneeAngle } from '../shared/step-angles'
import { cureTimer, lowerWords } from '../shared/step-timers'
import { hasStocking, type CastRolls } from './materials'
import { rollSteps } from './roll-steps'
import { closingCheck, openingSteps } from '../shared/opening-steps'
import type { OptionValues } from '../../planner/technique'
import type { LegCastStep } from './roles'

export interface CastFacts {
  readonly clinicalCase: ClinicalCase
  readonly options: OptionValues
  readonly isLong: boolean
  /** The injury is nearer to the ankle than to the knee. */
  readonly isLowInjury: boolean
  readonly isPlaster: boolean
  readonly set: DecidedSetting
  readonly rolls: CastRolls
  /** A part is lapped onto the one before by so much, cm. */
  readonly lapCm: number
  readonly kneeWords: string
  /** The aim of the knee's school, degrees. */
  readonly kneeDeg: number
  readonly ankleWords: string
  /** Null while the ordered angle is not entered. */
  readonly ankleDeg: number | null
  readonly openingMin: number
  readonly isFresh: boolean
}

/** The steps of a cast in a workable order, its rolls one by one. */
export function legCastSteps(facts: CastFacts): readonly Step<LegCastStep>[] {
  const { options, isLong, isLowInjury, isPlaster, set, rolls, lapCm, ankleWords } = facts
  const wet = rollSteps({
    options,
    isLong,
    isLowInjury,
    isPlaster,
    set,
    rolls,
    lapCm,
    ankleWords,
    angles: heldAngles(facts),
    edge: hasStocking(options) ? 'stocking' : 'padding',
  })
  return [...drySteps(facts), ...wet, ...finishSteps(facts, wet.at(-1)?.id ?? 'bone-points')]
}

function drySteps({ clinicalCase, isLong, options, kneeWords, ankleWords }: CastFacts): readonly Step<LegCastStep>[] {
  const { side } = clinicalCase.injury
  const onStocking = hasStocking(options)
  const held: readonly LegCastStep[] = [
    ...(options['foot-hold'] === 'own-chest' ? [] : (['hold-foot'] as const)),
    ...(isLong ? (['hold-thigh'] as const) : []),
  ]
  return [
    ...openingSteps({
      side,
      holdsLong: true,
      compared: 'both legs',
      where: ['dorsal-foot-pulse'],
      position:
        options['foot-hold'] === 'own-chest'
          ? 'Stand so that the sole leans square against your chest.'
          : 'Stand on a step if the hold needs height.',
      chosen: { clinicalCase, options, supported: 'the thigh and the calf' },
      say: 'I wrap your leg in wet rolls all round. They get warm, then hard. Tell me at once if it is too hot or anything pinches.',
      layOut: `${onStocking ? 'stocking, ' : ''}padding, rolls in order, bucket of water with thermometer, shears, marker`,
    }),
    ...(options['foot-hold'] === 'own-chest'
      ? []
      : [
          makeStep({
            id: 'hold-foot',
            text: `A helper takes heel and forefoot and lifts ${isLong ? 'with the one at the knee' : 'the foot clear'}; held from now until it is hard, ankle ${ankleWords}.`,
            why: 'Let go of once, the foot drops and the break moves.',
            prevents: 'Movement at the fracture before anything holds it.',
            after: ['baseline'],
            minutes: [0.1, 0.2, 0.4] as const,
            hands: [],
            holds: {
              what: 'foot',
              from: 'hold-foot',
              to: 'hold-set',
              place: 'hold-distal',
              changes: [{ at: 'toe-grip', place: 'hold-distal' }],
            } as const,
            say: 'We lift your leg now and hold it until the cast is hard. Let it be heavy.',
            where: ['heel-instep'],
          }),
        ]),
    ...(isLong
      ? [
          makeStep({
            id: 'hold-thigh',
            text: `A helper on the far side lifts thigh and knee on flat hands, ${kneeWords}; held from now until it is hard.`,
            why: 'Lifted by the foot alone the break bends; the knee holder is a person of their own.',
            prevents: 'A break that bends, a sagging knee that cracks.',
            after: ['baseline'],
            minutes: [0.2, 0.4, 0.8] as const,
            hands: [],
            holds: {
              what: 'knee',
              from: 'hold-thigh',
              to: 'hold-set',
              place: 'hold-joint',
            } as const,
            say:
              options['foot-hold'] === 'own-chest'
                ? 'We lift your leg now and hold it until the cast is hard. Let it be heavy.'
                : 'Another pair of hands goes under your thigh.',
            where: ['mid-thigh'],
          }),
        ]
      : []),
    ...(onStocking
      ? [
          makeStep({
            id: 'stocking',
            text: 'Stocking on the lifted leg without a crease, started high, because it creeps down, and drawn past the toes.',
            why: 'A crease under plaster is a ridge for six weeks.',
            prevents: 'Sores from creases, a bare upper edge.',
            after: [...held, 'lay-out'],
            minutes: [0.5, 1, 2] as const,
            onPatient: true,
            say: 'The stocking goes on first.',
          }),
        ]
      : []),
    makeStep({
      id: 'padding',
      text: `Padding ${onStocking ? 'over the stocking' : 'from the top down, one turn left to fold back'}, unrolled outward, half overlap; more over malleoli, shin crest${isLong ? ', kneecap and condyles' : ' and fibular neck'}.`,
      why: 'Two even layers are the room for swelling; bone needs four.',
      say: 'The soft padding goes round your leg now.',
      prevents: 'A missed heel, an overpadded ankle, ridges, no room.',
      after: [...(onStocking ? (['stocking'] as const) : held.length > 0 ? held : (['baseline'] as const)), 'lay-out'],
      minutes: [2, 3, 5],
      onPatient: true,
      where: ['padding', 'malleoli', 'fibular-neck'],
    }),
    makeStep({
      id: 'bone-points',
      text: `Feel every bony point through the padding. Knee ${kneeWords}, ankle ${ankleWords}, thigh and foot on one axis: look now.`,
      why: 'What is wrong now is wrong for weeks.',
      prevents: 'A turned foot, a pressed nerve at the fibular neck.',
      say: 'It will get warm for some minutes; that is the setting. Too hot, and it comes off: say so.',
      after: ['padding', ...held],
      minutes: [0.3, 0.6, 1],
      confirm: `Rolling on the ${side?.toUpperCase() ?? 'injured'} leg`,
      where: ['malleoli', 'fibular-neck'],
    }),
  ]
}

/** Knee by its school's band, ankle at its angle, sole level. */
function heldAngles({ isLong, options, kneeDeg, ankleDeg }: CastFacts): readonly StepAngle[] {
  const knee = options['knee'] === 'thirty' ? kneeAngle(kneeDeg, 30, 40) : kneeAngle(kneeDeg, 15, 20)
  return [...(isLong ? [knee] : []), ...(ankleDeg === null ? [] : [ankleAngle(ankleDeg)]), footPlane]
}

function finishSteps(facts: CastFacts, lastShape: LegCastStep): readonly Step<LegCastStep>[] {
  const { isLong, isFresh, openingMin, options, set } = facts
  return [
    makeStep({
      id: 'hold-set',
      text: `Hold ${isLong ? 'knee and foot' : 'the foot'} without moving until it is hard to the knuckle, and no sooner than the clock. "Too hot" means: take it off.`,
      why: 'At the likely setting time half of all batches are still soft; the classic failure is a sagging knee that cracks.',
      prevents: 'A crack at the knee, a foot that drops in the last minute.',
      after: [lastShape],
      minutes: [2, 4, 8],
      ...(options['foot-hold'] === 'own-chest' && !isLong ? {} : { hands: ['apply'] as const }),
      angles: heldAngles(facts),
      timer: cureTimer(set.cureMin),
      where: [isLong ? 'knee' : 'ankle'],
    }),
    ...(isLong
      ? [
          makeStep({
            id: 'reinforce',
            text: 'Look at the knee: the figure-of-eight turns cross on both sides, no wrinkle behind.',
            why: 'The knee carries the whole lower leg.',
            prevents: 'A cast that breaks in two on the way to the ward.',
            after: ['hold-set'],
            minutes: [0.2, 0.4, 0.8] as const,
            where: ['knee'],
          }),
        ]
      : []),
    makeStep({
      id: 'trim',
      text: 'Trim until all toes are seen; run a finger round both edges.',
      why: 'Toes are the window for every later check.',
      prevents: 'Toes that nobody can look at, an edge that cuts.',
      after: [isLong ? 'reinforce' : 'hold-set'],
      minutes: [0.3, 0.7, 1.5],
      where: ['toe'],
    }),
    makeStep({
      id: 'transfer',
      text: `Set it down ${lowerWords}, lifted under thigh and calf; in open air, uncovered, no pillow or plastic until it is cool.`,
      say: 'We set your leg down now.',
      why: 'Heat that cannot leave burns; a soft cast dents on what it lies on.',
      prevents: 'Burns and heel sores.',
      after: ['trim'],
      minutes: [0.5, 1, 2],
      ...(isFresh
        ? { timer: { id: 'opening', label: 'Hard enough to open', minutes: openingMin, kind: 'wait', starts: 'done' } as const }
        : {}),
      moreTimers: [{ id: 'cool', label: 'Uncovered until cool', minutes: 30, kind: 'cooling', starts: 'shown' }],
      where: ['heel-instep'],
    }),
    closingCheck(['trim'], 'both legs', ['dorsal-foot-pulse', 'toe']),
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
            reads: 'knee' as const,
            text: 'Knee angle measured',
            why: 'It sets as it is held.',
            remedy: 'Still soft: correct it. Set: wedge or make it again.',
            where: ['knee'],
          },
        ]
      : []),
    {
      id: 'ankle-angle',
      reads: 'ankle',
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
