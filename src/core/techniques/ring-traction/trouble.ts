import { tractionTroubles } from '../families/traction/traction-troubles'

/** How the pull of this splint is given up. */
export const ringTractionRelease: readonly string[] = ['Ease the cord a hand’s breadth, hold the leg by hand, look again at once.']

/** What goes wrong with it. */
export const ringTractionTroubles = tractionTroubles({
  release: ringTractionRelease,
  grip: 'skin strips',
  hasCord: true,
  hasWeights: false,
})
