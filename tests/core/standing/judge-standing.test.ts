import { expect } from 'chai'
import { readCase } from '#core/files/read-case'
import type { Caution } from '#core/model/plan'
import type { StandingLevel } from '#core/model/standing'
import { judgeStanding, minuteMs, type OtherItem, type StandingInput } from '#core/standing/judge-standing'
import { findingsAfterRounds } from '#core/standing/fold-rounds'
import { readRound } from '#core/files/read-round'
import { ankleCase } from '../../harness/cases/leg-slab-cases'
import { legRound } from '../../harness/cases/leg-rounds'
import { wearing } from '../../harness/cases/situations'

const { clinicalCase } = readCase(ankleCase())
if (!clinicalCase) throw new Error('no case')

const stop: Caution = { level: 'stop', code: 'open', text: 'Cover the wound.', why: 'It is open.', decisions: [], steps: ['padding'] }
const mild: Caution = {
  level: 'caution',
  code: 'hot-skin',
  text: 'Ask about heat.',
  why: 'It sets.',
  decisions: [],
  steps: ['wet'],
  lasts: true,
}

/** A standing of rounds on the ankle case at a minute; the device is on since minute 0. */
function judge(rounds: ReturnType<typeof legRound>[], change: Partial<StandingInput> = {}, nowMin = 1_000) {
  const read = rounds.flatMap((round, index) => readRound(round, `rounds/${index}`, []))
  return judgeStanding({
    situation: wearing('break'),
    ownWay: ['Cut along the open front.'],
    onAtMs: 0,
    removedAtMs: null,
    rounds: findingsAfterRounds(
      { clinicalCase: clinicalCase!, rounds: read, situationAt: () => wearing('break'), startMin: 0, isAtRisk: false },
      nowMin,
    ),
    lookedAtMs: rounds.length > 0 ? 1 : null,
    plan: { inForce: [], waiting: [], sinceMs: 0, steps: [], doneSteps: [] },
    others: [],
    responses: [],
    calls: [],
    decisions: [],
    words: [],
    ...change,
  })
}
const other = (level: StandingLevel, id: string, from: OtherItem['from'] = 'task'): OtherItem => ({
  id,
  from,
  level,
  text: id,
  part: null,
  sinceMs: 5,
  binds: { stages: [], steps: [] },
  ends: '',
  isEndedByWord: false,
})

