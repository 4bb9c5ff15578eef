import type { Trouble } from '../../model/trouble'

/** What any technique can meet: the wrong side, and what no list foresaw; both stand until a person says what became of them. */
export const anyTroubles: readonly Trouble[] = [
  {
    id: 'wrong-side',
    danger: 'own',
    label: 'Wrong side, wrong patient or wrong part',
    level: 'urgent',
    actions: [
      'Stop. Leave the limb safe; take nothing off yet that holds a fracture or a neck.',
      'Read name, second identifier and side aloud; look at the patient, the film and the order.',
      'Call the clinician: the side is changed in Size up, with its reason, and everything is checked afresh.',
    ],
  },
  {
    id: 'other',
    label: 'Something else',
    level: 'review',
    actions: ['Stop where the limb is safe. Say it aloud.', 'Call the senior; write down below what it is.'],
  },
]
