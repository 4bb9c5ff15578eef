import { expect } from 'chai'
import type { BoardRow } from '#contract/api/board'
import { planWalk } from '../../../src/web/screens/my-round/walk'

const now = Date.parse('2026-01-10T02:00:00Z')
const row = (caseId: string, place: string, dueInMin: number | null, level: BoardRow['level'] = 'none'): BoardRow => ({
  caseId,
  episodeId: `e-${caseId}`,
  patient: caseId,
  isTemporaryName: false,
  place,
  technique: 'leg-slab',
  techniqueName: 'Back slab',
  region: 'ankle',
  side: 'left',
  stage: 'watch',
  level,
  headline: null,
  finding: null,
  standingCount: 0,
  sinceAt: null,
  settledUntilAt: null,
  answer: null,
  nextDueAt: dueInMin === null ? null : new Date(now + dueInMin * 60_000).toISOString(),
  graceMin: 10,
  nextWhat: 'Round',
  openedAt: '2026-01-09T20:00:00Z',
  isOff: false,
  isOnBoard: true,
  number: '',
  search: '',
  asOf: '2026-01-10T01:30:00Z',
  live: null,
})
const beds = (rows: readonly BoardRow[], areas: readonly string[], walked = {}): readonly string[] =>
  planWalk(rows, areas, walked, now).beds.map((bed) => bed.caseId)

describe('the walk of my round', () => {
  const rows = [
    row('ten', 'Ward A, bed 10', 5),
    row('two', 'Ward A, bed 2', -20),
    row('later', 'Ward A, bed 3', 90),
    row('bay', 'Bay 1', 0),
    row('nothing', 'Ward A, bed 4', null),
    row('urgent', 'Ward A, bed 11', 60, 'urgent'),
  ]

  it('goes through my places bed by bed, what is urgent first, and leaves the rest for later', () => {
    expect(beds(rows, ['Ward A'])).to.deep.equal(['urgent', 'two', 'ten'])
    expect(beds(rows, ['Ward A', 'Bay'])).to.deep.equal(['urgent', 'bay', 'two', 'ten'])
    expect(beds(rows, []), 'without any, all places').to.deep.equal(['urgent', 'bay', 'two', 'ten'])
    expect(planWalk(rows, ['Ward A'], {}, now).laterCount).to.equal(2)
  })

  it('counts what was done here, and comes back at the end to what is still due', () => {
    const walked = { two: Date.parse('2026-01-10T01:55:00Z') }
    expect(beds(rows, ['Ward A'], walked)).to.deep.equal(['urgent', 'ten'])
    expect(planWalk(rows, ['Ward A'], walked, now).done.map((one) => one.caseId)).to.deep.equal(['two'])
    const read = rows.map((one) => ({ ...one, asOf: '2026-01-10T01:56:00Z' }))
    expect(beds(read, ['Ward A'], walked), 'the Board has it, and it is still due').to.deep.equal(['urgent', 'ten', 'two'])
    const moved = read.map((one) => (one.caseId === 'two' ? { ...one, nextDueAt: '2026-01-10T03:00:00Z' } : one))
    expect(planWalk(moved, ['Ward A'], walked, now).done.map((one) => one.caseId)).to.deep.equal(['two'])
    const old = { two: Date.parse('2026-01-09T22:00:00Z') }
    expect(beds(rows, ['Ward A'], old), 'another walk').to.deep.equal(['urgent', 'two', 'ten'])
  })
})