describe('what stands about a case', () => {
  it('is nothing only when everything was looked at and nothing was found', () => {
    expect(judge([legRound(0)])).to.deep.include({
      level: 'none',
      headline: 'No warning in what was entered',
      items: [],
      actions: [],
      call: null,
    })
    const partial = judge([legRound(0), { atMin: 15, limbs: [{ limb: 'leg', side: 'left', pulse: 'present' }] }])
    expect(partial.headline).to.match(/^Not looked at: left leg colour, .* more$/)
    expect(partial.notLookedAt[0]).to.deep.equal({ id: 'leg-left/colour', lastMs: 0 })
  })

  it('lists every level in its order, worst first', () => {
    const all: StandingLevel[] = ['owed', 'known', 'warn', 'stop', 'review', 'unknown', 'urgent']
    const standing = judge([legRound(0)], { others: all.map((level) => other(level, level)) })
    expect(standing.items.map((item) => item.level)).to.deep.equal(['urgent', 'stop', 'review', 'unknown', 'warn', 'owed', 'known'])
    expect(standing.level).to.equal('urgent')
  })

  it('says that nobody has looked once a device is on, and last of all before', () => {
    expect(judge([]).items.map((item) => item.id)).to.deep.equal(['device/not-looked-at'])
    expect(judge([]).headline).to.equal('Not looked at yet')
    expect(judge([], { onAtMs: null }).level).to.equal('none')
    expect(judge([], { onAtMs: null, others: [other('unknown', 'a'), other('known', 'b')] }).level).to.equal('known')
    expect(judge([], { removedAtMs: 5 }).items).to.deep.equal([])
  })

  it('holds stops and cautions of the plan in force, and what a waiting change brings; not what was set aside, or is past', () => {
    const plan = (inForce: Caution[], waiting: Caution[] = [], doneSteps: string[] = []): StandingInput['plan'] => ({
      inForce,
      waiting,
      sinceMs: 9,
      steps: [],
      doneSteps,
    })
    expect(judge([legRound(0)], { plan: plan([stop, mild]) }).items.map((item) => `${item.id} ${item.level}`)).to.deep.equal([
      'plan/open/padding stop',
      'plan/hot-skin/wet warn',
    ])
    expect(judge([legRound(0)], { plan: plan([stop]) }).items[0]?.binds).to.deep.equal({
      stages: ['make-ready', 'apply'],
      steps: ['padding'],
    })
    expect(
      judge([legRound(0)], { onAtMs: null, plan: plan([mild], [mild, stop]) }).items.map((item) => `${item.id} ${item.from}`),
    ).to.deep.equal(['change/open/padding plan', 'plan/hot-skin/wet plan'])
    expect(judge([legRound(0)], { plan: plan([], [stop]) }).items[0]).to.include({
      id: 'change/open/padding',
      from: 'reading',
      level: 'stop',
    })
    const aside = { ...stop, overruled: { reason: 'covered', by: 'Ada', at: '' } }
    expect(judge([legRound(0)], { plan: plan([aside, { ...mild, level: 'note' }]) }).items).to.deep.equal([])
    expect(judge([legRound(0)], { plan: plan([stop], [], ['padding']) }).items).to.deep.equal([])
    expect(judge([legRound(0)], { onAtMs: null, plan: plan([stop], [], ['padding']) }).items).to.have.length(1)
    expect(judge([legRound(0)], { plan: plan([mild]) })).to.deep.include({
      headline: 'A caution of the plan stands',
      bedside: { level: 'none', headline: 'No warning in what was entered' },
    })
  })
})

