/** A point in mm. */
export type PointMm = readonly [number, number]

export interface TilePage {
  /** From 1, in the order of printing: along a row, then the next row. */
  readonly number: number
  readonly column: number
  readonly row: number
  /** What lies at the tile's upper left corner, mm from the outline's own upper left corner. */
  readonly originMm: PointMm
}

export interface TiledTemplate {
  /** The outline moved so that its upper left corner is at 0, 0, mm; turned by a quarter where that needs fewer sheets. */
  readonly outlineMm: readonly PointMm[]
  readonly widthMm: number
  readonly heightMm: number
  readonly isTurned: boolean
  readonly columns: number
  readonly rows: number
  readonly tile: { readonly widthMm: number; readonly heightMm: number; readonly overlapMm: number }
  readonly pages: readonly TilePage[]
}

/**
 * Lays an outline on sheets at 1:1, overlapping so that they can be glued; the fewest sheets, straight or turned.
 * @param pointsCm a closed outline, cm
 * @param tile what one sheet can print, mm, and how much of it lies over its neighbour
 * @throws RangeError for an outline without points, or for a tile no larger than its overlap
 */
export function tileTemplate(
  pointsCm: readonly (readonly [number, number])[],
  tile: { readonly widthMm: number; readonly heightMm: number; readonly overlapMm: number },
): TiledTemplate {
  if (pointsCm.length < 3) throw new RangeError('tileTemplate needs an outline of three points or more')
  if (Math.min(tile.widthMm, tile.heightMm) <= tile.overlapMm) throw new RangeError('tileTemplate needs tiles larger than their overlap')
  const straight = layOut(pointsCm, tile, false)
  const turned = layOut(pointsCm, tile, true)
  return turned.pages.length < straight.pages.length ? turned : straight
}

function layOut(
  pointsCm: readonly (readonly [number, number])[],
  tile: { readonly widthMm: number; readonly heightMm: number; readonly overlapMm: number },
  isTurned: boolean,
): TiledTemplate {
  const raw = pointsCm.map(([x, y]): PointMm => (isTurned ? [x * 10, y * 10] : [y * 10, x * 10]))
  const minX = Math.min(...raw.map((point) => point[0]))
  const minY = Math.min(...raw.map((point) => point[1]))
  const outlineMm = raw.map(([x, y]): PointMm => [x - minX, y - minY])
  const widthMm = Math.max(...outlineMm.map((point) => point[0]))
  const heightMm = Math.max(...outlineMm.map((point) => point[1]))
  const count = (lengthMm: number, tileMm: number): number =>
    Math.max(1, Math.ceil((lengthMm - tile.overlapMm - 1e-6) / (tileMm - tile.overlapMm)))
  const columns = count(widthMm, tile.widthMm)
  const rows = count(heightMm, tile.heightMm)
  const pages = Array.from({ length: columns * rows }, (_, index): TilePage => {
    const column = index % columns
    const row = Math.floor(index / columns)
    return {
      number: index + 1,
      column,
      row,
      originMm: [column * (tile.widthMm - tile.overlapMm), row * (tile.heightMm - tile.overlapMm)],
    }
  })
  return { outlineMm, widthMm, heightMm, isTurned, columns, rows, tile, pages }
}
