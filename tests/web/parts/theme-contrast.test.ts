import { expect } from 'chai'
import { readFileSync } from 'node:fs'

const css = readFileSync(new URL('../../../src/web/theme.css', import.meta.url), 'utf8')

/** The colours of a theme by their names; the dark one names those that differ from the light. */
function tokensOf(selector: RegExp): Readonly<Record<string, string>> {
  const [, block = ''] = new RegExp(`${selector.source}[^{]*\\{([^}]*)\\}`).exec(css) ?? []
  return Object.fromEntries([...block.matchAll(/--([\w-]+):\s*(#[0-9a-f]{6})/g)].map((match) => [match[1]!, match[2]!]))
}
const light = tokensOf(/:root/)
const themes = { light, dark: { ...light, ...tokensOf(/:root\[data-theme='dark'\]/) } }

/** Relative luminance of an sRGB colour, 0 to 1 (WCAG 2). */
function luminance(hex: string): number {
  const [red, green, blue] = [1, 3, 5].map((at) => {
    const share = Number.parseInt(hex.slice(at, at + 2), 16) / 255
    return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4
  }) as [number, number, number]
  return 0.2126 * red + 0.7152 * green + 0.0722 * blue
}

/** Contrast of two colours, 1 to 21 (WCAG 2). */
function contrast(one: string, other: string): number {
  const [dark, bright] = [luminance(one), luminance(other)].sort((a, b) => a - b) as [number, number]
  return (bright + 0.05) / (dark + 0.05)
}

/** Every colour of text with every ground that it stands on. */
const pairs: readonly (readonly [string, string])[] = [
  ...['ink', 'soft', 'stop', 'caution', 'calm', 'known'].flatMap((text) => ['paper', 'sheet'].map((ground) => [text, ground] as const)),
  ...['ink', 'soft'].flatMap((text) => ['well', 'stop-wash', 'caution-wash', 'calm-wash'].map((ground) => [text, ground] as const)),
  ['stop', 'well'],
  ['caution', 'well'],
  ['calm', 'well'],
  ['stop', 'stop-wash'],
  ['caution', 'caution-wash'],
  ['calm', 'calm-wash'],
  ['on-citrus', 'citrus'],
  ['on-slab', 'slab'],
  ['on-slab', 'half-set'],
]

/** Lines and marks that say something without a word, with their grounds. */
const marks = ['paper', 'sheet', 'well'].map((ground) => ['citrus-deep', ground] as const)

describe('the colours of a theme', () => {
  it('contrast as WCAG counts it: black on white is 21, a colour on itself 1', () => {
    expect(contrast('#000000', '#ffffff')).to.be.closeTo(21, 1e-9)
    expect(contrast('#777777', '#777777')).to.equal(1)
    expect(contrast('#777777', '#ffffff')).to.be.closeTo(4.48, 0.01)
  })

  for (const [name, tokens] of Object.entries(themes)) {
    const faint = (list: readonly (readonly [string, string])[], least: number): readonly string[] =>
      list.flatMap(([text, ground]) => {
        const [one, other] = [tokens[text], tokens[ground]]
        if (!one || !other) return [`${text} on ${ground}: not there`]
        const ratio = contrast(one, other)
        return ratio >= least ? [] : [`${text} on ${ground}: ${ratio.toFixed(2)}`]
      })

    it(`${name}: text can be read on whatever it stands, 4.5 to 1 at least; what is only marked, 3 to 1`, () => {
      expect(faint(pairs, 4.5)).to.deep.equal([])
      expect(faint(marks, 3)).to.deep.equal([])
    })
  }
})
