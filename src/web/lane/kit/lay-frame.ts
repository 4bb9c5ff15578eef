import type { Bounds, Point } from '#core/drawing/points'
import { rowsFor, spread } from './spread'
import { cutToWidth, textWidthPx } from './text-width'

/** One body in a frame, in its own centimetres. */
export interface FrameFigure {
  readonly id: string
  readonly bounds: Bounds
}

/** A line along which labels stand, outside of what they name. Rows and columns are added away from the figure. */
export interface Rail {
  readonly id: string
  readonly figure: string
  readonly grows: 'up' | 'down' | 'left' | 'right'
  /** Where it begins: cm up for a lying rail, cm across for a standing one. */
  readonly atCm: number
  /** For a lying rail: it begins here rather than at the frame's edge, cm across. */
  readonly fromCm?: number
}

/** What should be named, and on which rail. */
export interface LabelWish {
  readonly id: string
  readonly rail: string
  readonly text: string
  /** The place that is named, cm of the rail's figure. */
  readonly at: Point
  /** Keeps its place free without being drawn, so that nothing moves when it is lit. */
  readonly isHidden?: boolean
  /** An estimate is in italics, with ≈ before it. */
  readonly look?: 'figure' | 'estimate' | 'injury' | 'hand'
}

/** A label with its place, px: the middle of its line at a lying rail, its end at a standing one. */
export interface PlacedLabel {
  readonly id: string
  readonly text: string
  readonly look: LabelWish['look']
  readonly x: number
  readonly y: number
  readonly align: 'start' | 'middle' | 'end'
  /** From the place that is named to the label, round the labels between them. */
  readonly leader: readonly Point[]
}

export interface FrameLayout {
  readonly width: number
  readonly height: number
  readonly pxPerCm: number
  /** From a figure's centimetres to pixels of the frame. */
  readonly place: (figure: string, point: Point) => Point
  readonly labels: readonly PlacedLabel[]
}

export const labelPx = 13
const rowPx = 18
/** From the rail to the first row. */
const standOffPx = 7
const gapPx = 10
/** Room that the line to a row beyond takes in a row. */
const passPx = 2
const edgePx = 10
/** Room for the side at the top and the ruler at the bottom. */
const signPx = 22
const rulerPx = 26
const stripEdgePx = 6
const leastPxPerCm = { drawing: 1, strip: 0.3 }

/**
 * Fits bodies into a box and puts every label beside them: to one scale, as large as width and height allow once the labels have their room.
 * No label meets another, leaves the frame, or lies over a body.
 * @param box width that there is and the greatest height, px; a strip has neither sign nor ruler that want room
 * @param rulerSidePx room at the left for a standing ruler, px
 */
