import type { ClinicalCase } from '../../model/clinical-case'
import type { SettingMaterial } from '../../model/setting-material'
import { ankleOptions } from '../families/slab/ankle'
import { positionOption, suppliesOption } from '../../planner/shared-options'
import type { TechniqueOption } from '../../planner/technique'

/** Options of the leg cast; the first value of each is the default. */
export const legCastOptions: readonly TechniqueOption[] = [
  {
    id: 'extent',
    label: 'Extent',
    default: () => 'long',
    values: [
      { id: 'long', label: 'Long, to the groin', why: 'Shaft and plateau: the knee is held, so that the fracture cannot turn.' },
      { id: 'short', label: 'Short, below the knee', why: 'Ankle and lowest shin, once the joint above may move.' },
    ],
  },
  {
    id: 'order',
    label: 'Order of rolling',
    default: () => 'lower-part-first',
    values: [
      {
        id: 'lower-part-first',
        label: 'Lower part first',
        why: 'Ankle, shin, knee, thigh: each is moulded before it sets, and the hard part below carries the knee.',
      },
      {
        id: 'from-the-injury',
        label: 'From the injury',
        why: 'Two rolls over the break first, then up and down from it; slow plaster and cool water.',
      },
      { id: 'in-one', label: 'In one', why: 'Quick hands and enough holders: every layer bonds from toes to groin.' },
    ],
  },
  {
    id: 'knee',
    label: 'Knee',
    default: () => 'slight',
    values: [
      { id: 'slight', label: 'Slight bend', why: '15–20°: walks on crutches with the foot clear of the floor behind.' },
      { id: 'thirty', label: '30 to 40°', why: 'Teams who want turning of the shin locked, and no weight tempted.' },
    ],
  },
  ...ankleOptions,
  {
    id: 'foot-hold',
    label: 'Foot held by',
    default: () => 'helper',
    values: [
      { id: 'helper', label: 'Helper', why: 'Both hands of the applier stay free for rolling and moulding.' },
      {
        id: 'own-chest',
        label: 'Own chest',
        why: 'Alone with a short cast, in two with a long one: the sole leans square against the applier.',
      },
    ],
  },
  {
    id: 'water',
    label: 'Water',
    default: () => 'drain',
    values: [
      { id: 'drain', label: 'Drain', why: 'Held up until it stops running: creamy, bonds well, sets a little slower.' },
      { id: 'press-out', label: 'Press out', why: 'Less water: sets sooner, for quick rollers.' },
    ],
  },
  {
    id: 'padding',
    label: 'Padding',
    default: () => 'half-overlap',
    values: [
      { id: 'half-overlap', label: 'Half overlap', why: 'From the top down, with a turn left at the top to fold back.' },
      { id: 'stocking-and-padding', label: 'Stocking and padding', why: 'A soft edge at both ends and a smooth layer on the skin.' },
    ],
  },
  {
    id: 'material',
    label: 'Material',
    default: usualMaterial,
    values: [
      {
        id: 'plaster-slow',
        label: 'Plaster, slow',
        why: 'The time that eight rolls need: at 22 °C 94 of 100 adult casts are shaped before it sets.',
      },
      {
        id: 'plaster-fast',
        label: 'Plaster, fast',
        why: 'Few rolls and cool water, as for a small child; of eight rolls at 22 °C 14 of 100 are in time.',
      },
      {
        id: 'fibreglass-roll',
        label: 'Fibreglass roll',
        why: 'Light and strong within half an hour; it springs back and sets soonest: for short casts and sure hands.',
      },
    ],
  },
  suppliesOption,
  positionOption,
]

/**
 * The quickest material by which nine of ten casts are shaped in time, from the odds of the slow decision: what counts is the first part,
 * foot and ankle. A small foot takes one roll, and then fast plaster is in time in water of 18 °C or less; two rolls are not.
 */
export function usualMaterial({ patient, environment }: ClinicalCase): SettingMaterial {
  const isOneRoll = (patient.ageYears ?? Infinity) < smallFootYears
  return isOneRoll && environment.waterC <= fastWaterC ? 'plaster-fast' : 'plaster-slow'
}

/** Under this age one roll covers the foot. */
const smallFootYears = 10
/** The warmest water in which fast plaster leaves time for a part of two rolls, °C. */
const fastWaterC = 18

/** Knee angle by school, degrees of bend. */
export const kneeDeg: Readonly<Record<string, number>> = { slight: 18, thirty: 30 }
