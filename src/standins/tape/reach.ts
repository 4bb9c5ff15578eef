/** Longest reading that the tape can give, cm. */
export const tapeReachCm = 150
