import type { Trouble } from '../../model/trouble'

/** The trouble that holds a run until somebody looked which limb it is on. */
export const wrongSideId = 'wrong-side'

/** What a technique can meet: its own troubles, and of the others those that it does not answer itself. */
export function troublesOf(own: readonly Trouble[]): readonly Trouble[] {
  return [...own, ...anyTroubles.filter(({ id }) => !own.some((trouble) => trouble.id === id))]
}

/** What any technique can meet, and what no list foresaw: each stands until a person says what became of it. */
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
    id: 'faints',
    danger: 'own',
    label: 'Faints, or feels sick',
    level: 'review',
    actions: [
      'Hands that hold a head, a limb or a pull stay; everybody else stops.',
      'Lay the patient flat, the spine in line where it is not cleared. Late pregnancy: tilted to the left.',
      'Breath, pulse, colour. Not breathing normally and no answer: press Something is wrong, arrest.',
      'About to vomit: press Something is wrong, vomiting.',
      'Go on only when they answer clearly; then look at the limb again.',
    ],
  },
  {
    id: 'let-go',
    danger: 'own',
    label: 'Whoever held let go of head, limb or pull',
    level: 'review',
    actions: [
      'Take the hold again at once, as it lies: nothing is bent, turned or pulled back.',
      'Ask and look: new pain, pulse, feeling, movement, against the last look.',
      'Anything new: stop, press what it is, and call.',
      'Nothing new: the one who holds says “I have it” before anybody goes on.',
    ],
  },
  {
    id: 'part-broken',
    danger: 'own',
    label: 'A part is bent, cracked or broken',
    level: 'review',
    actions: [
      'Hold by hand what that part held.',
      'Do not mend or tape it: take a whole one, or another device.',
      'No whole one here: the senior decides what holds instead. Keep the part, and report it.',
    ],
  },
  {
    id: 'slipped',
    danger: 'own',
    label: 'It has slipped or turned',
    level: 'review',
    actions: [
      'Hold by hand what it held, as it lies; nobody pulls it back over the injury.',
      'Pulse, feeling, movement, and the skin where it rubbed.',
      'Open it and put it on anew by its steps, or ask the senior; what has set is not bent back.',
    ],
  },
  {
    id: 'bites',
    danger: 'own',
    label: 'An edge bites',
    level: 'review',
    item: 'skin',
    actions: [
      'A finger under that edge: where exactly, how red? Nothing else is opened.',
      'Soft or padded: fold or pad that edge. Set: trim or turn it out; straps a little looser, and counted.',
      'Look at that skin again in 30 minutes. Broken skin, or still biting: the senior.',
    ],
  },
  {
    id: 'other',
    label: 'Something else',
    level: 'review',
    actions: ['Stop where the limb is safe. Say it aloud.', 'Call the senior; write down below what it is.'],
  },
]
