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

  it('shows what each danger raises as it is today (npm run dangers)', function () {
    this.timeout(60_000)
    expect(withMusts(withWhatNow(withDangers(page)))).to.equal(page)
  })
})