describe('what to do about it', () => {
  const lost = [legRound(0), legRound(15, { pulse: 'absent' })]

  it('begins with what saves, the device’s own way inside of it', () => {
    const { actions } = judge(lost)
    expect(actions.map((action) => action.id).slice(0, 4)).to.deep.equal(['call-and-open', 'open-to-skin', 'ease-bend', 'heart-level'])
    expect(actions[1]?.ownWay).to.deep.equal(['Cut along the open front.'])
    expect(actions.slice(2).every((action) => action.ownWay.length === 0)).to.equal(true)
  })

  it('opens nothing before a device is on', () => {
    expect(judge(lost, { onAtMs: null, situation: wearing('break', { on: null }) }).actions.map((action) => action.id)).to.deep.equal([
      'call-senior',
      'in-line',
      'heart-level',
      'blood-pressure',
      'again-5',
    ])
  })

  it('is ticked by what was recorded since the alarm, not by an older tick', () => {
    const tick = (atMin: number) => ({
      action: 'open-to-skin' as const,
      outcome: 'done' as const,
      why: '',
      atMs: atMin * minuteMs,
      by: 'Ada',
    })
    expect(judge(lost, { responses: [tick(14)] }).actions[1]?.response).to.equal(null)
    expect(judge(lost, { responses: [tick(14), tick(16)] }).actions[1]?.response).to.deep.include({ by: 'Ada', atMs: 16 * minuteMs })
  })

  it('is one call: reached or not, and what comes later joins it', () => {
    const call = (atMin: number, isReached: boolean) => ({
      to: 'Sorrel Vane',
      isReached,
      how: 'telephone' as const,
      said: 'coming',
      atMs: atMin * minuteMs,
      by: 'Ada',
    })
    expect(judge(lost).call).to.deep.equal({ sinceMs: 15 * minuteMs, answered: null, isActedOn: false, missed: [] })
    expect(judge(lost, { calls: [call(10, true)] }).call?.answered).to.equal(null)
    const later = judge([...lost, legRound(30, { pulse: 'absent', stretchPain: true })], { calls: [call(16, false), call(17, true)] })
    expect(later.call).to.deep.include({ sinceMs: 15 * minuteMs, missed: [{ to: 'Sorrel Vane', atMs: 16 * minuteMs, by: 'Ada' }] })
    expect(later.call?.answered).to.deep.include({ to: 'Sorrel Vane', by: 'Ada' })
    expect(judge([legRound(0)]).call).to.equal(null)
  })

  it('is not answered by a tick: somebody pressed, nobody heard', () => {
    const ticked = { action: 'call-senior' as const, outcome: 'done' as const, why: '', atMs: 16 * minuteMs, by: 'Ada' }
    const alarm = [legRound(0), legRound(15, { skin: 'broken' })]
    const open = judge(alarm, { responses: [ticked] })
    expect(open.actions.find(({ id }) => id === 'call-senior')?.response).to.equal(null)
    const call = { to: 'Sorrel Vane', isReached: true, how: 'telephone' as const, said: '', atMs: 17 * minuteMs, by: 'Ada' }
    expect(judge(alarm, { responses: [ticked], calls: [call] }).actions.find(({ id }) => id === 'call-senior')?.response?.by).to.equal(
      'Sorrel Vane',
    )
  })

  it('is answered by whoever came to the bedside, the first of them, before whoever was first on the line', () => {
    const alarm = [legRound(0), legRound(15, { skin: 'broken' })]
    const call = (to: string, atMin: number, how: 'telephone' | 'bedside') => ({
      to,
      isReached: true,
      how,
      said: '',
      atMs: atMin * minuteMs,
      by: 'Ada',
    })
    const calls = [call('Sorrel Vane', 16, 'telephone'), call('Otto Reed', 18, 'bedside'), call('Maren Hull', 19, 'bedside')]
    const answeredBy = (made: typeof calls) => judge(alarm, { calls: made }).actions.find(({ id }) => id === 'call-senior')?.response?.by
    expect(answeredBy(calls)).to.equal('Otto Reed')
    expect(answeredBy(calls.slice(0, 1))).to.equal('Sorrel Vane')
  })

  it('begins anew when what was known gets worse: the call of the first look answers nothing', () => {
    const call = { to: 'Sorrel Vane', isReached: true, how: 'telephone' as const, said: '', atMs: 1 * minuteMs, by: 'Ada' }
    const rounds = [
      legRound(0, { movement: { tibial: 'weak' } }),
      legRound(30, { movement: { tibial: 'weak' } }),
      legRound(60, { movement: { tibial: 'none' } }),
    ]
    const read = rounds.flatMap((round, index) => readRound(round, `rounds/${index}`, []))
    const told = [{ atMin: 1, to: 'Sorrel Vane' }]
    const stood = findingsAfterRounds(
      { clinicalCase: clinicalCase!, rounds: read, situationAt: () => wearing('break'), startMin: 0, isAtRisk: false, told },
      70,
    )
    const standing = judge(rounds, { rounds: stood, calls: [call] })
    expect(standing.items[0]).to.include({ level: 'urgent', sinceMs: 0, alarmSinceMs: 60 * minuteMs })
    expect(standing.call).to.deep.include({ sinceMs: 60 * minuteMs, answered: null })
  })

  it('of the plan ends with the device, and a figure in its words brings nothing', () => {
    const plan = (waiting: Caution[]): StandingInput['plan'] => ({
      inForce: [{ ...stop, text: 'Cut 64.2 cm.' }],
      waiting,
      sinceMs: 9,
      steps: [],
      doneSteps: [],
    })
    expect(judge([legRound(0)], { removedAtMs: 5, plan: plan([stop]) }).items).to.deep.equal([])
    expect(judge([legRound(0)], { plan: plan([{ ...stop, text: 'Cut 64.3 cm.' }]) }).items.map((item) => item.id)).to.deep.equal([
      'plan/open/padding',
    ])
  })

  it('answers a trouble by its danger, as it answers a finding of a round', () => {
    const trouble = { ...other('urgent', 'trouble/1', 'trouble'), danger: 'limb' as const }
    expect(judge([legRound(0)], { others: [trouble] }).actions[0]?.id).to.equal('call-and-open')
    expect(judge([legRound(0)], { others: [other('urgent', 'task/1')] }).actions).to.deep.equal([])
  })

  it('lets a trouble that no round looks at ask for its own steps, and for nothing of the device', () => {
    const steps = ['Take it by hand at once.', 'Build it up again.']
    const trouble = (level: StandingLevel): OtherItem => ({
      ...other(level, 'trouble/1', 'trouble'),
      text: 'The pull was let go',
      ownSteps: steps,
    })
    const urgent = judge([legRound(0)], { others: [trouble('urgent')], situation: wearing('pull') }).actions
    expect(urgent.map((action) => action.id)).to.deep.equal(['as-trouble', 'call-senior', 'again-15'])
    expect(urgent[0]).to.deep.include({ text: 'Take it by hand at once.', ownWay: ['Build it up again.'] })
    const review = judge([legRound(0)], { others: [trouble('review')] }).actions
    expect(review.map((action) => action.id)).to.deep.equal(['as-trouble', 'senior-30', 'again-15'])
    expect(judge([legRound(0)], { others: [trouble('warn')] }).actions).to.deep.equal([])
  })

  it('puts its steps before the device’s where the limb alarms as well', () => {
    const trouble: OtherItem = { ...other('urgent', 'trouble/1', 'trouble'), ownSteps: ['Call the arrest team.'] }
    const [first, second] = judge([legRound(0), legRound(15, { pulse: 'absent' })], { others: [trouble] }).actions
    expect([first?.id, second?.id]).to.deep.equal(['as-trouble', 'call-and-open'])
  })

  it('shows the tick of such a step as of any other', () => {
    const trouble: OtherItem = { ...other('urgent', 'trouble/1', 'trouble'), ownSteps: ['Call the arrest team.'] }
    const responses = [{ action: 'as-trouble' as const, outcome: 'done' as const, why: '', atMs: 6, by: 'Ada' }]
    expect(judge([legRound(0)], { others: [trouble], responses }).actions[0]?.response).to.include({ by: 'Ada', outcome: 'done' })
  })
})

