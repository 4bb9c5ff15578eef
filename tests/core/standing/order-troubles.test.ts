import { expect } from 'chai'
import { dangerOfTrouble, orderTroubles } from '#core/standing/trouble-target'
import { troublesOf } from '#core/techniques/shared/any-troubles'
import { techniques } from '#core/techniques/registry'

describe('troubles as they are offered', () => {
  for (const technique of techniques)
    it(`${technique.id}: the urgent first, heart and breath on top, none lost`, () => {
      const all = troublesOf(technique.troubles)
      for (const watched of ['leg', 'arm', 'neck', 'spine'] as const) {
        const ordered = orderTroubles(all, watched)
        expect(ordered).to.have.members(all)
        const levels = ordered.map((one) => one.level === 'urgent')
        expect(levels.lastIndexOf(true)).to.be.below(levels.includes(false) ? levels.indexOf(false) : Infinity)
        const first = ordered.map(
          (one) => one.level === 'urgent' && ['arrest', 'breathing', 'slow-breathing', 'vomiting'].includes(dangerOfTrouble(one, watched)),
        )
        expect(first.lastIndexOf(true)).to.be.below(first.includes(false) ? first.indexOf(false) : Infinity)
      }
    })
})
