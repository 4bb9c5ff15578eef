/**
 * Every kind of danger that something wrong can be: what is done about it follows from this, never from the device or the screen.
 * `own` is a trouble whose own list of steps answers it.
 */
export const dangers = [
  'arrest',
  'breathing',
  'slow-breathing',
  'vomiting',
  'cord',
  'limb',
  'pain',
  'circulation',
  'mind',
  'pull-lost',
  'point',
  'skin',
  'burn',
  'own',
  'clot',
  'infection',
  'belly',
  'cover',
] as const
export type Danger = (typeof dangers)[number]

/** What a device holds: that decides what a hand takes before it is opened. */
export const heldParts = ['head', 'spine', 'pull', 'break'] as const
export type Held = (typeof heldParts)[number]

/** How the patient is when something turns: what is safe next follows from it. */
export type Posture = 'lying' | 'upright' | 'half-turned'
