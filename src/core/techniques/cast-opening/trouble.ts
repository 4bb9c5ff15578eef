import { lostPulse, newNumbness, painRising, wantsToStop, wholePatient } from '../shared/troubles'
import type { Trouble } from '../../model/trouble'

/** How an opened cast is opened further. */
export const castOpeningRelease: readonly string[] = ['Padding cut to the skin, whole length, spread wide; no re-wrap until settled.']

/** What goes wrong while a cast is opened. */
export const castOpeningTroubles: readonly Trouble[] = [
  lostPulse(castOpeningRelease),
  newNumbness(castOpeningRelease),
  painRising(castOpeningRelease),
  {
    id: 'blade-hot',
    label: 'The blade is hot',
    level: 'none',
    actions: ['Stop and lift it out. Let it cool two minutes, or change the blade.', 'Shorter touches; press in, lift out, step along.'],
  },
  {
    id: 'smells-burning',
    label: 'It smells of burning',
    danger: 'skin',
    level: 'review',
    item: 'skin',
    actions: [
      'Blade out at once. Ask whether it is hot, and whether it hurts.',
      'Look through the cut at padding and skin; a burn: cool with running water, and say so.',
      'A cool blade and a new place, or shears; press in, lift out, never draw along.',
    ],
  },
  {
    id: 'skin-cut',
    danger: 'skin',
    label: 'Skin cut or burnt',
    level: 'review',
    item: 'skin',
    actions: [
      'Stop. Lift the cast off that place, look, press on bleeding.',
      'Cool a burn with running water, dress it, tell the patient.',
      'Record place and size, and an incident; go on with shears.',
    ],
  },
  {
    id: 'saw-fails',
    label: 'The saw fails',
    level: 'none',
    actions: ['Shears, or soak and unwrap plaster.', 'Urgent: two people, both sides, do not wait for another saw.'],
  },
  ...wholePatient('Blade out and off at once; shears, when it is calm.'),
  wantsToStop,
]
