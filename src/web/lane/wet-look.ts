import type { WetPart, WetState } from '#core/runs/wet-now'

/** From this share of its time on a part is grey and goes to stone; before it, it goes from lime to grey. */
const greyShare = 0.25

/** A wetted part fades from lime over grey to stone as it sets. @param share of its time that is left, 1 to 0 */
export function wetFill(share: number): string {
  if (share <= 0) return 'var(--slab)'
  const mix = (of: string, with_: string, percent: number): string => `color-mix(in oklab, ${of} ${Math.round(percent)}%, ${with_})`
  return share > greyShare
    ? mix('var(--citrus)', 'var(--half-set)', ((share - greyShare) / (1 - greyShare)) * 100)
    : mix('var(--half-set)', 'var(--slab)', (share / greyShare) * 100)
}

/** The fill of a band of the drawing by what lies wet on it; stone where nothing does. */
export function fillOfBand(wet: readonly WetPart[] | undefined, band: string): string {
  return wetFill(wet?.find((one) => one.bands.includes(band))?.share ?? 0)
}

/** What a wet clock is about, without what its time says: `Roll 2 workable` is roll 2. */
export function wetName(label: string): string {
  return label.replace(/ (workable|setting)$/, '')
}

export const wetWords: Readonly<Record<WetState, string>> = { workable: 'workable', setting: 'setting soon', set: 'set, by the clock' }
