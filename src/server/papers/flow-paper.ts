import { DateTime } from 'luxon'
import { sheets, type SheetId } from '#contract/api/papers'
import { endPaper, pointsPerMm, startPaper, type Pdf } from './paper'

/** What flows down a paper, in order. */
export type FlowBlock =
  | { readonly kind: 'title' | 'heading' | 'line'; readonly text: string }
  | { readonly kind: 'list'; readonly lines: readonly string[] }
  /** Ruled for writing into by hand. */
  | {
      readonly kind: 'table'
      readonly head: readonly string[]
      readonly rows: readonly (readonly string[])[]
      readonly shares: readonly number[]
    }

/** How large a paper is set, points. */
export interface FlowSize {
  readonly title: number
  readonly heading: number
  readonly text: number
}
export const readingSize: FlowSize = { title: 17, heading: 12, text: 10 }
/** For reading at home, by tired eyes. */
export const largeSize: FlowSize = { title: 24, heading: 17, text: 14.5 }

const margin = 15 * pointsPerMm
const footerHeight = 12 * pointsPerMm
const ink = '#1d1b16'
const soft = '#5d574a'

/** Prints blocks down as many pages as they need, tagged for screen readers; every page says which of how many, and as of when. */
export async function printFlow(
  blocks: readonly FlowBlock[],
  facts: { readonly title: string; readonly zone: string; readonly printedAt: string },
  sheet: SheetId,
  size: FlowSize = readingSize,
): Promise<Buffer> {
  const pdf = startPaper(sheet, facts.title, { isTagged: true })
  const { widthMm, heightMm } = sheets[sheet]
  const width = widthMm * pointsPerMm - 2 * margin
  const bottom = heightMm * pointsPerMm - margin - footerHeight
  const root = pdf.struct('Document')
  pdf.addStructure(root)
  const newPage = (): void => {
    pdf.addPage()
    pdf.x = margin
    pdf.y = margin
  }
  newPage()
  const need = (height: number): void => {
    if (pdf.y + height > bottom) newPage()
  }
  const write = (tag: string, text: string, font: 'plain' | 'bold', points: number, indent = 0): void => {
    pdf.font(font).fontSize(points)
    need(pdf.heightOfString(text, { width: width - indent }))
    root.add(
      pdf.struct(tag, {}, () => {
        pdf
          .font(font)
          .fontSize(points)
          .fillColor(ink)
          .text(text, margin + indent, pdf.y, { width: width - indent })
      }),
    )
  }
  for (const block of blocks) {
    if (block.kind === 'title') write('H1', block.text, 'bold', size.title)
    else if (block.kind === 'heading') {
      pdf.y += size.text * 0.7
      // A heading stays with what follows it.
      need(size.heading * 3)
      write('H2', block.text, 'bold', size.heading)
    } else if (block.kind === 'line') write('P', block.text, 'plain', size.text)
    else if (block.kind === 'list') {
      for (const line of block.lines) {
        write('P', `•  ${line}`, 'plain', size.text, size.text * 0.4)
        pdf.y += size.text * 0.15
      }
    } else if (block.kind === 'table') drawTable(pdf, block, { width, need, text: size.text })
  }
  root.end()
  const { count } = pdf.bufferedPageRange()
  const at = DateTime.fromISO(facts.printedAt, { zone: facts.zone }).toFormat('d LLL yyyy, HH:mm')
  for (let page = 0; page < count; page++) {
    pdf.switchToPage(page)
    pdf.markContent('Artifact', { type: 'Pagination' })
    pdf
      .font('plain')
      .fontSize(8)
      .fillColor(soft)
      .text(`Zesty Wren, as of ${at}. Page ${page + 1} of ${count}`, margin, bottom + 8, { width, lineBreak: false })
    pdf.endMarkedContent()
  }
  return endPaper(pdf)
}

function drawTable(
  pdf: Pdf,
  { head, rows, shares }: Extract<FlowBlock, { kind: 'table' }>,
  { width, need, text }: { readonly width: number; readonly need: (height: number) => void; readonly text: number },
): void {
  const total = shares.reduce((sum, share) => sum + share, 0)
  const columns = shares.map((share) => (width * share) / total)
  const pad = 3
  pdf.y += 4
  ;[head, ...rows].forEach((row, index) => {
    pdf.font(index === 0 ? 'bold' : 'plain').fontSize(text - 1)
    const height = Math.max(20, ...row.map((cell, at) => pdf.heightOfString(cell, { width: columns[at]! - 2 * pad }) + 2 * pad))
    need(height)
    const top = pdf.y
    let left = margin
    pdf.markContent('Span')
    row.forEach((cell, at) => {
      pdf.lineWidth(0.5).rect(left, top, columns[at]!, height).stroke(soft)
      pdf
        .font(index === 0 ? 'bold' : 'plain')
        .fontSize(text - 1)
        .fillColor(ink)
        .text(cell, left + pad, top + pad, { width: columns[at]! - 2 * pad })
      left += columns[at]!
    })
    pdf.endMarkedContent()
    pdf.x = margin
    pdf.y = top + height
  })
  pdf.y += 6
}
