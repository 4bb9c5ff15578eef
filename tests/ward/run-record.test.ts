import { expect } from 'chai'
import { createMemo } from '#core/model/plan-context'
import { planCase } from '#core/techniques/plan-case'
import { type CaseRecord } from '#contract/records/case'
import { foldCase } from '#contract/events/fold'
import { caseRounds } from '#ward/owed/case-progress'
import { unknownInjury, type EpisodeRecord } from '#contract/records/episode'
import { foldEpisode } from '#contract/events/fold'
import type { FoldableEvent } from '#contract/event'
import { isOpeningRun } from '#contract/records/run-kind'
import { castOf, hardAtMs, toOpeningCase } from '#ward/case/opening-run'
import { orderLines } from '#ward/case/order-lines'
import { liveTimers, strapMarksAt, type RunRecord } from '#contract/records/run'
import { summariseRun } from '#ward/story/run-summary'
import { exampleOf } from '../harness/cases/example-cases'
import { planFile, testContext } from '../harness/cases/leg-slab-cases'

const start = Date.parse('2026-03-28T23:30:00Z')
let clock = 0
const event = (kind: string, body: object, atMin = clock++): FoldableEvent => ({
  id: `${kind}-${clock++}`,
  kind,
  v: 1,
  body,
  at: new Date(start + 60_000 * atMin).toISOString(),
  actor: 'p1',
  actorName: 'Ada',
})
const fold = (record: CaseRecord, ...events: readonly FoldableEvent[]): CaseRecord =>
  events.reduce((before, one) => foldCase(before, 'c1', one), record)
const opened = (technique = 'leg-slab'): CaseRecord =>
  foldCase(null, 'c1', event('case-opened', { episodeId: 'e1', injuryId: 'i1', technique }, 0))
const running = (technique?: string): CaseRecord => fold(opened(technique), event('run-started', { runId: 'r1' }, 0))
const runOf = (record: CaseRecord): RunRecord => {
  const run = record.runs.at(-1)
  if (!run) throw new Error('no run')
  return run
}
const stay = (): EpisodeRecord =>
  [
    event('injury', {
      injuryId: 'i1',
      injury: { ...unknownInjury, region: 'lower-leg', side: 'left', pattern: 'tibial-shaft-fracture', flags: ['fresh'] },
    }),
  ].reduce(
    (before, one) => foldEpisode(before, 'e1', one),
    foldEpisode(null, 'e1', event('episode-opened', { patientId: 'p', place: 'Bay 1', zone: 'Europe/Berlin' }, 0)),
  )

describe('timers of a run', () => {
  const timer = (timerId: string, minutes: number, atMin: number, more: object = {}): FoldableEvent =>
    event('timer', { runId: 'r1', timerId, label: timerId, minutes, ...more }, atMin)
  const live = (record: CaseRecord, atMin: number): readonly string[] =>
    liveTimers(runOf(record), start + atMin * 60_000).map((liveTimer) => liveTimer.id)

  it('run several at once, and stay for ten minutes past their end', () => {
    const record = fold(running(), timer('set', 5, 1), timer('cure', 1440, 6))
    expect(live(record, 7)).to.deep.equal(['set', 'cure'])
    expect(live(record, 15.9)).to.deep.equal(['set', 'cure'])
    expect(live(record, 16.1)).to.deep.equal(['cure'])
  })

  it('count real minutes across midnight and across the night in which the clocks go forward', () => {
    // From 23:30 UTC the local clock runs 00:30, …, 01:59, 03:00: 120 minutes are 120 minutes.
    const record = fold(running(), timer('convert', 120, 0))
    expect(live(record, 119)).to.deep.equal(['convert'])
    const [one] = liveTimers(runOf(record), start)
    expect(Date.parse(one?.startedAt ?? '') + 120 * 60_000).to.equal(Date.parse('2026-03-29T01:30:00Z'))
  })

  it('end when they are heard, and when the step is done that makes them moot', () => {
    const record = fold(running(), timer('set', 5, 1), timer('limit', 10, 1, { kind: 'limit', until: 'pull' }))
    expect(live(fold(record, event('timer-ended', { runId: 'r1', timerId: 'set' }, 2)), 3)).to.deep.equal(['limit'])
    const pulled = fold(record, event('step', { runId: 'r1', stepId: 'pull', outcome: 'done', reason: '' }, 4))
    expect(live(pulled, 5)).to.deep.equal(['set'])
    const takenBack = fold(record, event('step', { runId: 'r1', stepId: 'pull', outcome: 'undone', reason: '' }, 4))
    expect(live(takenBack, 5)).to.deep.equal(['set', 'limit'])
  })

  it('start afresh when they are started again', () => {
    const record = fold(running(), timer('blade', 2, 1), event('timer-ended', { runId: 'r1', timerId: 'blade' }, 2), timer('blade', 2, 9))
    expect(live(record, 10)).to.deep.equal(['blade'])
    expect(runOf(record).timers).to.have.length(1)
  })
})

