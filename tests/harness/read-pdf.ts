import { decodePDFRawStream, PDFArray, PDFDocument, PDFRawStream, type PDFPage } from 'pdf-lib'

const mmPerPoint = 25.4 / 72
type Matrix = readonly [number, number, number, number, number, number]

/** A page as another program reads it: its size and every stroked line, in mm from its upper left corner. */
export interface ReadPage {
  readonly widthMm: number
  readonly heightMm: number
  readonly lines: readonly (readonly (readonly [number, number])[])[]
}

/** Reads a PDF back with a library that did not make it, following its transformations. */
export async function readPdf(bytes: Uint8Array): Promise<readonly ReadPage[]> {
  const pdf = await PDFDocument.load(bytes)
  return pdf.getPages().map((page) => {
    const { width, height } = page.getSize()
    const lines = readLines(contentOf(page)).map((line) =>
      line.map(([x, y]): readonly [number, number] => [x * mmPerPoint, (height - y) * mmPerPoint]),
    )
    return { widthMm: width * mmPerPoint, heightMm: height * mmPerPoint, lines }
  })
}

function contentOf(page: PDFPage): string {
  const contents = page.node.Contents()
  const streams = contents instanceof PDFArray ? contents.asArray().map((one) => page.doc.context.lookup(one)) : [contents]
  return streams
    .map((stream) => (stream instanceof PDFRawStream ? Buffer.from(decodePDFRawStream(stream).decode()).toString('latin1') : ''))
    .join('\n')
}

function multiply(a: Matrix, b: Matrix): Matrix {
  return [
    a[0] * b[0] + a[1] * b[2],
    a[0] * b[1] + a[1] * b[3],
    a[2] * b[0] + a[3] * b[2],
    a[2] * b[1] + a[3] * b[3],
    a[4] * b[0] + a[5] * b[2] + b[4],
    a[4] * b[1] + a[5] * b[3] + b[5],
  ]
}

/** Every stroked path as points, in the page's own points. */
function readLines(content: string): (readonly [number, number])[][] {
  const lines: (readonly [number, number])[][] = []
  const stack: Matrix[] = []
  let matrix: Matrix = [1, 0, 0, 1, 0, 0]
  let path: (readonly [number, number])[][] = []
  let operands: number[] = []
  const place = (x: number, y: number): readonly [number, number] => [
    matrix[0] * x + matrix[2] * y + matrix[4],
    matrix[1] * x + matrix[3] * y + matrix[5],
  ]
  for (const token of content.match(/\[[^\]]*\]|<[^>]*>|\((?:\\.|[^\\)])*\)|[^\s[\]<>()]+/g) ?? []) {
    if (/^-?[\d.]+$/.test(token)) {
      operands.push(Number(token))
      continue
    }
    const [a = 0, b = 0, c = 0, d = 0] = operands
    if (token === 'q') stack.push(matrix)
    else if (token === 'Q') matrix = stack.pop() ?? matrix
    else if (token === 'cm') matrix = multiply(operands as unknown as Matrix, matrix)
    else if (token === 'm') path.push([place(a, b)])
    else if (token === 'l') path.at(-1)?.push(place(a, b))
    else if (token === 're') path.push([place(a, b), place(a + c, b), place(a + c, b + d), place(a, b + d)])
    else if (token === 'S' || token === 's' || token === 'B') {
      lines.push(...path)
      path = []
    } else if (token === 'n' || token === 'f' || token === 'W') path = token === 'W' ? path : []
    operands = []
  }
  return lines
}
