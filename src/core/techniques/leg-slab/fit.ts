import type { FitTest } from '../../model/plan'
import type { Extent } from './options'

/** What to look at on the finished slab, with what to do when it is not so. */
export function legSlabFit(extent: Extent): readonly FitTest[] {
  const isAbove = extent === 'above-knee'
  return [
    {
      id: 'toes-seen',
      text: 'All toe tips seen',
      why: 'They are the window for every round.',
      remedy: 'Trim the end back.',
      where: ['toe'],
    },
    { id: 'little-toe', text: 'Little toe free', why: 'It is pressed first.', remedy: 'Fold or cut the corner.', where: ['toe'] },
    {
      id: 'fibular-neck',
      text: 'Two fingers clear at the fibular neck',
      why: 'The nerve that lifts the foot lies on bone there.',
      remedy: 'Fold or trim the edge away.',
      where: ['fibular-neck'],
    },
    isAbove
      ? {
          id: 'upper-edge',
          text: 'Upper edge clear of the groin and the sit bone',
          why: 'An edge there cuts when the hip bends.',
          remedy: 'Turn the edge back and pad it.',
          where: ['mid-thigh'],
        }
      : {
          id: 'upper-edge',
          text: 'Upper edge clear of the knee crease at 90°',
          why: 'An edge in the crease cuts when the knee bends.',
          remedy: 'Trim 2 cm and turn the padding over.',
          where: ['below-knee'],
        },
    {
      id: 'no-dent',
      text: 'No dent anywhere',
      why: 'A dent presses for as long as the slab is worn.',
      remedy: 'Cut the dent out or make the slab again.',
      where: ['slab'],
    },
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
      text: 'Edges not meeting at the front',
      why: 'The open front is the room for swelling and the release line.',
      remedy: 'Trim the edges back.',
      where: ['slab'],
    },
  ]
}

/** Care in words, as given to the patient and the ward. */
export const legSlabCare: readonly string[] = [
  'No weight through the slab.',
  'Limb at heart level while resting; toes moved every hour while awake.',
  'Keep it dry; nothing is pushed down inside it.',
  'More pain, numb or blue toes, a tight feeling, a smell or a wet patch: come back or call, day or night.',
  'Calf pain or breathlessness: call at once.',
]