describe('what a run keeps', () => {
  it('angles, pulls and straps with who and when, late ones in their place', () => {
    const record = fold(
      running('frame-traction'),
      event('angle', { runId: 'r1', stepId: 'mould', angleId: 'ankle', deg: 88, tool: 'eye' }, 9),
      event('angle', { runId: 'r1', stepId: 'mould', angleId: 'ankle', deg: 80, tool: 'goniometer' }, 4),
      event('pull', { runId: 'r1', stepId: 'pull', kg: 5, painBefore: 8, painAfter: 3, isEqualLength: true, tool: 'scale' }),
      event('strap', { runId: 'r1', stepId: 'straps', strapId: 'strap-1', mark: 'touched', reason: '' }),
      event('strap', { runId: 'r1', stepId: 'straps', strapId: 'strap-1', mark: 'snug', reason: '' }),
    )
    const run = runOf(record)
    expect(run.angles?.map((angle) => angle.deg)).to.deep.equal([80, 88])
    expect(run.angles?.[0]).not.to.have.property('runId')
    expect(run.pulls?.[0]).to.include({ kg: 5, by: 'Ada' })
    expect(strapMarksAt(run, 'straps').get('strap-1')).to.equal('snug')
    expect(strapMarksAt(run, 'other').size).to.equal(0)
  })

  it('a hold that was handed over changes the crew and stays in the record', () => {
    const record = fold(
      running(),
      event('crew', { members: [{ name: 'Tobin', place: 'hold-distal' }] }),
      event('hand-over', { runId: 'r1', place: 'hold-distal', from: 'Tobin', to: 'Wilf' }),
    )
    expect(record.crew).to.deep.equal([{ name: 'Wilf', place: 'hold-distal' }])
    expect(runOf(record).handOvers?.[0]).to.include({ from: 'Tobin', to: 'Wilf' })
  })

  it('trouble with its step in a run, and between runs with the case', () => {
    const trouble = { troubleId: 'too-hot', label: 'Too hot', note: '' }
    const record = fold(
      running(),
      event('trouble', { ...trouble, runId: 'r1', stepId: 'mould' }),
      event('trouble', { ...trouble, runId: null, stepId: null }),
    )
    expect(record.troubles).to.have.length(2)
    expect(runOf(record).troubles?.map((one) => one.stepId)).to.deep.equal(['mould'])
  })

  it('a trouble that was pressed by mistake: the clock it ended goes on, one ended by hand does not', () => {
    const trouble = event('trouble', { troubleId: 'sets-early', label: 'It sets too early', note: '', runId: 'r1', stepId: 'mould' })
    const clocksAfter = (troubleEnded: object): readonly boolean[] =>
      runOf(
        fold(
          running(),
          event('timer', { runId: 'r1', timerId: 'set', label: 'Setting', minutes: 5, kind: 'set' }),
          event('timer', { runId: 'r1', timerId: 'hold', label: 'Hold', minutes: 3, kind: 'hold' }),
          trouble,
          event('timer-ended', { runId: 'r1', timerId: 'hold' }),
          event('timer-ended', { runId: 'r1', timerId: 'set', troubleEvent: trouble.id }),
          event('trouble-ended', { troubleEvent: trouble.id, ...troubleEnded }),
        ),
      ).timers.map((timer) => timer.endedAt !== undefined)
    expect(clocksAfter({ word: 'pressed by mistake', isSlip: true }), 'set, hold').to.deep.equal([false, true])
    expect(clocksAfter({ word: 'it was set' })).to.deep.equal([true, true])
  })

  it('one driver: the later one, also when the earlier one arrives late', () => {
    const lease = (device: string, atMin: number): FoldableEvent => event('run-lease', { runId: 'r1', device }, atMin)
    expect(runOf(fold(running(), lease('desk', 5), lease('phone that was offline', 3))).driver?.device).to.equal('desk')
    expect(runOf(fold(running(), lease('desk', 5), lease('phone', 6))).driver?.device).to.equal('phone')
  })

  it('an order with who heard it said back', () => {
    const record = fold(opened(), event('read-back', { what: 'Open the cast now', orderedBy: 'Merryn Sale' }))
    expect(record.readBacks?.[0]).to.include({ what: 'Open the cast now', orderedBy: 'Merryn Sale', by: 'Ada' })
  })
})

describe('orders in words', () => {
  it('are one sentence each, and none without orders', () => {
    expect(orderLines({ options: {} })).to.deep.equal([])
    const lines = orderLines({
      options: { 'ankle-ordered': 110 },
      orders: {
        oxygen: 'mask',
        spine: { posture: 'sitting', by: 'M', at: '' },
        woundPlan: true,
        openNow: true,
        weight: { by: 'M', at: '' },
        wedges: [{ week: 1, count: 3 }],
        brace: { by: 'M', at: '', extensionStop: 0, flexionStop: 60, lock: 'open' },
      },
    })
    expect(lines).to.have.length(8)
    expect(lines).to.include('Brace stops at 0° and 60°, lock open')
    expect(lines).to.include('Heel wedges: 3 from week 1')
  })
  it('leave out oxygen that is not given', () => expect(orderLines({ options: {}, orders: { oxygen: 'none' } })).to.deep.equal([]))
})

