import { expect } from 'chai'
import { existsSync, readFileSync } from 'node:fs'
import { withDangers } from '../../scripts/generate/danger-table'
import { withMusts } from '../../scripts/generate/must-table'
import { withWhatNow } from '../../scripts/generate/what-now-table'

const page = readFileSync(new URL('../../docs/hazards.md', import.meta.url), 'utf8')
const [hazards = ''] = page.split('## What is done about each danger')
const rows = hazards
  .split('\n')
  .filter((line) => line.startsWith('| ') && !line.startsWith('| hazard'))
  .map((line) => line.split('|').map((cell) => cell.trim()))

/** What stands in backticks in a cell. */
const quoted = (cell: string): readonly string[] => [...cell.matchAll(/`([^`]+)`/g)].map(([, words = '']) => words)
/** The text of the files that a cell names. */
const textsOf = (cell: string): string =>
  quoted(cell)
    .map((path) => readFileSync(new URL(`../../${path}`, import.meta.url), 'utf8'))
    .join('\n')

describe('docs/hazards.md', () => {
  it('lists hazards, each with a rule, an owner and a test', () => {
    expect(rows.length).to.be.greaterThan(20)
    for (const [, hazard, rule, code, test, owner] of rows) {
      expect(hazard).to.match(/\S/)
      expect(rule).to.match(/\S/)
      expect(code).to.match(/`/)
      expect(owner).to.match(/\S/)
      expect(test).to.match(/`tests\//)
    }
  })

  it('names code and tests that exist', () => {
    for (const match of page.matchAll(/`((?:src|tests)\/[^`]+)`/g)) {
      expect(existsSync(new URL(`../../${match[1] ?? ''}`, import.meta.url)), match[1]).to.equal(true)
    }
  })

  it('finds each code that a rule names in the file that the row names, and in its test', () => {
    const said = rows.flatMap(([, hazard = '', rule = '', code = '', test = '']) =>
      quoted(rule).map((name) => ({ hazard, name, code: textsOf(code), test: textsOf(test) })),
    )
    expect(said.length).to.be.greaterThan(10)
    const isIn = (name: string, text: string): boolean => text.includes(`'${name}'`) || text.includes(`${name}:`)
    expect(
      said.filter(({ name, code }) => !isIn(name, code)).map(({ hazard, name }) => `${hazard}: ${name} is not in its code`),
    ).to.deep.equal([])
    expect(
      said.filter(({ name, test }) => !test.includes(name)).map(({ hazard, name }) => `${hazard}: ${name} is not in its test`),
    ).to.deep.equal([])
  })

  it('shows what each danger raises as it is today (npm run dangers)', function () {
    this.timeout(60_000)
    expect(withMusts(withWhatNow(withDangers(page)))).to.equal(page)
  })
})
