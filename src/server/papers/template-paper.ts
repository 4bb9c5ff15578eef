import { tileTemplate, type TiledTemplate, type TilePage } from '#core/figures/slabs/tile-template'
import type { GeometryPolygon } from '#core/model/geometry'
import { sheets, type SheetId } from '#contract/api/papers'
import { endPaper, pointsPerMm, startPaper, type Pdf } from './paper'

const marginMm = 10
const headMm = 26
const overlapMm = 10
const rulerCm = 10
/** Letters of a named part, mm. */
const partMm = 5

/** Whose template it is, in one line, and what it is. */
export interface TemplateLabel {
  readonly who: string
  readonly what: string
  readonly printedAt: string
}

/** What one sheet can print of an outline, mm: the sheet less margins and head. */
export function tileOf(sheet: SheetId): { widthMm: number; heightMm: number; overlapMm: number } {
  const { widthMm, heightMm } = sheets[sheet]
  return { widthMm: widthMm - 2 * marginMm, heightMm: heightMm - 2 * marginMm - headMm, overlapMm }
}

/**
 * The outlines at 1:1 as a PDF: tiled where longer than a sheet, each page with its place, a 10 cm check ruler, crop
 * marks and the order of the pages.
 */
export async function printTemplate(polygons: readonly GeometryPolygon[], sheet: SheetId, label: TemplateLabel): Promise<Buffer> {
  const pdf = startPaper(sheet, `${label.what}, 1:1`)
  for (const polygon of polygons) {
    const tiled = tileTemplate(polygon.points, tileOf(sheet))
    for (const page of tiled.pages) drawPage(pdf, polygon, tiled, page, label)
  }
  return endPaper(pdf)
}

function drawPage(pdf: Pdf, polygon: GeometryPolygon, tiled: TiledTemplate, page: TilePage, label: TemplateLabel): void {
  pdf.addPage()
  const { tile } = tiled
  pdf.save().scale(pointsPerMm)
  drawHead(pdf, polygon, tiled, page, label)
  pdf.translate(marginMm, marginMm + headMm)
  pdf.save().rect(0, 0, tile.widthMm, tile.heightMm).clip()
  const [originX, originY] = page.originMm
  const [first, ...rest] = tiled.outlineMm
  if (first) {
    pdf.moveTo(first[0] - originX, first[1] - originY)
    for (const [x, y] of rest) pdf.lineTo(x - originX, y - originY)
    pdf.closePath().lineWidth(0.4).stroke('#1d1b16')
  }
  drawParts(pdf, polygon, tiled, page)
  pdf.restore()
  drawCropMarks(pdf, tiled, page)
  pdf.restore()
}

/** What comes to lie where, written inside the outline on the page that shows the place. */
function drawParts(pdf: Pdf, polygon: GeometryPolygon, { isTurned }: TiledTemplate, { originMm: [originX, originY] }: TilePage): void {
  const least = (axis: 0 | 1): number => Math.min(...polygon.points.map((point) => point[axis]))
  pdf.font('bold').fontSize(partMm).fillColor('#5d574a')
  for (const { label, at } of polygon.parts ?? []) {
    const [along, across] = [(at[0] - least(0)) * 10, (at[1] - least(1)) * 10]
    const [x, y] = isTurned ? [along - originX, across - originY] : [across - originX, along - originY]
    pdf.text(label, x - pdf.widthOfString(label) / 2, y - partMm * 0.6, { lineBreak: false })
  }
}

function drawHead(pdf: Pdf, polygon: GeometryPolygon, tiled: TiledTemplate, page: TilePage, label: TemplateLabel): void {
  const width = tiled.tile.widthMm
  pdf.fillColor('#1d1b16').font('bold').fontSize(4.2)
  pdf.text(`${label.what}: ${polygon.label}`, marginMm, marginMm, { width: width - 45, lineBreak: false })
  pdf.font('plain').fontSize(3.4)
  pdf.text(`${label.who}. Printed ${label.printedAt}. Print at 100 %, not fitted to the page.`, marginMm, marginMm + 5.4, {
    width: width - 45,
    lineBreak: false,
  })
  pdf.font('bold').fontSize(4.2)
  pdf.text(`Page ${page.number} of ${tiled.pages.length}`, marginMm + width - 42, marginMm, { width: 42, align: 'right', lineBreak: false })
  if (tiled.pages.length > 1) drawOrder(pdf, tiled, page)
  drawRuler(pdf, marginMm, marginMm + 19)
}

