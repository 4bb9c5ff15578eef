/**
 * Where along the drawing a tap fell, in the drawing's own units.
 * @returns x in the viewBox
 */
export function xOfTap(event: React.MouseEvent<SVGSVGElement>): number {
  const svg = event.currentTarget
  const point = new DOMPoint(event.clientX, event.clientY)
  const matrix = svg.getScreenCTM()
  return matrix ? point.matrixTransform(matrix.inverse()).x : 0
}