describe('opening the cast of a case', () => {
  const cast = (): CaseRecord => {
    const plan = planFile(exampleOf('leg-cast'))
    const read = (plan.geometry.stations.length > 0 ? exampleOf('leg-cast').measurements : []).map((one) =>
      event('reading', { tool: 'tape', ...one }),
    )
    return fold(opened('leg-cast'), ...read, event('plan', { plan }), event('run-started', { runId: 'r0' }), event('applied', {}, 100))
  }

  it('knows the cast from the plan that put it on, and when it is hard', () => {
    const record = cast()
    expect(castOf(record, new Date(start + 130 * 60_000).toISOString())).to.include({
      material: 'plaster-slow',
      layers: 7,
      minutesSince: 30,
    })
    expect(hardAtMs(record)).to.equal(start + 160 * 60_000)
    expect(hardAtMs(opened('leg-cast'))).to.equal(null)
  })

  it('waits until it is hard, unless it is opened now', () => {
    const plan = (atMin: number, isOpenNow: boolean) =>
      planCase(
        toOpeningCase(cast(), stay(), { at: new Date(start + atMin * 60_000).toISOString(), options: { lines: 'strip' }, isOpenNow }),
        {
          ...testContext(),
          memo: createMemo(),
        },
      )
    const codes = (one: ReturnType<typeof plan>): readonly string[] => one?.cautions.map((caution) => caution.code) ?? []
    expect(codes(plan(130, false))).to.include('not-hard')
    expect(codes(plan(130, true))).not.to.include('not-hard')
    expect(codes(plan(161, false))).not.to.include('not-hard')
    const ids = plan(161, false)?.decisions.map((decision) => decision.id)
    expect(ids).to.include.members(['earliest', 'room-gained', 'pressure-before', 'pressure-after'])
    expect(plan(130, true)?.procedure.steps.map((step) => step.id)).to.include('cut-padding')
  })

  it('is a run of the same case, and its end begins the rounds again', () => {
    const record = fold(
      cast(),
      event('run-started', { runId: 'r2', technique: 'cast-opening', options: { lines: 'strip' }, isOpenNow: true }, 170),
    )
    expect(isOpeningRun(runOf(record))).to.equal(true)
    expect(runOf(record)).to.include({ isOpenNow: true, technique: 'cast-opening' })
    const before = caseRounds(record, stay(), start + 200 * 60_000)
    const after = caseRounds(fold(record, event('opened', { runId: 'r2' }, 200)), stay(), start + 200 * 60_000)
    expect(before[0]?.dueAt).to.equal(start + 115 * 60_000)
    // Opened at once: looks at 5 and 15 minutes beside the list, which begins again.
    expect(after.slice(0, 2).map((round) => (round.dueAt - start) / 60_000)).to.deep.equal([205, 215])
  })
})

describe('the record of a run', () => {
  it('tells steps, deviations, angles, straps, trouble and materials, and leaves out what there is not', () => {
    const plan = planFile(exampleOf('leg-slab'))
    const record = fold(
      opened(),
      event('plan', { plan }),
      event('run-started', { runId: 'r1' }),
      event('step', { runId: 'r1', stepId: 'position', outcome: 'done', reason: '' }),
      event('step', { runId: 'r1', stepId: 'lay-out', outcome: 'skipped', reason: 'laid out before' }),
      event('step', { runId: 'r1', stepId: 'wet', outcome: 'done', reason: 'child would not wait' }),
      event('timer', { runId: 'r1', timerId: 'cure', label: 'Full strength', minutes: 2880, kind: 'cure' }),
      event('angle', { runId: 'r1', stepId: 'mould', angleId: 'ankle', deg: 92, tool: 'digital-goniometer' }),
      event('trouble', { runId: 'r1', stepId: 'mould', troubleId: 'too-hot', label: 'Too hot', note: '' }),
    )
    const summary = summariseRun(record, stay(), runOf(record), plan, Date.parse('2026-01-10T12:00:00Z'), null)
    const lines = summary.sections.flatMap((section) => section.lines.map((line) => line.text))
    expect(lines).to.include.members([
      'position',
      'lay out: skipped',
      'lay out skipped: laid out before',
      'wet the plaster before cut the slab: a closed tube: its front gap was never tried dry: child would not wait',
      'Ankle 92°, aim 85° to 95°, by digital goniometer',
      'Full strength, 48 h',
      'Too hot at mould with flat palms',
    ])
    expect(lines.some((line) => line.startsWith('plaster slab'))).to.equal(true)
    expect(summary.sections.map((section) => section.id)).not.to.include('pulls')
    expect(Object.fromEntries(summary.facts)).to.include({ Technique: 'Back slab, leg', Place: 'Bay 1' })
  })
})