/** Where the page lies among the others: a small plan of the sheets, this one filled. */
function drawOrder(pdf: Pdf, tiled: TiledTemplate, page: TilePage): void {
  const cell = Math.min(5, 12 / Math.max(tiled.columns, tiled.rows))
  const left = marginMm + tiled.tile.widthMm - tiled.columns * cell
  for (const one of tiled.pages) {
    const x = left + one.column * cell
    const y = marginMm + 6 + one.row * cell
    pdf.lineWidth(0.2).rect(x, y, cell, cell)
    if (one.number === page.number) pdf.fillAndStroke('#d3e04a', '#1d1b16')
    else pdf.stroke('#1d1b16')
    pdf
      .fillColor('#1d1b16')
      .font('plain')
      .fontSize(cell * 0.6)
    pdf.text(String(one.number), x, y + cell * 0.2, { width: cell, align: 'center', lineBreak: false })
  }
}

/** Ten centimetres to lay a ruler on. */
function drawRuler(pdf: Pdf, x: number, y: number): void {
  pdf
    .lineWidth(0.3)
    .moveTo(x, y)
    .lineTo(x + rulerCm * 10, y)
    .stroke('#1d1b16')
  pdf.font('plain').fontSize(3)
  for (let cm = 0; cm <= rulerCm; cm++) {
    pdf
      .moveTo(x + cm * 10, y)
      .lineTo(x + cm * 10, y - (cm % 5 === 0 ? 3 : 1.8))
      .stroke('#1d1b16')
  }
  pdf.fillColor('#1d1b16').text('10 cm: check it with a ruler before cutting', x + rulerCm * 10 + 3, y - 3, { lineBreak: false })
}

/** Corner crosses where sheets meet: cut along them on one sheet, lay it over the cross of its neighbour. */
function drawCropMarks(pdf: Pdf, tiled: TiledTemplate, page: TilePage): void {
  const { widthMm, heightMm, overlapMm: lap } = tiled.tile
  const lines: (readonly [number, number, number, number])[] = []
  const mark = (x: number, y: number): void => void lines.push([x - 3, y, x + 3, y], [x, y - 3, x, y + 3])
  const hasRight = page.column < tiled.columns - 1
  const hasBelow = page.row < tiled.rows - 1
  for (const x of [page.column > 0 ? lap / 2 : 0, hasRight ? widthMm - lap / 2 : widthMm]) {
    for (const y of [page.row > 0 ? lap / 2 : 0, hasBelow ? heightMm - lap / 2 : heightMm]) mark(x, y)
  }
  pdf.lineWidth(0.2)
  for (const [x1, y1, x2, y2] of lines) pdf.moveTo(x1, y1).lineTo(x2, y2).stroke('#5d574a')
  pdf.fontSize(3).fillColor('#5d574a')
  if (hasBelow) pdf.text(`page ${page.number + tiled.columns} goes on here`, widthMm / 2 - 20, heightMm - lap / 2 - 4, { lineBreak: false })
  if (hasRight) pdf.text(`page ${page.number + 1} beside`, widthMm - 28, heightMm / 2, { lineBreak: false })
}

/** The same outlines as a drawing file in mm, one below the other. */
export function templateSvg(polygons: readonly GeometryPolygon[]): string {
  const gapMm = 15
  let top = 0
  let width = rulerCm * 10
  const paths = polygons.map((polygon) => {
    const xs = polygon.points.map((point) => point[0] * 10)
    const ys = polygon.points.map((point) => point[1] * 10)
    const [minX, minY] = [Math.min(...xs), Math.min(...ys)]
    const d = polygon.points
      .map(([x, y], index) => `${index === 0 ? 'M' : 'L'}${round(x * 10 - minX)} ${round(y * 10 - minY + top)}`)
      .join(' ')
    width = Math.max(width, Math.max(...xs) - minX)
    top += Math.max(...ys) - minY + gapMm
    return `<path d="${d} Z" fill="none" stroke="#1d1b16" stroke-width="0.4"><title>${escapeXml(polygon.label)}</title></path>`
  })
  const ruler = `<path d="M0 ${round(top)} H${rulerCm * 10}" stroke="#1d1b16" stroke-width="0.4"><title>10 cm</title></path>`
  const height = round(top + 5)
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${round(width)}mm" height="${height}mm" viewBox="0 0 ${round(width)} ${height}">${paths.join('')}${ruler}</svg>\n`
}

function round(mm: number): number {
  return Math.round(mm * 100) / 100
}

function escapeXml(text: string): string {
  return text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('"', '&quot;')
}
