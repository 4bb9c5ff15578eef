import { expect } from 'chai'
import { readCase } from '#core/files/read-case'
import { readRound } from '#core/files/read-round'
import { findingsAfterRounds } from '#core/standing/fold-rounds'
import type { PartId } from '#core/rounds/look'
import { soonestLook } from '#core/standing/read-tracks'
import { ankleCase } from '../../harness/cases/leg-slab-cases'
import { legRound } from '../../harness/cases/leg-rounds'
import { wearing } from '../../harness/cases/situations'

const { clinicalCase } = readCase(ankleCase())

/** What stands of feeling and movement at the end, after a report of a loss at minute 20. */
function standingOf(item: 'feeling' | 'movement', rounds: readonly object[], part: PartId = 'leg-left'): string {
  const read = rounds.flatMap((round, index) => readRound(round, `rounds/${index}`, []))
  const report = { atMin: 20, part, item, level: 'urgent' as const, code: `new-loss-of-${item}`, text: 'Cannot feel the toes' }
  const { findings } = findingsAfterRounds(
    { clinicalCase: clinicalCase!, rounds: read, situationAt: () => wearing('break'), startMin: 0, isAtRisk: false, reports: [report] },
    1_000,
  )
  return findings.find(({ id }) => id === `${part}/${item}`)?.state ?? 'none'
}
/** A round of which only one limb is kept. */
const only = (side: string, atMin: number): object => {
  const round = legRound(atMin)
  return { ...round, limbs: round.limbs.filter((limb) => limb['side'] === side) }
}

describe('feeling or movement that somebody said is lost', () => {
  for (const item of ['feeling', 'movement'] as const) {
    it(`${item} stands until every nerve of that limb was looked at twice, and none of it is lost`, () => {
      expect(standingOf(item, [legRound(0)])).to.equal('open')
      expect(standingOf(item, [legRound(0), legRound(30)])).to.equal('review')
      expect(standingOf(item, [legRound(0), legRound(30), legRound(45)])).to.equal('none')
    })
    it(`${item} is not ended by a look at the other limb, nor by one of the other kind`, () => {
      expect(standingOf(item, [legRound(0), only('right', 30), only('right', 45)])).to.equal('open')
      const other = item === 'feeling' ? 'movement' : 'feeling'
      const half = (atMin: number): object => {
        const round = legRound(atMin)
        return { ...round, limbs: round.limbs.map(({ [item]: _, ...rest }) => ({ ...rest, [other]: rest[other] })) }
      }
      expect(standingOf(item, [legRound(0), half(30), half(45)])).to.equal('open')
    })
    it(`${item} stands where a nerve of it is lost in the round, or cannot be looked at`, () => {
      const lost = item === 'feeling' ? { feeling: { tibial: 'none' } } : { movement: { tibial: 'none' } }
      expect(standingOf(item, [legRound(0), legRound(30, lost), legRound(45, lost)])).to.equal('open')
      const unseen = { [item]: { tibial: { cannotAssess: true, reason: 'under the slab' } } }
      expect(standingOf(item, [legRound(0), legRound(30, unseen), legRound(45, unseen)])).to.equal('open')
    })
  }
})

describe('the next look after what is to be done', () => {
  it('is the soonest that an action asks for, a quarter of an hour where none does', () => {
    expect(soonestLook(['again-15', 'again-5'])).to.equal(5)
    expect(soonestLook(['call-senior'])).to.equal(15)
    expect(soonestLook([])).to.equal(15)
  })
})
