import { DateTime } from 'luxon'
import { spoken } from '#core/model/vocabulary'
import { sheets, type SheetId } from '#contract/api/papers'
import { aheadHours, type HandOverLine } from '#contract/views/hand-over'
import { endPaper, pointsPerMm, startPaper, type Pdf } from './paper'

const margin = 14 * pointsPerMm
const footer = 10 * pointsPerMm
const ink = '#1d1b16'
const soft = '#5d574a'

/** What is printed at the head of the hand-over. */
export interface HandOverFacts {
  /** The places that it is for, in words. */
  readonly places: string
  readonly zone: string
  readonly printedAt: string
}

/** The hand-over on paper: a block for each patient, never split over two pages where it fits on one; each page says which of how many. */
export async function printHandOver(lines: readonly HandOverLine[], facts: HandOverFacts, sheet: SheetId): Promise<Buffer> {
  const pdf = startPaper(sheet, `Hand-over, ${facts.places}`)
  const width = sheets[sheet].widthMm * pointsPerMm - 2 * margin
  const bottom = sheets[sheet].heightMm * pointsPerMm - margin - footer
  const blocks = lines.map((line) => blockOf(line, facts.zone))
  const pages: Block[][] = [[]]
  let used = 60
  // Heights depend on the type in use, so a page has to be there before anything is measured.
  pdf.addPage()
  for (const block of blocks) {
    const height = heightOf(pdf, block, width)
    if (used + height > bottom - margin && pages.at(-1)!.length > 0) {
      pages.push([])
      used = 0
    }
    pages.at(-1)!.push(block)
    used += height
  }
  pages.forEach((page, index) => {
    if (index > 0) pdf.addPage()
    pdf.x = margin
    pdf.y = margin
    if (index === 0) head(pdf, facts, lines, width)
    for (const block of page) draw(pdf, block, width)
    foot(pdf, facts, `Page ${index + 1} of ${pages.length}`, width, bottom + 6)
  })
  return endPaper(pdf)
}

type Block = readonly { readonly text: string; readonly isBold: boolean; readonly size: number }[]

function blockOf(line: HandOverLine, zone: string): Block {
  const at = (iso: string): string => DateTime.fromISO(iso, { zone }).toFormat('ccc HH:mm')
  const part = [line.side?.toUpperCase(), line.region ? spoken(line.region) : ''].filter(Boolean).join(' ')
  const on = line.onSince ? `${line.isOff ? 'off' : `on since ${at(line.onSince)}`}` : 'not on yet'
  const small = (text: string) => ({ text, isBold: false, size: 9.5 })
  return [
    { text: `${line.place}   ${line.patient}${line.number ? `, ${line.number}` : ''}`, isBold: true, size: 12 },
    small(`${line.technique}, ${part || 'side not set'}, ${on}`),
    { text: line.stands.length > 0 ? 'Stands' : line.headline, isBold: true, size: 9.5 },
    ...line.stands.map((one) => small(`   ${one.level}: ${one.text} (since ${at(one.sinceAt)})`)),
    ...(line.done.length > 0 ? [{ text: 'Done', isBold: true, size: 9.5 }] : []),
    ...line.done.slice(0, 6).map((one) => small(`   ${at(one.at)}  ${one.text} (${one.by})`)),
    {
      text: line.owed.length > 0 ? `Owed in the next ${aheadHours} h` : `Nothing owed in the next ${aheadHours} h`,
      isBold: true,
      size: 9.5,
    },
    ...line.owed.map((one) => small(`   ${at(one.dueAt)}${one.isOverdue ? ' OVERDUE' : ''}  ${one.text}`)),
    ...(line.worry ? [{ text: `Worry: ${line.worry.text} (${line.worry.by}, ${at(line.worry.at)})`, isBold: true, size: 10 }] : []),
    small(
      line.takenOver ? `Taken over: ${line.takenOver.by}, ${at(line.takenOver.at)}` : 'Taken over:  ____________________   at  ________',
    ),
  ]
}

const gap = 12

function heightOf(pdf: Pdf, block: Block, width: number): number {
  return block.reduce((sum, { text, isBold, size }) => {
    pdf.font(isBold ? 'bold' : 'plain').fontSize(size)
    return sum + pdf.heightOfString(text, { width })
  }, gap)
}

function draw(pdf: Pdf, block: Block, width: number): void {
  const top = pdf.y
  pdf
    .moveTo(margin, top)
    .lineTo(margin + width, top)
    .lineWidth(0.5)
    .stroke(soft)
  pdf.y = top + 4
  for (const { text, isBold, size } of block)
    pdf
      .font(isBold ? 'bold' : 'plain')
      .fontSize(size)
      .fillColor(ink)
      .text(text, margin, pdf.y, { width })
  pdf.y += gap - 4
}

function head(pdf: Pdf, facts: HandOverFacts, lines: readonly HandOverLine[], width: number): void {
  const count = `${lines.length} ${lines.length === 1 ? 'patient' : 'patients'}`
  pdf.font('bold').fontSize(17).fillColor(ink).text(`Hand-over, ${facts.places}`, margin, margin, { width })
  pdf.font('plain').fontSize(10).fillColor(soft).text(`${count}, the worst first.`, { width })
  pdf.y += 8
}

function foot(pdf: Pdf, { zone, printedAt }: HandOverFacts, page: string, width: number, y: number): void {
  const at = DateTime.fromISO(printedAt, { zone }).toFormat('d LLL yyyy, HH:mm')
  pdf
    .font('plain')
    .fontSize(8)
    .fillColor(soft)
    .text(`Zesty Wren, as of ${at}. What was entered, not a judgement of it. ${page}`, margin, y, { width, lineBreak: false })
}
