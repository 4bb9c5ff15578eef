import { expect } from 'chai'
import fc from 'fast-check'
import { dangers, type Danger } from '#core/model/danger'
import type { StandingItem } from '#core/model/standing'
import { headlineItem } from '#core/standing/headline-item'

const item = (danger: Danger | null, id: string, atMin: number): StandingItem => ({
  id: `leg-left/${id}`,
  from: 'round',
  level: 'urgent',
  danger,
  isCalled: true,
  text: id,
  part: 'leg-left',
  sinceMs: atMin * 60_000,
  alarmSinceMs: atMin * 60_000,
  lookedAtMs: null,
  binds: { stages: [], steps: [] },
  state: 'open',
  settled: null,
  ends: '',
  isEndedByWord: false,
})

describe('what names an alarm', () => {
  it('is the danger that comes first: arrest, airway, breathing, circulation, cord, limb, pull, skin', () => {
    const order: readonly Danger[] = ['arrest', 'vomiting', 'breathing', 'circulation', 'cord', 'limb', 'pull-lost', 'skin']
    const all = order.map((danger, index) => item(danger, danger, index))
    for (const [index, danger] of order.entries()) expect(headlineItem(all.slice(index).toReversed())?.danger).to.equal(danger)
  })
  it('is the newest within one danger, and of one look what says most: no pulse, never cold and pale', () => {
    expect(headlineItem([item('limb', 'pulse', 5), item('limb', 'restPain', 20)])?.text).to.equal('restPain')
    expect(headlineItem([item('limb', 'colour', 5), item('limb', 'refill', 5), item('limb', 'pulse', 5)])?.text).to.equal('pulse')
  })
  it('is one of what alarms, whatever it is, and the same in any order', () => {
    const one = fc.tuple(fc.constantFrom(...dangers, null), fc.constantFrom('pulse', 'colour', 'restPain', 'power/grip'), fc.nat(40))
    fc.assert(
      fc.property(fc.uniqueArray(one, { minLength: 1, maxLength: 6, selector: ([, id, at]) => `${id} ${at}` }), (drawn) => {
        const items = drawn.map(([danger, id, at]) => item(danger, id, at))
        const named = headlineItem(items)
        expect(items).to.include(named)
        expect(headlineItem(items.toReversed())?.id).to.equal(named?.id)
      }),
      { numRuns: 200, seed: 3 },
    )
    expect(headlineItem([])).to.equal(null)
  })
})
