import { DateTime } from 'luxon'
import { sheets, type SheetId } from '#contract/api/papers'
import { endPaper, pointsPerMm, startPaper, type Pdf } from './paper'
import { drawCodes, type FlowCodes } from './flow-codes'
import { drawFigure, heightOfFigure, type FlowFigure } from './flow-figure'
import { drawTable, type FlowTable } from './flow-table'

/** What flows down a paper, in order. */
export type FlowBlock =
  | { readonly kind: 'title' | 'heading' | 'line' | 'strong'; readonly text: string }
  | { readonly kind: 'list'; readonly lines: readonly string[] }
  | FlowTable
  | FlowFigure
  | FlowCodes
  /** Not split over two pages where it fits on one. */
  | { readonly kind: 'together'; readonly blocks: readonly FlowBlock[] }
  /** What follows begins on a page of its own, or under a line. */
  | { readonly kind: 'page' }
  | { readonly kind: 'rule' }

/** How large a paper is set, points. */
export interface FlowSize {
  readonly title: number
  readonly heading: number
  readonly text: number
}
export const readingSize: FlowSize = { title: 17, heading: 12, text: 10 }
/** For reading at home, by tired eyes. */
export const largeSize: FlowSize = { title: 24, heading: 17, text: 14.5 }

export interface FlowFacts {
  readonly title: string
  /** IANA */
  readonly zone: string
  /** ISO 8601 */
  readonly printedAt: string
}

export interface FlowLook {
  readonly size?: FlowSize
  /** Side by side on a page; one where it is left out. */
  readonly columns?: number
  /** In smaller type until everything is on one page, down to a size that still prints. */
  readonly isOnePage?: true
}

const margin = 14 * pointsPerMm
const gutter = 6 * pointsPerMm
const footerHeight = 12 * pointsPerMm
const ink = '#1d1b16'
const soft = '#5d574a'
const leastText = 4.5

/** Prints blocks down as many pages as they need, tagged for screen readers; every page says which of how many, and as of when. */
export async function printFlow(blocks: readonly FlowBlock[], facts: FlowFacts, sheet: SheetId, look: FlowLook = {}): Promise<Buffer> {
  const size = look.size ?? readingSize
  for (let share = 1; ; share -= 0.06) {
    const smaller = { title: Math.max(12, size.title * share), heading: size.heading * share, text: size.text * share }
    const pdf = draw(blocks, facts, sheet, smaller, look.columns ?? 1)
    if (!look.isOnePage || pdf.bufferedPageRange().count === 1 || smaller.text < leastText) return endPaper(pdf)
  }
}

function draw(blocks: readonly FlowBlock[], facts: FlowFacts, sheet: SheetId, size: FlowSize, columns: number): Pdf {
  const pdf = startPaper(sheet, facts.title, { isTagged: true })
  const { widthMm, heightMm } = sheets[sheet]
  const whole = widthMm * pointsPerMm - 2 * margin
  const width = (whole - gutter * (columns - 1)) / columns
  const bottom = heightMm * pointsPerMm - margin - footerHeight
  const root = pdf.struct('Document')
  pdf.addStructure(root)
  let column = 0
  let top = margin
  const newPage = (): void => {
    pdf.addPage()
    column = 0
    top = margin
    pdf.x = margin
    pdf.y = margin
  }
  newPage()
  const need = (height: number): void => {
    if (pdf.y + height <= bottom) return
    if (++column >= columns) return newPage()
    pdf.x = margin + column * (width + gutter)
    pdf.y = top
  }
  const write = (tag: string, text: string, font: 'plain' | 'bold', points: number, indent = 0, bullet = ''): void => {
    pdf.font(font).fontSize(points)
    need(pdf.heightOfString(text, { width: width - indent }))
    const left = margin + column * (width + gutter)
    root.add(
      pdf.struct(tag, {}, () => {
        pdf.font(font).fontSize(points).fillColor(ink)
        const y = pdf.y
        // Lines that go on begin under the words, not under the bullet.
        if (bullet) pdf.text(bullet, left + indent * 0.35, y, { lineBreak: false })
        pdf.text(text, left + indent, y, { width: width - indent })
      }),
    )
  }
  const put = (block: FlowBlock): void => {
    switch (block.kind) {
      case 'title':
        write('H1', block.text, 'bold', size.title)
        // Columns begin below what stands over all of them.
        if (column === 0) top = pdf.y
        return
      case 'heading':
        pdf.y += size.text * 0.7
        // A heading stays with what follows it.
        need(size.heading * 3)
        return write('H2', block.text, 'bold', size.heading)
      case 'line':
        return write('P', block.text, 'plain', size.text)
      case 'strong':
        return write('P', block.text, 'bold', size.text)
      case 'list':
        for (const line of block.lines) {
          write('P', line, 'plain', size.text, size.text * 1.1, '•')
          pdf.y += size.text * 0.15
        }
        return
      case 'table':
        return drawTable(pdf, block, { left: margin + column * (width + gutter), width, need, text: size.text })
      case 'figure':
        if (heightOfFigure(block, size.text) === 0) return
        need(heightOfFigure(block, size.text))
        root.add(
          pdf.struct('Figure', { alt: block.alt }, () => {
            drawFigure(pdf, block, { left: margin + column * (width + gutter), width, textPt: size.text })
          }),
        )
        return
      case 'codes': {
        const { texts } = block
        root.add(
          pdf.struct('Figure', { alt: 'The text of this page as codes to scan.' }, () => {
            drawCodes(pdf, { kind: 'codes', texts }, { left: margin + column * (width + gutter), width, need })
          }),
        )
        return
      }
      case 'together':
        need(Math.min(heightOf(pdf, block.blocks, size, width), bottom - margin))
        return block.blocks.forEach(put)
      case 'page':
        return newPage()
      case 'rule':
        return drawRule(pdf, margin + column * (width + gutter), width)
    }
  }
  blocks.forEach(put)
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
      .text(`Zesty Wren, as of ${at}. What was entered, not a judgement of it. Page ${page + 1} of ${count}`, margin, bottom + 8, {
        width: whole,
        lineBreak: false,
      })
    pdf.endMarkedContent()
  }
  return pdf
}

const ruleGap = 10

function drawRule(pdf: Pdf, left: number, width: number): void {
  pdf.y += ruleGap
  pdf.markContent('Artifact', { type: 'Layout' })
  pdf
    .moveTo(left, pdf.y)
    .lineTo(left + width, pdf.y)
    .lineWidth(0.5)
    .stroke(soft)
  pdf.endMarkedContent()
}

/** How high lines stand under each other; a table or a page of its own is not kept together with anything. */
function heightOf(pdf: Pdf, blocks: readonly FlowBlock[], size: FlowSize, width: number): number {
  return blocks.reduce((sum, block) => {
    if (block.kind === 'rule') return sum + ruleGap
    if (block.kind === 'figure') return sum + heightOfFigure(block, size.text)
    if (block.kind === 'table' || block.kind === 'codes' || block.kind === 'page' || block.kind === 'together') return sum
    const points = block.kind === 'title' ? size.title : block.kind === 'heading' ? size.heading : size.text
    pdf.font(block.kind === 'line' || block.kind === 'list' ? 'plain' : 'bold').fontSize(points)
    const lines = block.kind === 'list' ? block.lines : [block.text]
    const gap = block.kind === 'heading' ? size.text * 0.7 : 0
    return lines.reduce((height, line) => height + pdf.heightOfString(line, { width: width - size.text }), sum + gap)
  }, 0)
}
