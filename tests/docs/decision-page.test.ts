import { expect } from 'chai'
import { readFileSync } from 'node:fs'
import { decisionPage } from '../../scripts/generate/decision-page'

describe('docs/formulas.md', () => {
  const page = decisionPage()
  const rows = (page.split('\n## What a hand needs')[0] ?? '').split('\n').filter((line) => line.startsWith('| `'))

  it('is what the core says today', () => {
    expect(readFileSync(new URL('../../docs/formulas.md', import.meta.url), 'utf8')).to.equal(page)
  })

  it('gives every decision of every technique a name, a formula and a source', () => {
    expect(rows.length).to.be.greaterThan(130)
    for (const row of rows) {
      const [, , label, , range, formula, source] = row.split(/(?<!\\)\|/).map((cell) => cell.trim())
      expect(label, row).to.match(/\S/)
      expect(range, row).to.match(/\S/)
      expect(formula, row).to.match(/\S/)
      expect(source, row).to.match(/^(anatomy|physics|practice|model)$/)
    }
  })
})
