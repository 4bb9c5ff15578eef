import { tractionTroubles } from '../families/traction/traction-troubles'

/** How the pull of this splint is given up. */
export const suspendedRingTractionRelease: readonly string[] = ['Lift the counterweight by hand, the leg in line by hand.']

/** What goes wrong with it. */
export const suspendedRingTractionTroubles = tractionTroubles({
  release: suspendedRingTractionRelease,
  grip: 'skin strips',
  hasCord: true,
  hasWeights: true,
})
