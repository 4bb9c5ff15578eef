import { tractionTroubles } from '../shared/traction-troubles'

/** How the pull of this splint is given up. */
export const frameTractionRelease: readonly string[] = ['Take the pull by hand, let the ratchet out, look again at once.']

/** What goes wrong with it. */
export const frameTractionTroubles = tractionTroubles(frameTractionRelease, 'ankle hitch')
