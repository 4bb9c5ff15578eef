import { expect } from 'chai'
import fc from 'fast-check'
import type { ScheduleEntry } from '#core/model/plan'
import { liveTasks, tasksOf } from '#core/rounds/live-tasks'
import { isTicked, taskFormOf } from '#core/rounds/task-form-of'
import { readCase } from '#core/files/read-case'
import { planCase } from '#core/techniques/plan-case'
import { techniques } from '#core/techniques/registry'
import { exampleOf } from '../../harness/cases/example-cases'
import { testContext } from '../../harness/cases/leg-slab-cases'

const start = '2026-03-28T10:00:00Z'
const at = (hours: number): string => new Date(Date.parse(start) + hours * 3_600_000).toISOString()
const hoursOf = (ms: number): number => (ms - Date.parse(start)) / 3_600_000
const care = (hours: number): ScheduleEntry => ({ id: `care-${hours}`, kind: 'care', dueMin: hours * 60, graceMin: 24, text: 'Skin.' })
const every = (hours: number, count: number): ScheduleEntry[] => Array.from({ length: count }, (_, index) => care((index + 1) * hours))
const review: ScheduleEntry = { id: 'review', kind: 'review', dueMin: 1440, graceMin: 720, text: 'Review.' }
const round: ScheduleEntry = { id: 'round-1', kind: 'round', dueMin: 15, graceMin: 5, text: 'Round.' }
const dueOf = (schedule: readonly ScheduleEntry[], doneAtH: readonly number[], id = 'care'): number | null => {
  const task = liveTasks(
    schedule,
    start,
    doneAtH.map((hour) => ({ taskId: id, at: at(hour) })),
  ).find((liveTask) => liveTask.id === id)
  return task ? hoursOf(task.dueAt) : null
}

describe('work that a schedule owes', () => {
  it('is one task for what says the same, whose rounds are left out', () => {
    expect(tasksOf([round, review, ...every(2, 3)])).to.deep.equal([
      { id: 'care', kind: 'care', text: 'Skin.', dueMin: [120, 240, 360], graceMin: 24 },
      { id: 'review', kind: 'review', text: 'Review.', dueMin: [1440], graceMin: 720 },
    ])
    expect(tasksOf([care(2), care(2)])[0]?.dueMin).to.deep.equal([120])
    expect(tasksOf([])).to.deep.equal([])
  })

  for (const [what, done, due] of [
    ['is due at its first time', [], 2],
    ['is due again at the list’s time', [2], 4],
    ['is not put off by being done early', [1.2], 3.2],
    ['done far too early it ticks nothing off', [0.5], 2],
    ['done late it is due at the list’s next time', [2.9], 4],
    ['done so late that the next is half gone ticks that off too', [3.1], 5.1],
    ['goes on at its last interval beyond the list', [2, 4, 6], 8],
    ['goes on for weeks', [999], 1001],
    ['reads what was done in any order', [4, 2], 6],
  ] as const) {
    it(what, () => expect(dueOf(every(2, 3), done)).to.be.closeTo(due, 1e-9))
  }

  it('that comes once is gone when it was done, and waits until then', () => {
    expect(dueOf([review], [], 'review')).to.equal(24)
    expect(dueOf([review], [3], 'review')).to.equal(null)
  })

  it('follows a thinner or denser list that was accepted later', () => {
    expect(dueOf(every(12, 6), [24])).to.equal(36)
    expect(dueOf(every(24, 3), [26])).to.equal(48)
  })

  it('is never due before what was last done, nor more than an interval after it', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 24 }),
        fc.integer({ min: 2, max: 12 }),
        fc.double({ min: 0, max: 600, noNaN: true }),
        (gap, count, done) => {
          const due = dueOf(every(gap, count), [done])!
          expect(due).to.be.above(done)
          expect(due - done).to.be.at.most(gap * 1.5 + 1e-6)
        },
      ),
    )
  })
})

describe('the forms of owed work', () => {
  const owed = techniques.flatMap((technique) => {
    const { clinicalCase } = readCase(exampleOf(technique.id))
    const plan = clinicalCase && planCase(clinicalCase, testContext())
    return tasksOf(plan?.schedule ?? []).map((task) => ({ technique, task, clinicalCase: clinicalCase! }))
  })

  it('are there for everything that is ticked', () => {
    expect(owed.length).to.be.greaterThan(20)
    for (const { technique, task } of owed)
      if (isTicked(task.kind)) expect(taskFormOf(technique, task), `${technique.id} ${task.id}`).not.to.be.empty
  })

  it('name each question once, and only measurements that the technique has', () => {
    for (const { technique, task, clinicalCase } of owed) {
      const form = taskFormOf(technique, task)
      const keys = form.map((ask) => `${ask.id}/${'side' in ask ? ask.side : ''}`)
      expect(new Set(keys).size, `${technique.id} ${task.id}`).to.equal(keys.length)
      const measured = technique.measurements(clinicalCase, {}).map(({ definition }) => definition.id)
      for (const ask of form) if (ask.kind === 'reading') expect(measured, technique.id).to.include(ask.id)
    }
  })

  it('belong to work that is owed', () => {
    for (const technique of techniques) {
      const ids = owed.filter((one) => one.technique === technique).map((one) => one.task.id)
      for (const id of Object.keys(technique.taskForms ?? {})) expect(ids, technique.id).to.include(id)
    }
  })
})
