import { expect } from 'chai'
import type { Trouble } from '#core/model/trouble'
import { dangerOfTrouble, orderTroubles, targetOf } from '#core/standing/trouble-target'
import { troublesOf } from '#core/techniques/shared/any-troubles'
import { techniques } from '#core/techniques/registry'

describe('what ends a trouble', () => {
  const trouble = (item: string): Trouble => ({ id: 'x', label: 'X', actions: [], level: 'warn', item })
  it('is a look at an item that its part has, and of a limb feeling and movement as a whole', () => {
    expect(targetOf(trouble('pulse'), 'leg-left')).to.deep.equal({ part: 'leg-left', item: 'pulse' })
    for (const whole of ['feeling', 'movement']) {
      expect(targetOf(trouble(whole), 'arm-right')).to.deep.equal({ part: 'arm-right', item: whole })
      for (const block of ['neck', 'spine', 'vital'] as const) expect(targetOf(trouble(whole), block), block).to.equal(null)
    }
    expect(targetOf(trouble('saddle'), 'leg-left'), 'no item of a leg').to.equal(null)
    expect(targetOf(trouble('pulse'), null), 'part not known').to.equal(null)
    expect(targetOf({ id: 'x', label: 'X', actions: [], level: 'warn' }, 'leg-left')).to.equal(null)
  })
})

describe('troubles as they are offered', () => {
  for (const technique of techniques)
    it(`${technique.id}: the urgent first, heart and breath on top, none lost`, () => {
      const all = troublesOf(technique.troubles)
      for (const watched of ['leg', 'arm', 'neck', 'spine'] as const) {
        const ordered = orderTroubles(all, watched)
        expect(ordered).to.have.members(all)
        const levels = ordered.map((trouble) => trouble.level === 'urgent')
        expect(levels.lastIndexOf(true)).to.be.below(levels.includes(false) ? levels.indexOf(false) : Infinity)
        const first = ordered.map(
          (trouble) =>
            trouble.level === 'urgent' && ['arrest', 'breathing', 'slow-breathing', 'vomiting'].includes(dangerOfTrouble(trouble, watched)),
        )
        expect(first.lastIndexOf(true)).to.be.below(first.includes(false) ? first.indexOf(false) : Infinity)
      }
    })
})
