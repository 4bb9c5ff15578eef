import { DateTime } from 'luxon'
import { actionWords, openingAction } from '#core/standing/action-words'
import { whatNow } from '#core/standing/what-now'
import { findTechnique } from '#core/techniques/registry'
import { sheets, type SheetId } from '#contract/api/papers'
import type { CaseRecord } from '#contract/records/case'
import type { EpisodeRecord } from '#contract/records/episode'
import { situationOfCase } from '#ward/case/situation-of-case'
import { endPaper, pointsPerMm, startPaper, type Pdf } from './paper'
import { drawQrCode } from './qr-code'

/** What a card or a label at the bedside says. */
export interface BedsideFacts {
  readonly who: string
  readonly part: string
  readonly device: string
  readonly appliedAt: string | null
  readonly zone: string
  /** How it comes off at once, in order. */
  readonly release: readonly string[]
  /** What is allowed on a leg; null elsewhere. */
  readonly weight: string | null
  readonly nextRoundAt: string | null
  readonly care: readonly string[]
  /** What stood when it was printed, worst first, known things aside. */
  readonly standing: readonly string[]
  readonly printedAt: string
  /** Where the case opens: what the code on the label says. */
  readonly address: string
}

const mm = pointsPerMm

/** When a device comes off at once. */
export const releaseWhen = 'No pulse, cold and pale, new numbness or weakness, pain on stretching, pain out of proportion, breathless:'

/** How the device of a case comes off at once, in the order that saves: as for a lost pulse, or for breath where it holds head or spine. */
export function releaseLines(record: CaseRecord, episode: EpisodeRecord, nowMs: number): readonly string[] {
  const technique = findTechnique(record.technique)
  const holds = technique?.onUrgent.holds ?? 'break'
  const moment = { ...situationOfCase(record, episode, nowMs), on: { holds, part: null, isWarm: false } }
  const isOfLimb = holds === 'break' || holds === 'pull'
  const danger = { danger: isOfLimb ? ('limb' as const) : ('breathing' as const), part: null, item: null }
  return whatNow([danger], moment).flatMap((action) => [
    actionWords(action, moment, [danger]),
    ...(action === openingAction[holds] ? (technique?.onUrgent.actions ?? []) : []),
  ])
}

/** "Release now": large type on the upper half of a sheet, to hang at the bed. */
export async function printReleaseCard(facts: BedsideFacts, sheet: SheetId): Promise<Buffer> {
  const pdf = startPaper(sheet, 'Release now', { isTagged: true })
  const structParent = startStructure(pdf)
  pdf.addPage()
  const width = sheets[sheet].widthMm * mm
  const inner = width - 30 * mm
  const frame = { top: 8 * mm, bottom: 140 * mm }
  pdf
    .rect(8 * mm, frame.top, width - 16 * mm, frame.bottom - frame.top)
    .lineWidth(2)
    .stroke('#9c1f2e')
  pdf
    .fillColor('#9c1f2e')
    .font('bold')
    .fontSize(30)
    .text('RELEASE NOW', 15 * mm, 14 * mm, { width: inner, structParent })
  pdf.fillColor('#1d1b16').fontSize(14).text(`${facts.device}, ${facts.part}`, { width: inner, structParent })
  pdf.font('plain').fontSize(12).text(facts.who, { width: inner, structParent })
  pdf.moveDown(0.4)
  // As large as all of it fits into the frame: the call at its end must not fall out of it.
  const steps = facts.release.map((line, index) => `${index + 1}.  ${line}`)
  const size = largestThatFits(pdf, [...steps, releaseWhen, callLine], inner, frame.bottom - pdf.y - 5 * mm)
  pdf
    .font('plain')
    .fontSize(size - 2)
    .text(releaseWhen, { width: inner, structParent })
  for (const step of steps) pdf.font('bold').fontSize(size).text(step, { width: inner, structParent })
  pdf.moveDown(0.3).text(callLine, { width: inner, structParent })
  drawCut(pdf, width, 146 * mm)
  const at = DateTime.fromISO(facts.printedAt, { zone: facts.zone }).toFormat('ccc d LLL, HH:mm')
  pdf
    .font('bold')
    .fontSize(12)
    .text(`What stood when this was printed, ${at}`, 15 * mm, 152 * mm, { width: inner, structParent })
  pdf.font('plain').fontSize(11)
  const lines = facts.standing.length > 0 ? facts.standing : ['Nothing above what is known. Look again before you rely on it.']
  for (const line of lines.slice(0, 12)) pdf.text(line, { width: inner, structParent })
  structParent.end()
  return endPaper(pdf)
}