describe('what ends a finding, in words', () => {
  const endsAt = (rounds: ReturnType<typeof legRound>[], nowMin: number) =>
    judge(rounds, {}, nowMin).items.find(({ id }) => id === 'leg-left/pulse')?.ends
  const lost = [legRound(0), legRound(15, { pulse: 'absent' })]

  it('is what its next look has to find', () => {
    expect(endsAt(lost, 16)).to.match(/^A complete round in which .*pulse.* is no longer urgent\.$/)
    expect(endsAt([...lost, legRound(30)], 31)).to.equal('One more complete quiet round within 30 minutes of the last.')
    // Only one limb looked at: not a complete round yet.
    expect(endsAt([...lost, legRound(30), legRound(61)], 62)).to.equal('One more complete quiet round within 30 minutes of the last.')
  })

  it('stands beside what raised it and what was found since', () => {
    const [item] = judge([...lost, legRound(30)], {}, 31).items
    expect(item?.text).to.equal('Left leg: no pulse felt; last look: pulse felt')
  })

  it('is asked of nobody who cannot answer: what is to be done does not wait for a word', () => {
    const rounds = [...lost, { ...legRound(30), cannotAsk: 'sedated' }]
    const words = (standing: ReturnType<typeof judge>): string => standing.actions.map(({ text }) => text).join(' ')
    expect(words(judge(rounds, {}, 31))).to.include('Loosen or split it now.')
    expect(words(judge([...lost, legRound(30)], {}, 31)))
      .to.include('Loosen')
      .and.not.include('Loosen or split it now.')
  })
})
