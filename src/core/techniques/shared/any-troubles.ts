import type { Trouble } from '../../model/trouble'

/** The trouble that holds a run until somebody looked which limb it is on. */
export const wrongSideId = 'wrong-side'

/** What any technique can meet: the wrong side, and what no list foresaw; both stand until a person says what became of them. */
export const anyTroubles: readonly Trouble[] = [
  {
    id: wrongSideId,
    danger: 'own',
    label: 'Wrong side, wrong patient or wrong part',
    level: 'urgent',
    actions: [
      'Stop. Leave the limb safe; take nothing off yet that holds a fracture or a neck.',
      'Look where it is, and what is hurt: patient, film, order. Say both under Apply.',
      'On the wrong one it comes off, step by step; then everything begins again on the right one.',
    ],
  },
  {
    id: 'other',
    label: 'Something else',
    level: 'review',
    actions: ['Stop where the limb is safe. Say it aloud.', 'Call the senior; write down below what it is.'],
  },
]
