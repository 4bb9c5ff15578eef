import type { Pdf } from './paper'

/** A ruled table, for reading and for writing into by hand. */
export interface FlowTable {
  readonly kind: 'table'
  /** Left out where the rows say by themselves what they are. */
  readonly head?: readonly string[]
  readonly rows: readonly (readonly string[])[]
  /** Widths of the columns beside each other. */
  readonly shares: readonly number[]
}

export interface TablePlace {
  readonly left: number
  readonly width: number
  /** Points of the text around it. */
  readonly text: number
  /** Makes room for so many points, on the next page where this one is full. */
  readonly need: (height: number) => void
}

const ink = '#1d1b16'
const soft = '#5d574a'
const pad = 3
const leastRow = 20

/** Draws a table row by row where the document stands. */
export function drawTable(pdf: Pdf, { head, rows, shares }: FlowTable, { left, width, need, text }: TablePlace): void {
  const total = shares.reduce((sum, share) => sum + share, 0)
  const columns = shares.map((share) => (width * share) / total)
  pdf.y += 4
  const isHead = (index: number): boolean => head !== undefined && index === 0
  ;[...(head ? [head] : []), ...rows].forEach((row, index) => {
    pdf.font(isHead(index) ? 'bold' : 'plain').fontSize(text - 1)
    const height = Math.max(leastRow, ...row.map((cell, at) => pdf.heightOfString(cell, { width: columns[at]! - 2 * pad }) + 2 * pad))
    need(height)
    const top = pdf.y
    let x = left
    pdf.markContent('Span')
    row.forEach((cell, at) => {
      pdf.lineWidth(0.5).rect(x, top, columns[at]!, height).stroke(soft)
      pdf
        .font(isHead(index) ? 'bold' : 'plain')
        .fontSize(text - 1)
        .fillColor(ink)
        .text(cell, x + pad, top + pad, { width: columns[at]! - 2 * pad })
      x += columns[at]!
    })
    pdf.endMarkedContent()
    pdf.x = left
    pdf.y = top + height
  })
  pdf.y += 6
}
