import { qrModules, quietModules } from '#ward/story/qr-modules'
import type { Pdf } from './paper'

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
