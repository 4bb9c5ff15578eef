/** Width of a skin strip, cm. */
export const stripWidthCm = 7.5
