import { create } from 'qrcode'
import type { Pdf } from './paper'

/** Light border that readers need round the code, in modules (ISO/IEC 18004). */
const quietModules = 4

/**
 * A text as the squares of a QR code, row by row, true for dark; without its light border. Read even where a seventh of it is soiled.
 * @param text an address, 300 characters at most
 */
export function qrModules(text: string): readonly (readonly boolean[])[] {
  const { modules } = create(text, { errorCorrectionLevel: 'M' })
  return Array.from({ length: modules.size }, (_, row) =>
    Array.from({ length: modules.size }, (_, column) => modules.get(row, column) === 1),
  )
}

/** Draws a QR code with its light border inside a square, points. */
export function drawQrCode(pdf: Pdf, text: string, left: number, top: number, side: number): void {
  const rows = qrModules(text)
  const unit = side / (rows.length + 2 * quietModules)
  pdf.save().rect(left, top, side, side).fill('#ffffff')
  rows.forEach((row, y) =>
    row.forEach((isDark, x) => {
      if (isDark) pdf.rect(left + (x + quietModules) * unit, top + (y + quietModules) * unit, unit, unit)
    }),
  )
  pdf.fill('#000000').restore()
}
