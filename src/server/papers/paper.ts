import { createRequire } from 'node:module'
import PDFDocument from 'pdfkit'
import { sheets, type SheetId } from '#contract/api/papers'

const require = createRequire(import.meta.url)
const faces = {
  plain: require.resolve('@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-400-normal.woff'),
  bold: require.resolve('@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-700-normal.woff'),
} as const

/** Points of a printed page in one mm. */
export const pointsPerMm = 72 / 25.4

export type Pdf = PDFKit.PDFDocument

/**
 * An empty document of one sheet size with the application's own face, `plain` and `bold`.
 * @param isTagged its structure is told to screen readers, and pages stay open until its end
 */
export function startPaper(sheet: SheetId, title: string, { isTagged = false }: { readonly isTagged?: boolean } = {}): Pdf {
  const { widthMm, heightMm } = sheets[sheet]
  const pdf = new PDFDocument({
    size: [widthMm * pointsPerMm, heightMm * pointsPerMm],
    margin: 0,
    autoFirstPage: false,
    info: { Title: title, Producer: 'Zesty Wren', Creator: 'Zesty Wren' },
    lang: 'en',
    displayTitle: true,
    ...(isTagged ? { tagged: true, bufferPages: true, pdfVersion: '1.5' as const } : {}),
  })
  pdf.registerFont('plain', faces.plain)
  pdf.registerFont('bold', faces.bold)
  return pdf.font('plain')
}

/** Ends a document and gives its bytes. */
export function endPaper(pdf: Pdf): Promise<Buffer> {
  return new Promise((resolve, reject) => {
    const parts: Buffer[] = []
    pdf.on('data', (part: Buffer) => parts.push(part))
    pdf.on('end', () => resolve(Buffer.concat(parts)))
    pdf.on('error', reject)
    pdf.end()
  })
}
