import type { Trouble } from '../../../model/trouble'
import { breathless, lostPulse, newNumbness, shortOfMaterial, wantsToStop, wholePatient } from '../../shared/troubles'

const grips = {
  'ankle hitch': { label: 'The ankle hitch slips or bites', again: 'Pad the hitch and place it again, lower and flat.' },
  'skin strips': { label: 'The skin strips slip or bite', again: 'Fresh strips, padded over the ankle, lower and flat.' },
} as const

/**
 * What goes wrong in traction, whatever the splint.
 * @param release how this splint gives up its pull
 * @param grip where the pull holds on the leg
 */
export function tractionTroubles(release: readonly string[], grip: keyof typeof grips): readonly Trouble[] {
  return [
    lostPulse(release),
    newNumbness(release),
    {
      id: 'pull-lost',
      danger: 'pull-lost',
      label: 'The pull was let go',
      level: 'urgent',
      actions: [
        'Take it by hand at once, along the leg, smoothly; say it aloud.',
        'Build it up again from the beginning, pain asked before and after.',
        'Pulse, feeling and movement again; record it.',
      ],
    },
    {
      id: 'pain-worse',
      label: 'Pain worse with the pull',
      level: 'urgent',
      item: 'painBeyondExpected',
      actions: [
        'Hold the pull where it is; no more.',
        'Look for hip, pelvis, knee or ankle hurt as well: then ease the pull and support the leg.',
        'Pain block, call the senior.',
      ],
    },
    {
      id: 'grip-slips',
      label: grips[grip].label,
      level: 'warn',
      actions: ['Take the pull by hand before anything is opened.', grips[grip].again, 'Hand the pull over again only when it holds.'],
    },
    ...wholePatient('Hands keep the pull, along the leg; nobody lets go to hold the patient down.').map((one) =>
      one.id === 'breathless' ? breathless(['Head end up, spine in line; the pull stays on by hand.']) : one,
    ),
    shortOfMaterial('Hands keep the pull; splint to the other leg if nothing comes.'),
    wantsToStop,
  ]
}
