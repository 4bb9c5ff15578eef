import type { ClinicalCase } from '../../model/clinical-case'
import { isOrdered } from '../../model/orders'
import type { OptionValues } from '../../planner/technique'
import type { FitTest } from '../../model/plan'
import type { Step, StepReading, StepStrap } from '../../model/step'
import { hingeMoments } from '../../figures/body/measurements/brace'
import { makeStep } from '../shared/make-step'
import { closingCheck, openingSteps } from '../shared/opening-steps'
import type { BraceStops } from './stops'
import type { HingedKneeBraceStep } from './roles'

/** The rear or the front part of each strap, from the top. */
function strapsNamed(place: 'rear' | 'front', count: number): readonly StepStrap[] {
  return Array.from({ length: count }, (_, index) => ({
    id: `${place}-${index + 1}`,
    label: `${place === 'rear' ? 'Rear' : 'Front'} part of strap ${index + 1}`,
    slackCm: null,
  }))
}

/** What the steps of a brace are told. */
export interface BraceFacts {
  readonly clinicalCase: ClinicalCase
  readonly options: OptionValues
  readonly stops: BraceStops
  /** How many the stocked brace carries. */
  readonly straps: number
}

/** Where the hinge sits at a step. */
function offsets(id: (typeof hingeMoments)[number]['id'], posture?: string): readonly StepReading[] {
  return hingeMoments
    .filter((moment) => moment.id === id)
    .flatMap(({ forward, up, words }) => [
      { id: forward.id, label: `Hinge forward of its point${words ? `, ${words}` : ''}`, wanted: '0 cm; slides over 1.5 cm are too much' },
      { id: up.id, label: `Hinge above its point${words ? `, ${words}` : ''}`, wanted: '0 cm' },
    ])
    .map((one) => ({ ...one, ...(posture ? { posture } : {}) }))
}

/**
 * The steps of a hinged knee brace in a workable order.
 * @param straps how many the stocked brace carries, each with a rear and a front part
 */
