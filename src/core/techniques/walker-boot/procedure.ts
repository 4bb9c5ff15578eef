import type { ClinicalCase } from '../../model/clinical-case'
import type { OptionValues } from '../../planner/technique'
import type { FitTest } from '../../model/plan'
import type { Step } from '../../model/step'
import { makeStep } from '../shared/make-step'
import { closingCheck, openingSteps } from '../shared/opening-steps'
import type { WalkerBootStep } from './roles'

/** What the steps of a boot are told. */
export interface BootFacts {
  readonly clinicalCase: ClinicalCase
  readonly options: OptionValues
  readonly size: string
  /** What is ordered about weight, in words; null while nothing is. */
  readonly weightWords: string | null
  readonly mayStand: boolean
  readonly wedgeWords: string | null
  /** How many the boot carries. */
  readonly straps: number
}

/** The steps of a walker boot in a workable order. */
export function walkerBootSteps({
  clinicalCase,
  options,
  size,
  weightWords,
  mayStand,
  wedgeWords,
  straps,
}: BootFacts): readonly Step<WalkerBootStep>[] {
  const { side } = clinicalCase.injury
  return [
    ...openingSteps({
      side,
      compared: 'both feet',
      where: ['dorsal-foot-pulse'],
      position: 'Knee square, foot reachable, shoe and sock off. Ask about falls.',
      chosen: { clinicalCase, options, supported: 'the calf and the heel' },
      say: 'The boot holds your ankle. It must not rub anywhere and the toes must not touch the front: tell me.',
      layOut: `boot ${size}, seal tabs intact, spare pad${wedgeWords === null ? '' : ', wedges'}, walking aids`,
    }),
    ...(wedgeWords === null
      ? []
      : [
          makeStep({
            id: 'wedges',
            text: `Wedges under the heel as ordered: ${wedgeWords}.`,
            why: 'They keep the heel cord slack while it heals.',
            prevents: 'A cord stretched by a flat sole.',
            after: ['lay-out', 'identity'],
            minutes: [0.3, 0.6, 1] as const,
            confirm: `${wedgeWords}, read back`,
          }),
        ]),
    makeStep({
      id: 'heel-home',
      say: 'Your foot goes into the boot now, heel first.',
      text: 'Heel fully home; a helper slides the boot on when the leg cannot be loaded.',
      why: 'A heel that floats pushes the toes over the edge.',
      prevents: 'Toes over the front of the sole.',
      after: ['baseline', wedgeWords === null ? 'lay-out' : 'wedges'],
      minutes: [0.5, 1, 2],
      onPatient: true,
      confirm: `Boot on the ${side?.toUpperCase() ?? 'injured'} foot, heel home`,
      where: ['heel-instep'],
    }),
    makeStep({
      id: 'liner',
      say: 'I close the liner now. Tell me if it folds anywhere.',
      text: 'Liner closed without a crease.',
      why: 'A crease rubs at every step.',
      prevents: 'A blister over the shin.',
      after: ['heel-home'],
      minutes: [0.2, 0.4, 0.8],
    }),
    makeStep({
      id: 'straps',
      text: 'Straps from the toes to the top; the spare pad opened and threaded on the ankle strap. Ask at each strap: does anything cut?',
      say: 'I close the straps now. Does anything cut?',
      why: 'From the toes the heel stays home.',
      prevents: 'A buckle on the ankle bone.',
      straps: {
        order: 'given',
        straps: Array.from({ length: straps }, (_, index) => ({
          id: `strap-${index + 1}`,
          label: `Strap ${index + 1} from the toes`,
          slackCm: null,
        })),
      },
      after: ['liner'],
      minutes: [0.4, 0.8, 1.5],
      where: ['malleoli'],
    }),
    makeStep({
      id: 'stand',
      say: 'Now we see how it sits under the foot. Say where anything rubs.',
      text: mayStand
        ? `Stand, heel and sole felt under load; walk, heel down first: ${weightWords ?? 'as ordered'}. The curved sole reduces ankle movement.`
        : 'Seated, no weight: a palm presses up under the sole, heel home, sole flat, nothing rubs. With the walking aids.',
      why: mayStand ? 'It fits standing or it does not fit.' : 'Weight is not ordered.',
      prevents: mayStand ? 'A boot sent home that nobody has walked in.' : 'A step that nobody ordered.',
      after: ['straps'],
      minutes: [1, 2, 4],
    }),
    makeStep({
      id: 'toes',
      text: 'Toes inside and seen.',
      why: 'Over the edge they catch and break.',
      prevents: 'A second fracture on the stairs.',
      reads: [{ id: 'boot-sole-length', label: 'Boot sole, inside length', wanted: '0.5 to 1.5 cm more than the foot' }],
      after: ['stand'],
      minutes: [0.1, 0.2, 0.4],
      where: ['toe'],
    }),
    makeStep({
      id: 'fix-tabs',
      text: 'Fix the tabs, last of all: they make it this patient’s. The patient takes it off and puts it on alone.',
      why: 'At home nobody else will.',
      prevents: 'A boot worn for a week without a look at the skin.',
      after: ['toes'],
      minutes: [1, 2, 4],
    }),
    closingCheck(['toes'], 'both feet', ['dorsal-foot-pulse', 'toe']),
  ]
}

/** What to look at on the closed boot. */
export const walkerBootFit: readonly FitTest[] = [
  {
    id: 'toe-margin',
    text: 'Half to one and a half centimetres in front of the toes',
    why: 'Less and they stub, more and it trips.',
    remedy: 'The next size.',
    where: ['toe'],
  },
  {
    id: 'friction',
    text: 'No friction point',
    why: 'It blisters within an hour.',
    remedy: 'Move the pad, close the liner again.',
    where: ['malleoli', 'heel-instep'],
  },
  {
    id: 'heel',
    text: 'Heel home',
    why: 'Floating it pushes the toes forward.',
    remedy: 'Open, slide, straps from the toes.',
    where: ['heel-instep'],
  },
]

/** Care in words. */
export const walkerBootCare: readonly string[] = [
  'Skin every day; off only as allowed, and for washing.',
  'Weight only as ordered by name.',
  'Other shoe raised to the same height.',
  'Numb or blue toes, calf pain or breathlessness: call at once.',
]
