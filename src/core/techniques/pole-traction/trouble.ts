import { tractionTroubles } from '../shared/traction-troubles'

/** How the pull of this splint is given up. */
export const poleTractionRelease: readonly string[] = ['Hold the leg by hand, let the pole’s pull out, look again at once.']

/** What goes wrong with it. */
export const poleTractionTroubles = tractionTroubles(poleTractionRelease, 'ankle hitch')