export function kneeBraceSteps({ clinicalCase, options, stops, straps }: BraceFacts): readonly Step<HingedKneeBraceStep>[] {
  const { side } = clinicalCase.injury
  const mayWalk = isOrdered(clinicalCase.orders.weight)
  const settings = `${stops.extensionDeg}° and ${stops.flexionDeg}°, ${stops.lockWords}`
  return [
    ...openingSteps({
      side,
      compared: 'both legs',
      where: ['dorsal-foot-pulse'],
      position: 'Knee straight: lying, or seated with the heel on a second seat.',
      chosen: { clinicalCase, options, supported: 'the heel and the thigh' },
      say: 'A frame with two hinges goes round your knee. It is snug, never numb: tell me if the foot tingles.',
      layOut: 'brace, straps folded on themselves, shears, marker',
    }),
    makeStep({
      id: 'open',
      say: 'The brace slides under your leg now.',
      text: 'Open every lock and widen the frame beyond the leg; then open it flat under the leg, straps folded on themselves.',
      why: 'A frame that is too narrow is pushed over the knee; hook-and-loop catches everything it touches.',
      prevents: 'A knee bent by the brace, straps stuck to the skin.',
      after: ['baseline', 'lay-out'],
      minutes: [0.4, 0.7, 1.3],
      onPatient: true,
    }),
    makeStep({
      id: 'hinges',
      say: 'The frame lies beside your knee now.',
      text: 'Hinges over the condyles: about 2 cm above the joint line, 60 % of the way back.',
      why: 'The knee turns there; a hinge elsewhere pistons.',
      prevents: 'A brace that slides down and pulls at the knee.',
      after: ['open'],
      minutes: [0.5, 1, 2],
      reads: offsets('before'),
      confirm: `Hinges over the turning point, ${side?.toUpperCase() ?? 'injured'} knee`,
      where: ['hinge'],
    }),
    makeStep({
      id: 'bars',
      text: 'Bars out to their length, lock them; a fine offset is allowed.',
      why: 'Long bars hold, short ones tip.',
      prevents: 'A brace that levers at the thigh.',
      after: ['hinges'],
      minutes: [0.5, 1, 2],
      where: ['bar-upper', 'bar-lower'],
    }),
    makeStep({
      id: 'buckles',
      text: 'Buckles and clips: pull out, turn, seat; both sides read back.',
      why: 'They keep the frame still while the straps are set; a clip that only looks seated opens at the first step.',
      prevents: 'A hinge that wanders.',
      after: ['bars'],
      minutes: [0.2, 0.4, 0.8],
    }),
    makeStep({
      id: 'rear-straps',
      straps: { order: 'any', straps: strapsNamed('rear', straps) },
      text: 'Rear straps first, each locked once it is snug, not so tight that the hinge is drawn back; off the fibular neck. Look at the hinge again: what drew it is loosened here.',
      say: 'I close the straps behind your leg now.',
      why: 'They set where the hinge sits.',
      prevents: 'A hinge behind the knee, a foot drop.',
      after: ['buckles'],
      minutes: [0.4, 0.8, 1.5],
      reads: offsets('rear'),
      where: ['fibular-neck'],
    }),
    makeStep({
      id: 'front-straps',
      straps: { order: 'any', straps: strapsNamed('front', straps) },
      text: 'Front straps, from the knee outward. Look at the hinge again: what drew it is loosened here.',
      say: 'Now the straps in front. Tell me if the foot tingles.',
      why: 'They close the frame on the leg.',
      prevents: 'A gap at the thigh.',
      after: ['rear-straps'],
      minutes: [0.4, 0.8, 1.5],
      reads: offsets('front'),
    }),
    makeStep({
      id: 'trim',
      text: 'Trim a strap that fouls a bar, refit its end tab.',
      why: 'An overlong end lifts the tab.',
      prevents: 'A strap that opens on the stairs.',
      after: ['front-straps'],
      minutes: [0.5, 1, 2],
      optional: true,
    }),
    makeStep({
      id: 'stops',
      text: stops.isOrdered
        ? `Stops, the same on both sides: ${settings}. Each clip pulled, turned and seated; a drop lock pressed down.`
        : `Stop here until an order is entered: who, when, stops, lock. The example says ${settings}.`,
      why: 'Unequal stops twist the knee.',
      prevents: 'A repair torn at the first bend.',
      after: ['front-straps'],
      minutes: [0.4, 0.8, 1.5],
      ...(stops.isOrdered ? {} : { waitsFor: 'Enter the order for the stops: who, when, both stops, lock.' }),
      confirm: stops.isOrdered ? `Both sides ${settings}, read back` : 'An order is entered and read back',
      where: ['hinge'],
    }),
    makeStep({
      id: 'lift-toes',
      text: 'Ask for toes and ankle lifted.',
      why: 'A strap on the fibular neck stops the foot from lifting.',
      prevents: 'A foot drop found next week.',
      after: ['stops'],
      minutes: [0.2, 0.3, 0.5],
      where: ['fibular-neck'],
    }),
    closingCheck(['lift-toes'], 'both legs', ['dorsal-foot-pulse', 'toe']),
    makeStep({
      id: 'walk',
      say: 'Now we see how it sits when you move. Hold on to me; say when anything slips or pinches.',
      text: mayWalk
        ? 'Stand and walk as ordered, then look at the hinge again.'
        : 'No weight: none is ordered. Sit, bend within the stops, look at the hinge again.',
      why: 'It slips with the first steps or not at all.',
      prevents: 'A brace round the shin by noon.',
      reads: offsets('after', mayWalk ? 'Standing, after walking' : 'Seated, after bending within the stops'),
      after: ['after-check'],
      minutes: [1, 2, 4],
      optional: !mayWalk,
      where: ['hinge'],
    }),
  ]
}

/** What to look at on the closed brace. */
export const kneeBraceFit: readonly FitTest[] = [
  {
    id: 'hinge',
    text: 'Hinge on centre after standing',
    why: 'Off centre it pistons.',
    remedy: 'Open, move, close: rear straps first.',
    where: ['hinge'],
  },
  {
    id: 'pulse',
    text: 'Foot pulse',
    why: 'A tight upper strap stops it.',
    remedy: 'Loosen the thigh straps.',
    where: ['dorsal-foot-pulse'],
  },
  { id: 'slip', text: 'No slip', why: 'Slipped it holds the shin.', remedy: 'Calf strap firmer, liner dry.', where: ['bar-lower'] },
  {
    id: 'fibular',
    text: 'Strap off the fibular neck',
    why: 'The nerve that lifts the foot lies there.',
    remedy: 'Move the strap.',
    where: ['fibular-neck'],
  },
]

/** Care in words. */
export const kneeBraceCare: readonly string[] = [
  'Looked at again after walking and after a night.',
  'Stops changed only on order, both sides alike.',
  'No weight unless it is ordered by name.',
  'Numb foot, toes that do not lift, calf pain or breathlessness: call at once.',
]
