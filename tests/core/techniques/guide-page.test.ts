import { expect } from 'chai'
import { guidePage, sourceKindWords } from '#core/techniques/guide-page'
import { techniques } from '#core/techniques/registry'
import { cutLines } from '#core/techniques/cast-opening/cut-lines'
import { changedExample } from '../../harness/cases/example-cases'
import { planFile, testContext } from '../../harness/cases/leg-slab-cases'

describe('the guide', () => {
  for (const technique of techniques) {
    it(`${technique.id}: has a page with steps, fit, care and sources, all from the technique`, () => {
      const page = guidePage(technique, testContext())
      expect(page.plan.technique).to.equal(technique.id)
      expect(page.plan.procedure.steps.length).to.be.greaterThan(8)
      expect(page.plan.fit.length + page.plan.care.length).to.be.greaterThan(3)
      expect(page.sources.length).to.be.greaterThan(0)
      for (const source of page.sources) expect(Object.keys(sourceKindWords)).to.include(source.kind)
      expect(page.plan.problems.filter((problem) => problem.code === 'implausible' || problem.code === 'format')).to.deep.equal([])
    })
  }
})

describe('the cutting lines of a cast', () => {
  const planOf = (lines: string) => planFile(changedExample('cast-opening', (file) => void (file.options['lines'] = lines)))

  it('are as many as the way of opening has', () => {
    for (const [lines, count] of [
      ['strip', 2],
      ['single', 1],
      ['two-halves', 2],
    ] as const)
      for (const axis of ['leg', 'foot'])
        expect(planOf(lines).geometry.bands.filter((band) => band.kind === 'cut' && band.axis === axis)).to.have.length(count)
  })

  it('step aside from malleoli, fibular neck and injury, and stay on the limb', () => {
    const { geometry } = planOf('strip')
    for (const band of geometry.bands) {
      const line = band.line ?? []
      const shares = line.map(([, share]) => share)
      for (const share of shares) expect(share).to.be.within(0.05, 0.98)
      for (const mark of geometry.marks.filter((one) => one.id === 'malleoli' || one.id === 'fibular-neck' || one.kind === 'injury')) {
        const near = line.filter(([atCm]) => Math.abs(atCm - mark.atCm) < 2.5)
        for (const [, share] of near) expect(share, `${band.id} at ${mark.label}`).to.equal(Math.max(...shares))
      }
    }
  })

  it('run the whole length', () => {
    for (const line of cutLines('strip', [], 60)) {
      expect(line[0]?.[0]).to.equal(3)
      expect(line.at(-1)?.[0]).to.equal(60)
    }
  })
})
