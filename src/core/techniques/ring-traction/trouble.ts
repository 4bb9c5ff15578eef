import { tractionTroubles } from '../families/traction/traction-troubles'

/** How the pull of this splint is given up. */
export const ringTractionRelease: readonly string[] = ['Pay the cord out, the leg in line by hand.']

/** What goes wrong with it. */
export const ringTractionTroubles = tractionTroubles({
  release: ringTractionRelease,
  grip: 'skin strips',
  hasCord: true,
  hasWeights: false,
})
