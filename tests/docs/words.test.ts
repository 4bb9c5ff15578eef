import { expect } from 'chai'
import { flagRulesOf } from '#core/rules/by-what-is-put-on'
import { techniques } from '#core/techniques/registry'
import { readdirSync, readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { retiredIn, retiredWords } from '../harness/cases/retired-words'

const source = fileURLToPath(new URL('../../src', import.meta.url))
/** Old stories of the demo world and stored kinds name what they name. */
const isCode = (word: string): boolean => !word.includes(' ')

/** The lines of a file that people may come to read: no comments. */
function saidIn(file: string): readonly string[] {
  return readFileSync(`${source}/${file}`, 'utf8')
    .replace(/\/\*[\s\S]*?\*\//g, '')
    .split('\n')
    .map((line) => line.replace(/(^|\s)\/\/.*$/, ''))
}

describe('docs/words.md', () => {
  it('names words that are not to be used', () => {
    expect(retiredWords.length).to.be.greaterThan(10)
    expect(retiredIn('Urgent, 3 stand\nand more')).to.have.length(1)
    expect(retiredIn('Urgent, 13 standing')).to.deep.equal([])
  })

  it('none of them stands in a text of the program', () => {
    const files = readdirSync(source, { recursive: true }).filter((name): name is string => /\.tsx?$/.test(String(name)))
    const found = files.flatMap((file) =>
      retiredIn(saidIn(file).join('\n'))
        .filter((one) => !isCode(one.split(':')[0] ?? ''))
        .map((one) => `${file}: ${one}`),
    )
    expect(found).to.deep.equal([])
  })
})

describe('the guide of a collar, vest or shell', () => {
  it('speaks of neither ring nor foot: nothing of it lies there', () => {
    for (const technique of techniques.filter(({ onUrgent }) => onUrgent.holds === 'head')) {
      const said = [
        ...flagRulesOf(technique.puts).map(({ text, why }) => `${text} ${why}`),
        ...technique.onUrgent.actions,
        ...technique.troubles.flatMap(({ label, actions }) => [label, ...actions]),
      ].join(' ')
      expect(said, technique.id).to.not.match(/\b(ring|hitch|foot|toes?)\b/i)
    }
  })
})
