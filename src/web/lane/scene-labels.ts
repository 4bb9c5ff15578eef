import type { Point } from '#core/drawing/points'

/** A rectangle on the page, y down. */
export interface Box {
  readonly left: number
  readonly top: number
  readonly width: number
  readonly height: number
}

/** Whether a straight line runs through a box, by halving what is outside of each side (Liang and Barsky). */
export function doesCross([x1, y1]: Point, [x2, y2]: Point, { left, top, width, height }: Box): boolean {
  let [from, to] = [0, 1]
  const [dx, dy] = [x2 - x1, y2 - y1]
  for (const [step, room] of [
    [-dx, x1 - left],
    [dx, left + width - x1],
    [-dy, y1 - top],
    [dy, top + height - y1],
  ] as const) {
    if (step === 0 && room < 0) return false
    if (step < 0) from = Math.max(from, room / step)
    if (step > 0) to = Math.min(to, room / step)
  }
  return from <= to
}

function doMeet(a: Box, b: Box): boolean {
  return a.left < b.left + b.width && b.left < a.left + a.width && a.top < b.top + b.height && b.top < a.top + a.height
}

/** What is to be named, and where it would stand best. */
export interface NameWish {
  readonly id: string
  readonly at: Point
  readonly width: number
}

/**
 * Puts names beside their places where no line runs through them, none over another, and all within the page: tried in rings round the
 * place, the nearest first, and then anywhere.
 * @param lines of the drawing, each through its points
 * @param size of the letters
 * @returns the box of each name, in the order given; where there is no room anywhere it stands above its place
 */
export function placeNames(
  wishes: readonly NameWish[],
  lines: readonly (readonly Point[])[],
  taken: readonly Box[],
  page: Box,
  size: number,
): readonly Box[] {
  const placed: Box[] = [...taken]
  return wishes.map(({ at: [x, y], width }) => {
    const boxAt = (middleX: number, middleY: number): Box => ({
      left: middleX - width / 2,
      top: middleY - size * 0.6,
      width,
      height: size * 1.2,
    })
    const isFree = (box: Box): boolean =>
      box.left >= page.left &&
      box.top >= page.top &&
      box.left + box.width <= page.left + page.width &&
      box.top + box.height <= page.top + page.height &&
      !placed.some((other) => doMeet(box, other)) &&
      !lines.some((points) => points.some((point, index) => index > 0 && doesCross(points[index - 1] ?? point, point, box)))
    const tries: Box[] = []
    for (let ring = 1; ring <= 10; ring++) {
      const [aside, away] = [width / 2 + size * 0.5 * ring, size * ring]
      for (const [dx, dy] of [
        [0, -away],
        [aside, -away / 2],
        [-aside, -away / 2],
        [aside, away / 2],
        [-aside, away / 2],
        [0, away],
        [aside, -away],
        [-aside, -away],
      ] as const)
        tries.push(boxAt(x + dx, y + dy))
    }
    const box = tries.find(isFree) ?? anywhere(page, size, [x, y], boxAt, isFree) ?? within(page, boxAt(x, y - size))
    placed.push(box)
    return box
  })
}

/** The free place on the page that is nearest to what is named. */
function anywhere(
  page: Box,
  size: number,
  [x, y]: Point,
  boxAt: (x: number, y: number) => Box,
  isFree: (box: Box) => boolean,
): Box | undefined {
  const steps = (from: number, length: number): readonly number[] =>
    Array.from({ length: Math.floor(length / size) + 1 }, (_, index) => from + index * size)
  return steps(page.top, page.height)
    .flatMap((top) => steps(page.left, page.width).map((left): Point => [left, top]))
    .sort(([ax, ay], [bx, by]) => Math.hypot(ax - x, ay - y) - Math.hypot(bx - x, by - y))
    .map(([left, top]) => boxAt(left, top))
    .find(isFree)
}

/** A box moved as little as it takes to lie on the page. */
function within(page: Box, box: Box): Box {
  const clamp = (value: number, least: number, most: number): number => Math.max(least, Math.min(most, value))
  return {
    ...box,
    left: clamp(box.left, page.left, page.left + page.width - box.width),
    top: clamp(box.top, page.top, page.top + page.height - box.height),
  }
}
