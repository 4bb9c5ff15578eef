import type { Trouble } from '../../model/trouble'

/** What every limb that lost its pulse needs, after the device's own release. */
export function lostPulse(release: readonly string[]): Trouble {
  return {
    id: 'lost-pulse',
    label: 'Pulse lost, or the limb cold and pale',
    level: 'urgent',
    item: 'pulse',
    actions: [
      ...release,
      'Ease any bend that the device holds, one person supporting the limb; nobody pulls a fracture straight.',
      'Limb at heart level, not above. Nothing by mouth. Correct a low blood pressure.',
      'Call the senior now; look again within 15 minutes. Not settled at 30: a surgical decision.',
    ],
  }
}

/** New numbness or weakness in a limb. */
export function newNumbness(release: readonly string[]): Trouble {
  return {
    id: 'new-numbness',
    label: 'New numbness, tingling or weakness',
    level: 'urgent',
    item: 'feeling',
    actions: ['Stop. Move nothing further.', ...release, 'Compare with the baseline, both sides, and record it.', 'Call the senior now.'],
  }
}

/** Pain that is more than the injury explains. */
export function painRising(release: readonly string[]): Trouble {
  return {
    id: 'pain-rising',
    label: 'Pain rising, or worse when toes or fingers are stretched',
    level: 'urgent',
    item: 'painBeyondExpected',
    actions: [
      'Think of the compartment first, not of more analgesia.',
      ...release,
      'Heart level; call the senior now; look again within 15 minutes.',
    ],
  }
}

/** "Too hot", for whatever sets. */
export const tooHot: Trouble = {
  id: 'too-hot',
  label: 'The patient says it is too hot',
  level: 'urgent',
  danger: 'burn',
  item: 'skin',
  actions: [
    'Take it off at once: unwind the bandage, lift it away. Do not wait for it to set.',
    'Cool the skin with running water; look for redness that stays.',
    'Start again with cooler water, fewer layers, bare to the air. Record what the skin looks like.',
  ],
}

/** Ran out while applying. */
export function shortOfMaterial(meanwhile: string): Trouble {
  return {
    id: 'short-of-material',
    label: 'Short of material',
    level: 'none',
    actions: [
      meanwhile,
      'Send the one who fetches; nobody who holds leaves the hold.',
      'Nothing else at hand: say so, and choose another technique with the senior.',
    ],
  }
}

/** Breathing trouble in anybody who lies flat or wears something round neck or trunk. */
export function breathless(release: readonly string[]): Trouble {
  return {
    id: 'breathless',
    label: 'Breathless, or noisy breathing',
    level: 'urgent',
    item: 'breathing',
    actions: [
      ...release,
      'Airway first: suction, oxygen, call for help.',
      'Look again at what lies round neck and chest before it is closed again.',
    ],
  }
}

/** A patient who vomits with the spine not cleared. */
export const vomiting: Trouble = {
  id: 'vomiting',
  danger: 'vomiting',
  label: 'Vomiting',
  level: 'urgent',
  item: 'breathing',
  actions: [
    'Turn the whole patient as one piece on the word of the one at the head; suction.',
    'Open the collar only while the head is held.',
    'Baseline again on all four limbs when settled.',
  ],
}

/** Nobody breathes or has a pulse any more. */
export function arrest(release: readonly string[]): Trouble {
  return {
    id: 'arrest',
    danger: 'arrest',
    label: 'Cardiac arrest, or no breathing',
    level: 'urgent',
    item: 'breathing',
    actions: [
      'Flat on something firm; compress at once. The next calls the arrest team.',
      ...release,
      'What is on the limb waits; nobody leaves the compressions for it.',
    ],
  }
}

/**
 * What goes wrong with the whole patient while a limb is worked on, whatever is put on it.
 * @param safe how what has been begun is left safe when the patient fights it
 */
export function wholePatient(safe: string): readonly Trouble[] {
  return [
    arrest([]),
    breathless(['Up with the head end, or turned from face down; what is on the limb waits, its holder goes along.']),
    {
      id: 'vomiting',
      label: 'Vomiting',
      level: 'review',
      actions: [
        'On the side, head low, the limb carried along by its holder; suction.',
        'Look at the breathing before anything goes on.',
        'What was held is looked at again: angle, hold, set.',
      ],
    },
    fightsIt(safe),
  ]
}

/** A patient who pulls, kicks or tears at it. */
export function fightsIt(safe: string): Trouble {
  return {
    id: 'fights-it',
    label: 'The patient fights it',
    level: 'review',
    actions: [
      'Hands off what hurts; one voice, one hand on the shoulder.',
      safe,
      'Look for the cause: pain, breath, full bladder, confusion, fear. Then begin again or leave it.',
    ],
  }
}

/** A helper has to leave, or a hold slipped. */
export function holdLost(what: string, afterwards: string): Trouble {
  return {
    id: 'hold-lost',
    label: `${what} slipped or was let go`,
    level: 'warn',
    actions: [
      'Say it aloud. Take the hold again where it was, without pulling.',
      afterwards,
      'Circulation, feeling and movement again, and record it.',
    ],
  }
}

/** The patient wants it to stop. */
export const wantsToStop: Trouble = {
  id: 'wants-to-stop',
  label: 'The patient wants to stop',
  level: 'none',
  actions: [
    'Stop where the limb is safe to leave; ask what it is: pain, heat, fear, breath.',
    'Explain what happens without it, and what else can be done. Their decision counts.',
    'Write down what was explained, the alternative, the safety net and who was told.',
  ],
}
