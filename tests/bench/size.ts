/** Whether a bench only has to show that it starts and ends (`npm run bench -- --smallest`): its figures say nothing then. */
export const isSmallest = process.env['WREN_BENCH'] === 'smallest'

/** Whether it is measured over the past of a large hospital (`npm run bench -- --long`). */
export const isLong = process.env['WREN_BENCH'] === 'long'

/**
 * How much of something is measured: as much as a figure needs, or the least with which the bench still runs through.
 * @param long what is measured under `npm run bench -- --long`, where that is more
 */
export function sized(full: number, smallest: number, long = full): number {
  return isSmallest ? smallest : isLong ? long : full
}
