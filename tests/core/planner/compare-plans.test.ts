import { expect } from 'chai'
import { comparePlans, isOfSubstance } from '#core/planner/compare-plans'
import type { SizeStrip } from '#core/model/decision'
import { findTechnique } from '#core/techniques/registry'
import { changedExample, exampleOf, techniqueIds } from '../../harness/cases/example-cases'
import { decisionOf, planFile } from '../../harness/cases/leg-slab-cases'

const withOption = (technique: string, id: string, value: string) =>
  planFile(
    changedExample(technique, (file) => {
      file.options = { ...file.options, [id]: value }
    }),
  )

describe('two plans side by side', () => {
  for (const technique of techniqueIds) {
    it(`${technique}: the same plan differs in nothing`, () => {
      const plan = planFile(exampleOf(technique))
      const changes = comparePlans(plan, planFile(exampleOf(technique)))
      for (const list of Object.values(changes)) expect(list).to.deep.equal([])
      expect(isOfSubstance(changes)).to.equal(false)
    })

    it(`${technique}: what one way round is new is gone the other way round`, () => {
      const before = planFile(exampleOf(technique))
      for (const option of findTechnique(technique)?.options ?? []) {
        for (const { id } of option.values) {
          const after = withOption(technique, option.id, id)
          const there = comparePlans(before, after)
          const back = comparePlans(after, before)
          expect(there.cautionsNew).to.have.members([...back.cautionsGone])
          expect(there.stepsNew).to.have.members([...back.stepsGone])
          expect(there.decisions.map((decision) => [decision.id, decision.before, decision.after])).to.have.deep.members(
            back.decisions.map((decision) => [decision.id, decision.after, decision.before]),
          )
        }
      }
    })
  }

  it('names what the toe end changes, and nothing that stays', () => {
    const changes = comparePlans(withOption('leg-slab', 'length', 'toe-crease'), withOption('leg-slab', 'length', 'past-toes'))
    expect(changes.decisions.map((decision) => decision.id)).to.include('slab-length')
    expect(changes.decisions.map((decision) => decision.id)).not.to.include('slab-coverage')
  })

  it('says that a decision is missing from one of them', () => {
    const plan = planFile(exampleOf('leg-slab'))
    const without = { ...plan, decisions: plan.decisions.filter((decision) => decision.id !== 'slab-width') }
    expect(comparePlans(plan, without).decisions).to.deep.equal([
      { id: 'slab-width', label: 'Slab width', before: decisionOf(plan, 'slab-width').display, after: null },
    ])
  })
})

describe('how sure a size is', () => {
  const stripOf = (technique: string, id: string, change: Parameters<typeof changedExample>[1] = () => undefined): SizeStrip => {
    const { strip } = decisionOf(planFile(changedExample(technique, change)), id)
    if (!strip) throw new Error(`${technique} has no strip for ${id}`)
    return strip
  }
  const sized = [
    ['ring-traction', 'ring'],
    ['suspended-ring-traction', 'ring'],
    ['trunk-shell', 'size'],
    ['walker-boot', 'size'],
    ['extrication-collar', 'setting'],
  ] as const

  for (const [technique, id] of sized) {
    it(`${technique}: ranges in order, odds of a reading between none and all, one size used`, () => {
      const strip = stripOf(technique, id)
      expect(strip.sizes.length).to.be.greaterThan(2)
      expect(strip.sizes.filter((size) => size.isUsed)).to.have.length(1)
      for (const one of strip.sizes) {
        expect(one.toCm).to.be.greaterThan(one.fromCm)
        expect(one.odds).to.be.within(0, 1)
      }
      const starts = strip.sizes.map((size) => size.fromCm)
      expect(starts).to.deep.equal([...starts].sort((a, b) => a - b))
    })
  }

  it('collar stretches meet without a gap and their odds sum to one', () => {
    const { sizes } = stripOf('extrication-collar', 'setting')
    sizes.slice(1).forEach((size, index) => expect(size.fromCm).to.be.closeTo(sizes[index]?.toCm ?? NaN, 1e-9))
    expect(sizes.reduce((sum, one) => sum + one.odds, 0)).to.be.closeTo(1, 1e-6)
  })

  it('swelling moves the middle up and adds its own doubt', () => {
    const none = stripOf('ring-traction', 'ring', (file) => void (file.injury['swelling'] = 'none'))
    const marked = stripOf('ring-traction', 'ring', (file) => void (file.injury['swelling'] = 'marked'))
    expect(marked.meanCm).to.be.greaterThan(none.meanCm)
    expect(marked.allowanceSdCm).to.be.greaterThan(none.allowanceSdCm)
    expect(marked.readingSdCm).to.equal(none.readingSdCm)
  })

  it('shows what is out of stock, and uses another', () => {
    const usual = stripOf('walker-boot', 'size')
    const used = usual.sizes.find((size) => size.isUsed)?.size
    const short = stripOf('walker-boot', 'size', (file) => {
      file['stock'] = usual.sizes.map((size) => ({
        technique: 'walker-boot',
        size: size.size,
        fits: { 'foot-length': [size.fromCm, size.toCm] },
        count: size.size === used ? 0 : 2,
      }))
    })
    expect(short.sizes.find((size) => size.size === used)).to.include({ isInStock: false, isUsed: false })
    expect(short.sizes.filter((size) => size.isUsed)).to.have.length(1)
  })
})
