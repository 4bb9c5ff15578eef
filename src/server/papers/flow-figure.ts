import { limbFigure } from '#core/drawing/limb-figure'
import type { Geometry } from '#core/model/geometry'
import type { LimbFinding } from '#core/standing/findings-on-limb'
import type { Pdf } from './paper'

/** A limb with what it wears and what was found on it, or where to look. */
export interface FlowFigure {
  readonly kind: 'figure'
  readonly geometry: Geometry
  readonly findings: readonly LimbFinding[]
  /** Said where the picture cannot be seen: what it shows. */
  readonly alt: string
}

/** Heights by the size of the paper's text. */
const heights = { figure: 7.6, row: 2.6 }
const ink = '#1d1b16'
const edge = '#5d574a'
const [wornFill, wornEdge] = ['#c3ccd0', '#4d5c66']
const coverCm = 0.9
const tones: Readonly<Record<string, string>> = { urgent: '#9c1f2e', stop: '#9c1f2e', review: '#8a4b00', warn: '#8a4b00' }

/**
 * How high a figure stands on a page, points; nothing where no limb is drawn.
 * @param textPt how large the paper's text is set
 */
export function heightOfFigure({ geometry, findings }: FlowFigure, textPt: number): number {
  const figure = limbFigure(geometry, findings)
  return figure ? Math.max(heights.figure, figure.marks.length * heights.row) * textPt + 10 : 0
}

/**
 * Draws a limb at the left of a column, its marks numbered, and what the numbers mean at its right. Read aloud, it is its own words.
 * @param at left edge and width of the column, and the size of the text, points
 */
export function drawFigure(
  pdf: Pdf,
  block: FlowFigure,
  at: { readonly left: number; readonly width: number; readonly textPt: number },
): void {
  const figure = limbFigure(block.geometry, block.findings)
  if (!figure) return
  const { bounds } = figure
  const heightPt = at.textPt * heights.figure
  const [wide, high] = [bounds.maxX - bounds.minX, bounds.maxY - bounds.minY]
  const scale = Math.min((at.width * 0.55) / wide, heightPt / high)
  const [left, top] = [at.left, pdf.y + 5]
  pdf
    .save()
    .translate(left - bounds.minX * scale, top - bounds.minY * scale)
    .scale(scale)
  for (const path of figure.skin)
    pdf
      .path(path)
      .lineWidth(0.8 / scale)
      .fillAndStroke('#f4ede0', edge)
  for (const region of figure.covers) {
    pdf.save().path(region).clip()
    // Its thickness outside the skin, in cm: the edge, and what lies between edge and skin.
    for (const path of figure.skin)
      pdf
        .path(path)
        .lineWidth(coverCm + 2 / scale)
        .stroke(wornEdge)
    for (const path of figure.skin) pdf.path(path).lineWidth(coverCm).fillAndStroke(wornFill, wornFill)
    pdf.restore()
  }
  for (const path of figure.worn)
    pdf
      .path(path)
      .lineWidth(1 / scale)
      .fillOpacity(0.75)
      .fillAndStroke(wornFill, wornEdge)
      .fillOpacity(1)
  for (const { path, level } of figure.lines)
    pdf
      .path(path)
      .lineWidth(1.4 / scale)
      .dash(4 / scale, { space: 2.5 / scale })
      .stroke(tones[level] ?? ink)
      .undash()
  pdf.restore()
  figure.marks.forEach(({ finding, at: [x, y] }, index) => {
    const [cx, cy] = [left + (x - bounds.minX) * scale, top + (y - bounds.minY) * scale]
    pdf
      .circle(cx, cy, 6.5)
      .lineWidth(1.2)
      .fillAndStroke('#ffffff', tones[finding.level] ?? ink)
    pdf
      .fillColor(tones[finding.level] ?? ink)
      .font('bold')
      .fontSize(8)
    pdf.text(String(index + 1), cx - 6.5, cy - 4.6, { width: 13, align: 'center', lineBreak: false })
  })
  const side = left + wide * scale + 16
  pdf.x = side
  pdf.y = top
  figure.marks.forEach(({ finding }, index) => {
    pdf
      .fillColor(ink)
      .font('bold')
      .fontSize(at.textPt * 0.95)
    pdf.text(`${index + 1}  ${finding.label}`, side, pdf.y, { width: at.left + at.width - side })
  })
  pdf.x = at.left
  pdf.y = Math.max(top + heightPt, pdf.y) + 5
}
