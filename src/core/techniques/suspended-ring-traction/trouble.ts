import { tractionTroubles } from '../families/traction/traction-troubles'

/** How the pull of this splint is given up. */
export const suspendedRingTractionRelease: readonly string[] = [
  'Take the counterweight’s load by hand and ease the cord; look again at once.',
]

/** What goes wrong with it. */
export const suspendedRingTractionTroubles = tractionTroubles({
  release: suspendedRingTractionRelease,
  grip: 'skin strips',
  hasCord: true,
  hasWeights: true,
})
