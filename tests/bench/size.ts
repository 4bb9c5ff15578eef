/** Whether a bench only has to show that it starts and ends (`npm run bench -- --smallest`): its figures say nothing then. */
export const isSmallest = process.env['WREN_BENCH'] === 'smallest'

/** How much of something is measured: as much as a figure needs, or the least with which the bench still runs through. */
export function sized(full: number, smallest: number): number {
  return isSmallest ? smallest : full
}
