import type { PhotoPoint } from '#core/quantities/photo-measure'

/** As many points as a path may have. */
export const mostPoints = 12

interface Size {
  readonly width: number
  readonly height: number
}

/** Where the bar's ends stand before they are put in place. */
export function startBar({ width, height }: Size): readonly [PhotoPoint, PhotoPoint] {
  return [
    [width * 0.1, height * 0.9],
    [width * 0.35, height * 0.9],
  ]
}

/** Four points across the photo, for a path that is yet to be put in place. */
export function startPath({ width, height }: Size): readonly PhotoPoint[] {
  return [0.2, 0.4, 0.6, 0.8].map((share) => [width * share, height * 0.5])
}

/** One point more, in the middle of the longest stretch; the ends stay. */
export function addPoint(path: readonly PhotoPoint[]): readonly PhotoPoint[] {
  const lengthOf = (index: number): number => Math.hypot(path[index + 1]![0] - path[index]![0], path[index + 1]![1] - path[index]![1])
  let longest = 0
  for (let index = 1; index < path.length - 1; index++) if (lengthOf(index) > lengthOf(longest)) longest = index
  const [a, b] = [path[longest]!, path[longest + 1]!]
  return [...path.slice(0, longest + 1), [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2], ...path.slice(longest + 1)]
}
