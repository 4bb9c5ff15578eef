/** Colours by theme: asking the page for them makes it work out its style. */
const tones = new Map<string, string>()

/** A colour of the page by its name in the theme, for a canvas, which knows no variables. */
export function pageTone(name: string): string {
  const isForced = window.matchMedia('(forced-colors: active)').matches
  const key = `${isForced ? 'forced' : (document.documentElement.dataset['theme'] ?? 'light')} ${name}`
  const known = tones.get(key)
  if (known !== undefined) return known
  const tone = getComputedStyle(document.documentElement).getPropertyValue(`--${name}`).trim()
  if (tone !== '') tones.set(key, tone)
  return tone
}