const callLine = 'Call now:  ______________________   Night:  ______________________'
const sizes = { greatest: 14, least: 8 } as const

/** The largest bold type in which lines stand under each other in so high a frame, points. */
function largestThatFits(pdf: Pdf, lines: readonly string[], width: number, height: number): number {
  for (let size: number = sizes.greatest; size > sizes.least; size -= 0.5) {
    pdf.font('bold').fontSize(size)
    const whole = lines.reduce((sum, line) => sum + pdf.heightOfString(line, { width }), size)
    if (whole <= height) return size
  }
  return sizes.least
}

/** The label for the bed: who, what, since when, what is allowed, when it is looked at next, and the code that opens the case. */
export async function printBedsideLabel(facts: BedsideFacts, sheet: SheetId): Promise<Buffer> {
  const pdf = startPaper(sheet, 'Bedside label', { isTagged: true })
  const structParent = startStructure(pdf)
  pdf.addPage()
  const [left, top, width, height] = [10 * mm, 10 * mm, 150 * mm, 74 * mm]
  const codeSide = 36 * mm
  const inner = width - codeSide - 12 * mm
  pdf.rect(left, top, width, height).lineWidth(1).dash(3, { space: 2 }).stroke('#5d574a').undash()
  const time = (iso: string | null): string => (iso ? DateTime.fromISO(iso, { zone: facts.zone }).toFormat('ccc d LLL, HH:mm') : 'not yet')
  pdf
    .fillColor('#1d1b16')
    .font('bold')
    .fontSize(15)
    .text(facts.who, left + 5 * mm, top + 4 * mm, { width: inner, structParent })
  pdf.fontSize(13).text(`${facts.device}, ${facts.part}`, { width: inner, structParent })
  pdf.font('plain').fontSize(11)
  pdf.text(`On since ${time(facts.appliedAt)}. Next look ${time(facts.nextRoundAt)}.`, { width: inner, structParent })
  if (facts.weight) pdf.font('bold').text(facts.weight, { width: inner, structParent })
  pdf.font('plain').fontSize(9.5)
  for (const line of facts.care.slice(0, 5)) {
    const { y } = pdf
    pdf.text('·', left + 5 * mm, y, { lineBreak: false, structParent })
    pdf.text(line, left + 8 * mm, y, { width: inner - 3 * mm, structParent })
  }
  const codeLeft = left + width - codeSide - 3 * mm
  drawQrCode(pdf, facts.address, codeLeft, top + 3 * mm, codeSide)
  pdf
    .fillColor('#5d574a')
    .fontSize(8)
    .text('Opens the case, for who may read it', codeLeft, top + 3 * mm + codeSide, { width: codeSide, align: 'center', structParent })
  structParent.end()
  return endPaper(pdf)
}

/** The one part of a paper that is a single sheet: every text of it is told to screen readers. */
function startStructure(pdf: Pdf): PDFKit.PDFStructureElement {
  const root = pdf.struct('Document')
  pdf.addStructure(root)
  return root
}

function drawCut(pdf: Pdf, width: number, y: number): void {
  pdf.lineWidth(0.5).dash(4, { space: 3 }).moveTo(0, y).lineTo(width, y).stroke('#5d574a').undash()
}
