/** What hands, or a thing that was put there, carry until the device does. */
export const heldThings = [
  'head',
  'spine',
  'pull',
  'break',
  'knee',
  'thigh',
  'foot',
  'heel',
  'wrist',
  'patient-on-side',
  'patient-sitting',
  'gutter',
  'board',
  'device-open',
] as const
export type HeldThing = (typeof heldThings)[number]