export function layFrame(
  figures: readonly FrameFigure[],
  rails: readonly Rail[],
  wishes: readonly LabelWish[],
  box: { readonly widthPx: number; readonly mostHeightPx: number; readonly isStrip?: boolean },
  rulerSidePx = 0,
): FrameLayout {
  const on = (rail: Rail): readonly LabelWish[] => {
    const isLying = rail.grows === 'up' || rail.grows === 'down'
    // Down the page y runs against the centimetres.
    return wishes.filter((wish) => wish.rail === rail.id).sort((a, b) => (isLying ? a.at[0] - b.at[0] : b.at[1] - a.at[1]))
  }
  const mostLabelPx = Math.min(240, box.widthPx * 0.45)
  const textOf = (wish: LabelWish): string => cutToWidth(wish.text, labelPx, mostLabelPx)
  const widthOf = (wish: LabelWish): number => textWidthPx(textOf(wish), labelPx)
  const standing = (figure: string, grows: Rail['grows']): number => {
    const widths = rails.filter((rail) => rail.figure === figure && rail.grows === grows).flatMap((rail) => on(rail).map(widthOf))
    return widths.length === 0 ? 0 : Math.max(...widths) + standOffPx + 4
  }
  const lefts = figures.map(({ id }, index) => (index === 0 ? rulerSidePx + edgePx : 14) + standing(id, 'left'))
  const rights = figures.map(({ id }) => 4 + standing(id, 'right'))
  const padX = sum(lefts) + sum(rights) + edgePx
  const spanCm = sum(figures.map(({ bounds }) => bounds.maxX - bounds.minX))
  const [minY, maxY] = [Math.min(...figures.map((figure) => figure.bounds.minY)), Math.max(...figures.map((figure) => figure.bounds.maxY))]
  const columnPx = Math.max(0, ...rails.filter(({ grows }) => grows === 'left' || grows === 'right').map((rail) => on(rail).length * rowPx))

  const [leastTop, leastBottom] = box.isStrip ? [stripEdgePx, stripEdgePx] : [signPx, rulerPx]
  let [top, bottom] = [leastTop, leastBottom]
  let rows: Readonly<Record<string, readonly number[]>> = {}
  let pxPerCm = 1
  for (let turn = 0; turn < 5; turn++) {
    const byWidth = (box.widthPx - padX) / spanCm
    const byHeight = (box.mostHeightPx - top - bottom) / (maxY - minY)
    pxPerCm = Math.max(leastPxPerCm[box.isStrip ? 'strip' : 'drawing'], Math.min(byWidth, byHeight))
    const scale = pxPerCm
    const frame = Math.max(box.widthPx, padX + spanCm * scale)
    const aside = (frame - padX - spanCm * scale) / 2
    rows = Object.fromEntries(
      rails.map((rail) => {
        const figure = figures.find((one) => one.id === rail.figure)
        const lost =
          rail.fromCm === undefined || !figure ? 0 : (rail.fromCm - figure.bounds.minX) * scale + (lefts[0] ?? 0) + aside - edgePx
        return [rail.id, rowsFor(on(rail).map(widthOf), frame - 2 * edgePx - lost, gapPx, passPx)]
      }),
    )
    const need = (grows: 'up' | 'down'): number =>
      Math.max(
        0,
        ...rails
          .filter((rail) => rail.grows === grows && on(rail).length > 0)
          .map((rail) => {
            const count = Math.max(...(rows[rail.id] ?? [0])) + 1
            const free = (grows === 'up' ? maxY - rail.atCm : rail.atCm - minY) * scale
            return standOffPx + count * rowPx - free
          }),
      )
    const [nextTop, nextBottom] = [leastTop + need('up'), leastBottom + need('down')]
    if (nextTop === top && nextBottom === bottom) break
    ;[top, bottom] = [nextTop, nextBottom]
  }

  const bodyPx = Math.max((maxY - minY) * pxPerCm, columnPx - top - bottom + 8)
  const height = top + bodyPx + bottom
  const usedPx = padX + spanCm * pxPerCm
  const width = Math.max(box.widthPx, usedPx)
  const shift = (width - usedPx) / 2
  const originX = (index: number): number => {
    const before = figures.slice(0, index)
    return (
      shift +
      sum(lefts.slice(0, index + 1)) +
      sum(rights.slice(0, index)) +
      sum(before.map(({ bounds }) => bounds.maxX - bounds.minX)) * pxPerCm
    )
  }
  const origins = new Map(figures.map(({ id, bounds }, index) => [id, originX(index) - bounds.minX * pxPerCm]))
  const place = (figure: string, [x, y]: Point): Point => [(origins.get(figure) ?? 0) + x * pxPerCm, top + (maxY - y) * pxPerCm]

  const labels = rails.flatMap((rail): readonly PlacedLabel[] => {
    const named = on(rail)
    const anchors = named.map((wish) => place(rail.figure, wish.at))
    const texts = named.map(textOf)
    const shown = (placed: readonly PlacedLabel[]): readonly PlacedLabel[] => placed.filter((_, index) => !named[index]?.isHidden)
    if (rail.grows === 'left' || rail.grows === 'right') {
      const [base] = place(rail.figure, [rail.atCm, 0])
      const x = rail.grows === 'left' ? base - standOffPx : base + standOffPx
      const ys = spread(
        anchors.map((anchor) => anchor[1]),
        named.map(() => rowPx),
        2,
        height - 2,
        0,
      )
      return shown(
        named.map((wish, index) => {
          const y = ys[index] ?? 0
          const near = rail.grows === 'left' ? x + 2 : x - 2
          return {
            id: wish.id,
            text: texts[index] ?? '',
            look: wish.look,
            x,
            y: y + labelPx * 0.35,
            align: rail.grows === 'left' ? 'end' : 'start',
            leader: [anchors[index] ?? [0, 0], [near, y]],
          }
        }),
      )
    }
    const isUp = rail.grows === 'up'
    const from = rail.fromCm === undefined ? edgePx : place(rail.figure, [rail.fromCm, 0])[0]
    const [, base] = place(rail.figure, [0, rail.atCm])
    const taken = rows[rail.id] ?? []
    const xs = new Array<number>(named.length).fill(0)
    const passes = named.map((): Point[] => [])
    const middleOf = (row: number): number =>
      isUp ? base - standOffPx - row * rowPx - rowPx / 2 : base + standOffPx + row * rowPx + rowPx / 2
    for (let row = 0; row <= Math.max(0, ...taken); row++) {
      // The lines to the rows beyond go between the labels of this one.
      const members = named.map((_, index) => index).filter((index) => (taken[index] ?? 0) >= row)
      const isHere = (index: number): boolean => taken[index] === row
      const middles = spread(
        members.map((index) => anchors[index]?.[0] ?? 0),
        members.map((index) => (isHere(index) && named[index] ? widthOf(named[index]) : passPx)),
        from,
        width - edgePx,
        gapPx,
      )
      const half = isUp ? rowPx / 2 : -rowPx / 2
      members.forEach((index, at) => {
        const x = middles[at] ?? 0
        if (isHere(index)) xs[index] = x
        else passes[index]?.push([x, middleOf(row) + half], [x, middleOf(row) - half])
      })
    }
    return shown(
      named.map((wish, index) => {
        const row = taken[index] ?? 0
        const x = xs[index] ?? 0
        const middle = middleOf(row)
        const anchor = anchors[index] ?? ([0, 0] as const)
        const reach = Math.max(0, widthOf(wish) / 2 - 6)
        const through = passes[index] ?? []
        const [fromX] = through.at(-1) ?? anchor
        return {
          id: wish.id,
          text: texts[index] ?? '',
          look: wish.look,
          x,
          y: middle + labelPx * 0.35,
          align: 'middle',
          leader: [anchor, ...through, [Math.max(x - reach, Math.min(x + reach, fromX)), isUp ? middle + 8 : middle - 8]],
        }
      }),
    )
  })
  return { width, height, pxPerCm, place, labels }
}

function sum(values: readonly number[]): number {
  return values.reduce((total, value) => total + value, 0)
}
