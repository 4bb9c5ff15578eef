import { expect } from 'chai'
import fc from 'fast-check'
import type { BoardRow } from '#contract/api/board'
import { outcomesOf, type RunRecord, type StepOutcome } from '#contract/records/run'
import { latenessMin, orderRows, urgencyOf } from '../../../src/web/screens/board/board-order'
import { currentStep, previousStep } from '../../../src/web/case/run/run-state'
import { formatLeft } from '../../../src/web/parts/format-left'
import { exampleOf, techniqueIds } from '../../harness/cases/example-cases'
import { planFile } from '../../harness/cases/leg-slab-cases'

const now = Date.parse('2026-01-10T12:00:00Z')
const row = (changes: Partial<BoardRow>): BoardRow => ({
  caseId: 'c',
  episodeId: 'e',
  patient: 'Unnamed',
  isTemporaryName: true,
  place: 'Bay 1',
  region: 'ankle',
  side: 'left',
  technique: 'leg-slab',
  techniqueName: 'Back slab, leg',
  stage: 'watch',
  level: 'none',
  headline: null,
  finding: null,
  standingCount: 0,
  sinceAt: null,
  settledUntilAt: null,
  answer: null,
  number: '',
  search: '',
  isOff: false,
  isOnBoard: true,
  asOf: '2026-01-10T08:00:00Z',
  live: null,
  nextDueAt: null,
  nextWhat: null,
  graceMin: 10,
  openedAt: '2026-01-10T08:00:00Z',
  ...changes,
})
const dueIn = (minutes: number): string => new Date(now + minutes * 60_000).toISOString()

describe('the order of the Board', () => {
  const ladder: readonly (readonly [string, BoardRow])[] = [
    ['urgent', row({ level: 'urgent' })],
    ['stop', row({ level: 'stop' })],
    ['overdue', row({ nextDueAt: dueIn(-11) })],
    ['a warning', row({ level: 'warn' })],
    ['due', row({ nextDueAt: dueIn(-3) })],
    ['under way', row({ stage: 'apply' })],
    ['quiet', row({ nextDueAt: dueIn(120) })],
  ]
  it('goes from urgent to quiet', () => {
    const ranks = ladder.map(([, one]) => urgencyOf(one, now))
    expect(ranks).to.deep.equal([...ranks].sort((a, b) => a - b))
    expect(new Set(ranks).size).to.equal(ranks.length)
  })

  it('puts an urgent finding above any lateness', () => {
    const late = row({ caseId: 'late', nextDueAt: dueIn(-600) })
    const urgent = row({ caseId: 'urgent', level: 'urgent', nextDueAt: dueIn(600) })
    expect(orderRows([late, urgent], now).map((orderRow) => orderRow.caseId)).to.deep.equal(['urgent', 'late'])
  })

  it('orders alike rows by what is due soonest, then by place', () => {
    const rows = [
      row({ caseId: 'c', place: 'Ward B', nextDueAt: dueIn(60) }),
      row({ caseId: 'a', place: 'Ward B', nextDueAt: dueIn(30) }),
      row({ caseId: 'b', place: 'Ward A', nextDueAt: dueIn(60) }),
      row({ caseId: 'd' }),
    ]
    expect(orderRows(rows, now).map((orderRow) => orderRow.caseId)).to.deep.equal(['a', 'b', 'c', 'd'])
  })

  it('is the same from any starting order, and loses nobody', () => {
    const any = fc.array(
      fc.record({
        level: fc.constantFrom<BoardRow['level'][]>('none', 'known', 'warn', 'review', 'urgent'),
        due: fc.option(fc.integer({ min: -300, max: 300 })),
      }),
      { maxLength: 12 },
    )
    fc.assert(
      fc.property(any, (draws) => {
        const rows = draws.map((draw, index) =>
          row({ caseId: String(index), place: `Bay ${index}`, level: draw.level, nextDueAt: draw.due === null ? null : dueIn(draw.due) }),
        )
        const ordered = orderRows(rows, now).map((orderRow) => orderRow.caseId)
        expect(orderRows([...rows].reverse(), now).map((orderRow) => orderRow.caseId)).to.deep.equal(ordered)
        expect(ordered).to.have.members(rows.map((one) => one.caseId))
      }),
    )
  })

  it('knows how late a row is, and nothing of rows without a due time', () => {
    expect(latenessMin(row({ nextDueAt: dueIn(-90) }), now)).to.equal(90)
    expect(latenessMin(row({}), now)).to.equal(null)
  })
})

describe('where a run stands', () => {
  const run = (...done: readonly (readonly [string, StepOutcome])[]): RunRecord => ({
    id: 'r',
    startedAt: '2026-01-10T08:00:00Z',
    by: 'Ada',
    steps: done.map(([stepId, outcome], index) => ({
      stepId,
      outcome,
      reason: '',
      at: new Date(now + index * 1000).toISOString(),
      by: 'Ada',
    })),
    timers: [],
  })

  for (const technique of techniqueIds) {
    it(`${technique}: goes through every step once, forwards, and back again`, () => {
      const { steps } = planFile(exampleOf(technique)).procedure
      const done: [string, StepOutcome][] = []
      for (const step of steps) {
        expect(currentStep(steps, run(...done))?.id).to.equal(step.id)
        done.push([step.id, done.length % 3 === 2 ? 'skipped' : 'done'])
      }
      expect(currentStep(steps, run(...done))).to.equal(null)
      for (const step of [...steps].reverse()) {
        expect(previousStep(steps, run(...done))?.id).to.equal(step.id)
        done.push([step.id, 'undone'])
      }
      expect(previousStep(steps, run(...done))).to.equal(null)
      expect(outcomesOf(run(...done)).size).to.equal(0)
    })
  }

  it('comes back to a step that was undone, and then goes on where it was', () => {
    const { steps } = planFile(exampleOf('leg-slab')).procedure
    const [a, b, c] = steps
    if (!a || !b || !c) throw new Error('too short')
    const before = run([a.id, 'done'], [b.id, 'done'], [a.id, 'undone'])
    expect(currentStep(steps, before)?.id).to.equal(a.id)
    expect(currentStep(steps, run([a.id, 'done'], [b.id, 'done'], [a.id, 'undone'], [a.id, 'done']))?.id).to.equal(c.id)
  })
})

describe('a running timer in words', () => {
  for (const [ms, words] of [
    [299_000, '4:59'],
    [59_999, '0:59'],
    [0, '0:00'],
    [-61_000, 'done 1:01 ago'],
    [36_000_000, '10 h'],
    [3_660_000, '1:01 h'],
  ] as const) {
    it(`${ms} ms: ${words}`, () => expect(formatLeft(ms)).to.equal(words))
  }
})
