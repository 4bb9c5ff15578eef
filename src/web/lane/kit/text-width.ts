const narrow = new Set([..."iljtfr.,:;'’|()!- "])
const wide = new Set([...'mwMWQO%'])

/**
 * How wide a label is at most, in the lettering of the drawings: judged by its letters, so that it is known before it is drawn.
 * @param sizePx height of the letters
 * @returns px, a little more than it needs
 */
export function textWidthPx(text: string, sizePx: number): number {
  let ems = 0
  for (const letter of text) ems += narrow.has(letter) ? 0.42 : wide.has(letter) ? 0.95 : /[A-Z]/.test(letter) ? 0.74 : 0.63
  return Math.ceil(ems * sizePx)
}

/** A label no wider than `mostPx`, with an ellipsis where it is cut. */
export function cutToWidth(text: string, sizePx: number, mostPx: number): string {
  if (textWidthPx(text, sizePx) <= mostPx) return text
  let cut = text
  while (cut.length > 1 && textWidthPx(`${cut}…`, sizePx) > mostPx) cut = cut.slice(0, -1)
  return `${cut.trimEnd()}…`
}
