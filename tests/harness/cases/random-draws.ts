import { mulberry32 } from '#core/figures/crew/draws'

/** Seeded draws between two bounds, so that a failing case comes again. */
export function makeDraws(seed: number): (least: number, greatest: number) => number {
  const random = mulberry32(seed)
  return (least, greatest) => least + random() * (greatest - least)
}
