import { expect } from 'chai'
import type { StoredEvent } from '#contract/event'
import { chainHash, newestRule } from '../../../src/server/ledger/chain-hash'

const event: StoredEvent = {
  id: '01990000-0000-7000-8000-000000000001',
  stream: { type: 'case', id: '01990000-0000-7000-8000-000000000002' },
  kind: 'note',
  v: 1,
  body: { text: 'one' },
  at: '2026-01-10T08:00:00Z',
  offsetMs: 12,
  base: 3,
  actor: 'ada-id',
  actorName: 'Ada',
  receivedAt: '2026-01-10T08:00:01.000Z',
  version: 4,
  mark: 'late',
  claimedAt: '2026-01-10T09:00:00Z',
}
const changes: readonly Partial<StoredEvent>[] = [
  { id: '01990000-0000-7000-8000-000000000009' },
  { stream: { type: 'episode', id: event.stream.id } },
  { kind: 'round' },
  { v: 2 },
  { body: { text: 'two' } },
  { at: '2026-01-10T08:00:00.001Z' },
  { offsetMs: 13 },
  { base: 4 },
  { actor: 'otto-id' },
  { actorName: 'Otto' },
  { receivedAt: '2026-01-10T08:00:02.000Z' },
  { version: 5 },
  { mark: 'clock-wrong' },
  { claimedAt: '2026-01-10T09:00:01Z' },
]

describe('the hash of an event', () => {
  for (const change of changes) {
    it(`covers ${Object.keys(change)[0]}`, () => {
      expect(chainHash('', { ...event, ...change }, newestRule)).not.to.equal(chainHash('', event, newestRule))
    })
  }

  it('covers the one before', () => {
    expect(chainHash('a', event, newestRule)).not.to.equal(chainHash('b', event, newestRule))
  })

  it('is none by a rule that nobody knows', () => {
    expect(chainHash('a', event, newestRule + 1)).to.equal('')
  })
})
