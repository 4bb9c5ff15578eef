import { expect } from 'chai'
import { eventKinds, type EventKindId } from '#contract/events/index'
import type { EventKind } from '#contract/events/kind'
import { ofCase } from '#contract/events/of-case'
import { foldStay } from '../../harness/cases/fold-stay'

const kinds = (Object.keys(eventKinds) as EventKindId[]).map((id) => [id, eventKinds[id] as EventKind<object, 'episode'>] as const)

describe('what an event of a stay says of its cases', () => {
  const { stay, record, event } = foldStay()
  const injury = { region: 'ankle', side: 'right', pattern: 'malleolar-fracture', flags: [], swelling: 'none', levelCm: null }
  const said = (kind: string, body: object, of = record) => ofCase(event(kind, body, 5), stay, of)

  it('is said by kinds of the stay alone, which the server completes, and which say when they may', () => {
    const saying = kinds.filter(([, kind]) => kind.ofCase)
    expect(saying.map(([id]) => id)).to.have.members(['injury', 'place'])
    for (const [, kind] of saying) {
      expect([kind.stream, kind.isCompletedByServer]).to.deep.equal(['episode', true])
      expect(kind.mayBeOfCase).to.be.a('function')
    }
  })

  it('another side with a reason holds what is under way of that injury', () => {
    const body = { injuryId: 'i1', injury, reason: 'film' }
    expect(said('injury', body)).to.deep.equal({
      kind: 'side-changed',
      body: { from: 'LEFT ankle, malleolar fracture', to: 'RIGHT ankle, malleolar fracture', reason: 'film', isOtherLimb: true },
    })
    expect(said('injury', { ...body, injuryId: 'i2' }), 'another injury').to.equal(null)
    expect(said('injury', { injuryId: 'i1', injury }), 'before anything was read aloud').to.equal(null)
    expect(said('injury', { ...body, injury: { ...injury, side: 'left', swelling: 'severe' } }), 'the same limb').to.equal(null)
    expect(said('injury', body, { ...record, appliedAt: null }), 'nothing was begun').to.equal(null)
    expect(said('injury', body, { ...record, removedAt: '2026-03-27T11:00:00Z' }), 'it is off').to.equal(null)
    const other = said('injury', { ...body, injury: { ...injury, side: 'left', pattern: 'sprain' } })
    expect(other?.body).to.include({ isOtherLimb: false })
  })

  it('a transfer is said of what is on', () => {
    expect(said('place', { place: 'Ward B', isTransfer: true })).to.deep.equal({ kind: 'after-change', body: { what: 'transferred' } })
    expect(said('place', { place: 'Ward B' })).to.equal(null)
    expect(said('place', { place: 'Ward B', isTransfer: true }, { ...record, appliedAt: null })).to.equal(null)
  })
})
