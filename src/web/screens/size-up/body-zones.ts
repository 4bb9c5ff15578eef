import type { Region, Side } from '#core/case/vocabulary'

export const bodyViews = ['front', 'back', 'side'] as const
export type BodyView = (typeof bodyViews)[number]

/** One part of the chart that can be tapped; 300 × 470 units, a unit being about a pixel. */
export interface BodyZone {
  readonly region: Region
  /** Null for neck and trunk. */
  readonly side: Side | null
  readonly x: number
  readonly y: number
  readonly width: number
  readonly height: number
  readonly radius: number
}

const leg: readonly (readonly [Region, number, number, number, number])[] = [
  ['thigh', 222, 62, 58, 20],
  ['knee', 286, 44, 50, 22],
  ['lower-leg', 332, 52, 46, 18],
  ['ankle', 386, 44, 44, 20],
  ['foot', 432, 36, 56, 16],
]
const arm: readonly (readonly [Region, number, number, number, number])[] = [
  ['forearm', 172, 58, 44, 18],
  ['wrist', 232, 44, 44, 20],
  ['hand', 278, 48, 48, 20],
]

/** The zones of a view. From the front the patient's left is on the right of the page, from the back on the left. */
export function zonesOf(view: BodyView, shownSide: Side): readonly BodyZone[] {
  const middle: BodyZone[] = [
    { region: 'neck', side: null, x: 126, y: 62, width: 48, height: 44, radius: 14 },
    { region: 'trunk', side: null, x: view === 'side' ? 112 : 94, y: 108, width: view === 'side' ? 76 : 112, height: 110, radius: 26 },
  ]
  if (view === 'side') return [...middle, ...limbAt(leg, shownSide, 150), ...limbAt(arm, shownSide, 234)]
  const leftX = view === 'front' ? 1 : -1
  return [
    ...middle,
    ...limbAt(leg, 'left', 150 + leftX * 32),
    ...limbAt(leg, 'right', 150 - leftX * 32),
    ...limbAt(arm, 'left', 150 + leftX * 96),
    ...limbAt(arm, 'right', 150 - leftX * 96),
  ]
}

function limbAt(parts: readonly (readonly [Region, number, number, number, number])[], side: Side, centreX: number): readonly BodyZone[] {
  return parts.map(([region, y, height, width, radius]) => ({ region, side, x: centreX - width / 2, y, width, height, radius }))
}

/** Every part with its side, as it is typed: "left ankle", "neck". */
export const bodyParts: readonly { readonly label: string; readonly region: Region; readonly side: Side | null }[] = [
  ...(['left', 'right'] as const).flatMap((side) =>
    [...leg, ...arm].map(([region]) => ({ label: `${side} ${region.replace('-', ' ')}`, region, side })),
  ),
  { label: 'neck', region: 'neck', side: null },
  { label: 'trunk', region: 'trunk', side: null },
]

/**
 * Parts that a typed text may mean: every word of it begins a word of the label.
 * @example matchParts('l ank')[0].label // 'left ankle'
 */
export function matchParts(typed: string): typeof bodyParts {
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean)
  if (words.length === 0) return []
  return bodyParts.filter(({ label }) => words.every((word) => label.split(' ').some((part) => part.startsWith(word))))
}
