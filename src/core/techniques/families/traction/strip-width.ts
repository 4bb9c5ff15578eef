/** Width of a skin strip, cm (COMPUTATION 10). */
export const stripWidthCm = 7.5
