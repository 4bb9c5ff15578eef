/** Two letters' edges may touch by this much, px. */
const tolerancePx = 1

interface Named {
  readonly words: string
  readonly box: DOMRect
  readonly label: SVGElement | null
}

/**
 * What is wrong with the lettering of the drawings in an element: texts over one another, out of their frame, over the body, or over the
 * place that is named.
 */
export function faultsOfLabels(host: Element): { readonly faults: readonly string[]; readonly labels: number } {
  const faults: string[] = []
  let labels = 0
  for (const svg of host.querySelectorAll<SVGSVGElement>('svg[role="img"]')) {
    const frame = svg.getBoundingClientRect()
    const texts = [...svg.querySelectorAll<SVGTextElement>('text')].map((text): Named => ({
      words: text.textContent ?? '',
      box: text.getBoundingClientRect(),
      label: text.dataset['label'] ? text : null,
    }))
    labels += texts.length
    texts.forEach((text, index) => {
      if (!isInside(text.box, frame)) faults.push(`“${text.words}” leaves the frame`)
      for (const other of texts.slice(index + 1)) if (doMeet(text.box, other.box)) faults.push(`“${text.words}” meets “${other.words}”`)
    })
    for (const one of texts.filter(({ label }) => label)) {
      if (isOverBody(svg, one.box)) faults.push(`“${one.words}” lies over the body`)
      const place = placeNamed(one.label)
      if (place && isIn(place, one.box)) faults.push(`“${one.words}” hides what it names`)
      const line = lineOf(one.label)
      for (const other of texts)
        if (other !== one && line.some((point) => isInLetters(point, other.box)))
          faults.push(`the line of “${one.words}” runs through “${other.words}”`)
      for (const mark of svg.querySelectorAll('[data-finding] > g'))
        if (doMeet(mark.getBoundingClientRect(), one.box)) faults.push(`“${one.words}” lies over a mark`)
    }
  }
  return { faults, labels }
}

function isInside(box: DOMRect, frame: DOMRect): boolean {
  return (
    box.left >= frame.left - tolerancePx &&
    box.right <= frame.right + tolerancePx &&
    box.top >= frame.top - tolerancePx &&
    box.bottom <= frame.bottom + tolerancePx
  )
}

function doMeet(a: DOMRect, b: DOMRect): boolean {
  return (
    Math.min(a.right, b.right) - Math.max(a.left, b.left) > tolerancePx &&
    Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top) > tolerancePx * 2
  )
}

function isIn(point: DOMPoint, box: DOMRect): boolean {
  return point.x > box.left && point.x < box.right && point.y > box.top && point.y < box.bottom
}

/** Whether the middle line of a text runs over the outline of a body. */
function isOverBody(svg: SVGSVGElement, box: DOMRect): boolean {
  return [...svg.querySelectorAll<SVGPathElement>('[data-form]')].some((form) => {
    const matrix = form.getScreenCTM()?.inverse()
    if (!matrix) return false
    const middle = (box.top + box.bottom) / 2
    return [0.05, 0.25, 0.5, 0.75, 0.95].some((share) =>
      form.isPointInFill(new DOMPoint(box.left + box.width * share, middle).matrixTransform(matrix)),
    )
  })
}

/** Places along the line from a label to what it names, on the page. */
function lineOf(label: SVGElement | null): readonly DOMPoint[] {
  const leader = label?.parentElement?.querySelector<SVGPathElement>('path')
  const matrix = leader?.getScreenCTM()
  if (!leader || !matrix) return []
  const [length, steps] = [leader.getTotalLength(), 120]
  return Array.from({ length: steps + 1 }, (_, index) => {
    const { x, y } = leader.getPointAtLength((length * index) / steps)
    return new DOMPoint(x, y).matrixTransform(matrix)
  })
}

/** Whether a place lies within the letters of a text, their edges aside. */
function isInLetters({ x, y }: DOMPoint, box: DOMRect): boolean {
  return x > box.left + 2 && x < box.right - 2 && y > box.top + 4 && y < box.bottom - 4
}

/** Where the leader of a label begins, on the page. */
function placeNamed(label: SVGElement | null): DOMPoint | null {
  const leader = label?.parentElement?.querySelector<SVGPathElement>('path')
  const matrix = leader?.getScreenCTM()
  const start = leader?.getPointAtLength(0)
  return start && matrix ? new DOMPoint(start.x, start.y).matrixTransform(matrix) : null
}
