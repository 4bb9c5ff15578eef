import { DateTime } from 'luxon'
import { sheets, type SheetId } from '#contract/api/papers'
import type { RunSummary, SummaryLine } from '#contract/views/run-summary'
import { endPaper, pointsPerMm, startPaper, type Pdf } from './paper'

const margin = 12 * pointsPerMm
const gutter = 6 * pointsPerMm
const columns = 2
const sizes = [9, 8.5, 8, 7.5, 7, 6.5, 6, 5.5, 5, 4.5] as const

interface Block {
  readonly text: string
  readonly isHead: boolean
}

/** The run record on one page: the largest type with which everything fits in two columns. */
export async function printRunRecord(summary: RunSummary, zone: string, printedAt: string, sheet: SheetId): Promise<Buffer> {
  const pdf = startPaper(sheet, summary.title)
  pdf.addPage()
  const width = sheets[sheet].widthMm * pointsPerMm - 2 * margin
  pdf.font('bold').fontSize(15).text(summary.title, margin, margin, { width })
  pdf.font('plain').fontSize(9)
  for (const [name, value] of summary.facts) pdf.font('bold').text(`${name}  `, { continued: true, width }).font('plain').text(value)
  const top = pdf.y + 6
  const bottom = sheets[sheet].heightMm * pointsPerMm - margin - 14
  const columnWidth = (width - gutter * (columns - 1)) / columns
  const blocks = summary.sections.flatMap((section): readonly Block[] => [
    { text: section.title, isHead: true },
    ...section.lines.map((line) => ({ text: lineText(line, zone), isHead: false })),
  ])
  const size = sizes.find((one) => flow(pdf, blocks, one, columnWidth, bottom - top, null)) ?? sizes[sizes.length - 1]!
  flow(pdf, blocks, size, columnWidth, bottom - top, top)
  pdf
    .font('plain')
    .fontSize(7)
    .fillColor('#5d574a')
    .text(
      `Printed ${DateTime.fromISO(printedAt, { zone }).toFormat('d LLL yyyy, HH:mm')}. What was entered, not a judgement of it.`,
      margin,
      bottom + 5,
      {
        width,
        lineBreak: false,
      },
    )
  return endPaper(pdf)
}

function lineText(line: SummaryLine, zone: string): string {
  const clock = line.at ? `${DateTime.fromISO(line.at, { zone }).toFormat('HH:mm:ss')}  ` : ''
  return `${clock}${line.text}${line.by ? `  (${line.by})` : ''}`
}

/**
 * Flows blocks through the columns.
 * @param top where to draw, or null only to try whether they fit
 * @returns whether everything fits
 */
function flow(pdf: Pdf, blocks: readonly Block[], size: number, width: number, height: number, top: number | null): boolean {
  let column = 0
  let used = 0
  for (const [index, block] of blocks.entries()) {
    pdf.font(block.isHead ? 'bold' : 'plain').fontSize(size)
    const gap = block.isHead && used > 0 ? size * 0.5 : 0
    const own = pdf.heightOfString(block.text, { width })
    // A heading stays with its first line.
    const next = block.isHead && blocks[index + 1] ? pdf.heightOfString(blocks[index + 1]?.text ?? '', { width }) : 0
    if (used + gap + own + next > height) {
      column++
      used = 0
      if (column >= columns) return false
    } else used += gap
    if (top !== null) pdf.fillColor('#1d1b16').text(block.text, margin + column * (width + gutter), top + used, { width })
    used += own
  }
  return true
}
