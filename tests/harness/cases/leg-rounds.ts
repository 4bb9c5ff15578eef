/** What was found on a limb, as a check file writes it. */
export type Limb = Record<string, unknown>

const wellLeg: Limb = {
  limb: 'leg',
  colour: 'pink',
  warmth: 'warm',
  refillS: 1.5,
  pulse: 'present',
  movement: { 'deep-peroneal': 'full', 'superficial-peroneal': 'full', tibial: 'full' },
  feeling: { 'deep-peroneal': 'normal', 'superficial-peroneal': 'normal', tibial: 'normal' },
}

/**
 * A complete round of both legs, the left one injured, all well but for what differs on the injured one; of movement and feeling only the
 * nerves named differ.
 */
export function legRound(atMin: number, change: Limb = {}): { atMin: number; limbs: Limb[] } {
  const injured: Limb = { ...wellLeg, side: 'left', swelling: 'mild', restPain: 3, stretchPain: false, tight: false }
  for (const [field, value] of Object.entries(change)) {
    const isNerves = field === 'movement' || field === 'feeling'
    injured[field] = isNerves ? { ...(injured[field] as object), ...(value as object) } : value
  }
  return { atMin, limbs: [injured, { ...wellLeg, side: 'right' }] }
}
