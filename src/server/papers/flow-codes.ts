import { pointsPerMm, type Pdf } from './paper'
import { drawQrCode } from './qr-code'

/** Texts as codes to scan, beside each other. */
export interface FlowCodes {
  readonly kind: 'codes'
  readonly texts: readonly string[]
}

/** As large as a camera reads from a hand's width. */
const sidePt = 42 * pointsPerMm
const gapPt = 4 * pointsPerMm

/** Draws codes in rows of as many as the column holds. @param need makes room for so many points */
export function drawCodes(
  pdf: Pdf,
  { texts }: FlowCodes,
  at: { readonly left: number; readonly width: number; readonly need: (height: number) => void },
): void {
  const inRow = Math.max(1, Math.floor((at.width + gapPt) / (sidePt + gapPt)))
  for (let first = 0; first < texts.length; first += inRow) {
    at.need(sidePt + gapPt)
    const top = pdf.y + gapPt
    texts.slice(first, first + inRow).forEach((text, column) => drawQrCode(pdf, text, at.left + column * (sidePt + gapPt), top, sidePt))
    pdf.y = top + sidePt
  }
}
