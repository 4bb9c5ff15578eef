import type { Region, Side } from '#core/model/vocabulary'

export const bodyViews = ['front', 'back', 'side'] as const
export type BodyView = (typeof bodyViews)[number]

/** Size of the chart in its own units; a unit is a little less than a pixel. */
export const chartSize = { width: 300, height: 540 }

/** One part of the chart that can be tapped. */
export interface BodyZone {
  readonly region: Region
  /** Null for neck and trunk. */
  readonly side: Side | null
  readonly x: number
  readonly y: number
  readonly width: number
  readonly height: number
}

type Part = readonly [region: Region, y: number, height: number, width: number]
const leg: readonly Part[] = [
  ['thigh', 246, 82, 62],
  ['knee', 328, 52, 62],
  ['lower-leg', 380, 56, 62],
  ['ankle', 436, 48, 62],
  ['foot', 484, 52, 62],
]
const arm: readonly Part[] = [
  ['forearm', 170, 60, 60],
  ['wrist', 230, 48, 60],
  ['hand', 278, 58, 60],
]

/** The zones of a view. From the front the patient's left is on the right of the page, from the back on the left. */
export function zonesOf(view: BodyView, shownSide: Side): readonly BodyZone[] {
  const middle: BodyZone[] = [
    { region: 'neck', side: null, x: 116, y: 60, width: 68, height: 40 },
    { region: 'trunk', side: null, x: view === 'side' ? 104 : 100, y: 100, width: view === 'side' ? 84 : 100, height: 142 },
  ]
  if (view === 'side') return [...middle, ...limbAt(leg, shownSide, 152), ...limbAt(arm, shownSide, 236)]
  const leftX = view === 'front' ? 1 : -1
  return [
    ...middle,
    ...limbAt(leg, 'left', 150 + leftX * 32),
    ...limbAt(leg, 'right', 150 - leftX * 32),
    ...limbAt(arm, 'left', 150 + leftX * 92),
    ...limbAt(arm, 'right', 150 - leftX * 92),
  ]
}

function limbAt(parts: readonly Part[], side: Side, centreX: number): readonly BodyZone[] {
  return parts.map(([region, y, height, width]) => ({ region, side, x: centreX - width / 2, y, width, height }))
}

/** Every part with its side, as it is typed: "left ankle", "neck". */
export const bodyParts: readonly { readonly label: string; readonly region: Region; readonly side: Side | null }[] = [
  ...(['left', 'right'] as const).flatMap((side) =>
    [...leg, ...arm].map(([region]) => ({ label: `${side} ${region.replace('-', ' ')}`, region, side })),
  ),
  { label: 'neck', region: 'neck', side: null },
  { label: 'trunk', region: 'trunk', side: null },
]

/** A part that is found on both sides by what was typed: Enter takes neither, and asks which. Null where the first is meant. */
export function sideAskedOf(found: typeof bodyParts): Region | null {
  const first = found[0]
  return first && found.some((part) => part.region === first.region && part.side !== first.side) ? first.region : null
}

/**
 * Parts that a typed text may mean: every word of it begins a word of the label.
 * @example matchParts('l ank')[0].label // 'left ankle'
 */
export function matchParts(typed: string): typeof bodyParts {
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean)
  if (words.length === 0) return []
  return bodyParts.filter(({ label }) => words.every((word) => label.split(' ').some((part) => part.startsWith(word))))
}
