import { expect } from 'chai'
import type { FoldableEvent } from '#contract/event'
import { foldCase, foldEpisode } from '#contract/events/fold'
import type { CaseRecord } from '#contract/records/case'
import { standingOf } from '#ward/standing/standing-of-case'
import { taskFindings } from '#ward/rounds/task-findings'
import { caseRounds } from '#ward/owed/case-progress'
import { workOwed } from '#ward/owed/work-owed'
import { formatValue } from '#core/planner/format-decision'
import { readCase } from '#core/files/read-case'
import { planCase } from '#core/techniques/plan-case'
import { exampleOf } from '../harness/cases/example-cases'
import { testContext } from '../harness/cases/leg-slab-cases'
import { bothLegs } from '../../src/server/demo/findings'
import { boardRowOf } from '../../src/server/ledger/board-row'

const start = Date.parse('2026-03-28T10:00:00Z')
const minutes = (count: number): number => start + 60_000 * count
const event = (kind: string, body: object, atMin: number): FoldableEvent => ({
  id: `${kind}-${atMin}`,
  kind,
  v: 9,
  body,
  at: new Date(minutes(atMin)).toISOString(),
  actor: 'p1',
  actorName: 'Ada',
})
const technique = 'suspended-ring-traction'
const { clinicalCase } = readCase(exampleOf(technique))
const plan = planCase(clinicalCase!, testContext())!
const injury = { region: 'thigh', side: 'left', pattern: 'femoral-shaft-fracture', flags: [], swelling: 'none', levelCm: null }
const patient = {
  name: 'A',
  isTemporary: false,
  born: '',
  number: '',
  ageYears: 40,
  isAgeEstimated: false,
  sex: '',
  heightCm: 171,
  massKg: 70,
  isMassEstimated: false,
}
const stay = [
  event('episode-opened', { patientId: 'p', place: 'Bay 1', zone: 'Etc/UTC', patient }, 0),
  event('injury', { injuryId: 'i1', injury }, 0),
].reduce((before: Parameters<typeof foldEpisode>[0], one) => foldEpisode(before, 'e1', one), null)!
const applied = [
  event('case-opened', { episodeId: 'e1', injuryId: 'i1', technique }, 0),
  event('plan', { plan }, 0),
  event('applied', {}, 0),
].reduce((before: Parameters<typeof foldCase>[0], one) => foldCase(before, 'c1', one), null)!
const fold = (...events: readonly FoldableEvent[]): CaseRecord => events.reduce((before, one) => foldCase(before, 'c1', one), applied)
const done = (atMin: number, answers: object = {}, taskId = 'ring-skin', outcome = 'done', reason = ''): FoldableEvent =>
  event('task-done', { taskId, text: 'Ring, heel and fibular neck.', outcome, reason, answers }, atMin)
const dueMin = (record: CaseRecord, id: string, nowMin = 1): number | null => {
  const work = workOwed(record, stay, minutes(nowMin)).find((one) => one.id === id)
  return work ? (work.dueAt - start) / 60_000 : null
}

describe('work owed on a case', () => {
  it('is the round, the plan’s care, weights and review, the earliest first', () => {
    const owed = workOwed(applied, stay, minutes(1))
    expect(owed.map((work) => work.id)).to.deep.equal(['round', 'ring-skin', 'weights', 'review'])
    expect(owed.map((work) => work.dueAt)).to.deep.equal([...owed.map((work) => work.dueAt)].sort((a, b) => a - b))
  })

  it('moves on when it was done, and stays when it was not', () => {
    expect(dueMin(applied, 'ring-skin')).to.equal(120)
    expect(dueMin(fold(done(115)), 'ring-skin')).to.equal(235)
    expect(dueMin(fold(done(115, {}, 'ring-skin', 'refused', 'wants to sleep')), 'ring-skin')).to.equal(120)
    expect(dueMin(fold(done(115, {}, 'review', 'not-needed', 'goes to theatre now')), 'review')).to.equal(null)
  })

  it('is owed, and says so, once its grace has passed', () => {
    const ids = (record: CaseRecord, nowMin: number): readonly string[] =>
      standingOf(record, stay, null, minutes(nowMin)).items.map((item) => item.id)
    expect(ids(applied, 143)).not.to.include('task/ring-skin')
    expect(ids(applied, 145)).to.include('task/ring-skin')
    expect(ids(fold(done(144)), 145)).not.to.include('task/ring-skin')
  })

  it('names on the Board what is due first', () => {
    const row = boardRowOf(
      fold(event('task-added', { text: 'Ring theatre', dueAt: new Date(minutes(5)).toISOString(), who: 'Late shift' }, 1)),
      stay,
      null,
      minutes(2),
    )
    expect([row.nextWhat, row.nextDueAt, row.graceMin]).to.deep.equal(['Ring theatre', new Date(minutes(5)).toISOString(), 30])
    expect(boardRowOf(applied, stay, null, minutes(2)).nextWhat).to.equal('Round')
  })

  it('never shows a round as quiet that did not look at everything', () => {
    const calm = foldCase(applied, 'c1', event('plan', { plan: { ...plan, cautions: [] } }, 0))
    const levelAfter = (findings: object): string | null => {
      const body = { cases: ['c1'], isBaseline: false, outcome: 'done', reason: '', findings }
      return boardRowOf(calm, foldEpisode(stay, 'e1', event('round', body, 1)), null, minutes(2)).level
    }
    expect(boardRowOf(calm, stay, null, minutes(2)).level).to.equal('unknown')
    expect(levelAfter(bothLegs('left', {}))).to.equal('none')
    expect(levelAfter({ limbs: [{ limb: 'leg', side: 'left', pulse: 'normal' }] })).to.equal('unknown')
  })

  it('holds what a person wrote down until it was done or is not needed', () => {
    const added = event('task-added', { text: 'Ring theatre', dueAt: new Date(minutes(60)).toISOString(), who: '' }, 1)
    expect(dueMin(fold(added), added.id)).to.equal(60)
    expect(dueMin(fold(added, done(50, {}, added.id)), added.id)).to.equal(null)
  })

  it('ends with the device', () => {
    expect(workOwed(fold(event('removed', { reason: 'theatre' }, 30)), stay, minutes(31)).map((work) => work.id)).to.deep.equal(['round'])
  })

  it('is the call at home alone once the patient has gone home, and the list of rounds ends there', () => {
    const gone = fold(event('ended', { how: 'home', note: '' }, 30))
    expect(workOwed(gone, stay, minutes(31)).map((work) => work.id)).to.deep.equal(['home-check'])
    expect(caseRounds(gone, stay, minutes(31)).every((caseRound) => caseRound.dueAt <= minutes(30))).to.equal(true)
    expect(workOwed(fold(event('ended', { how: 'died', note: 'arrest' }, 30)), stay, minutes(31))).to.deep.equal([])
  })

  it('is nothing before the application', () => {
    const opened = foldCase(null, 'c1', event('case-opened', { episodeId: 'e1', injuryId: 'i1', technique }, 0))
    expect(workOwed(opened, stay, minutes(1))).to.deep.equal([])
  })
})

describe('what care found', () => {
  const bad = { ring: 'intact', heel: 'broken', 'fibular-neck': 'reddens-and-blanches', 'foot-up': 'yes' }
  const well = { ...bad, heel: 'intact', 'fibular-neck': 'intact' }

  it('stands with its level until the same look is well', () => {
    const found = fold(done(120, bad))
    expect(taskFindings(found).map(({ id, level, text }) => [id, level, text])).to.deep.equal([
      ['ring-skin/heel', 'urgent', 'Skin, heel: broken'],
    ])
    const item = standingOf(found, stay, null, minutes(121)).items.find((one) => one.id === 'care/ring-skin/heel')
    expect(item).to.include({ level: 'urgent', from: 'reading', sinceMs: minutes(120) })
    expect(taskFindings(fold(done(120, bad), done(240, well)))).to.deep.equal([])
  })

  it('keeps since when, through looks that find the same', () => {
    const [heel] = taskFindings(fold(done(120, bad), done(240, bad)))
    expect([heel?.sinceAt, heel?.at]).to.deep.equal([new Date(minutes(120)).toISOString(), new Date(minutes(240)).toISOString()])
  })

  it('is not ended by a look that was not made', () => {
    expect(taskFindings(fold(done(120, bad), done(240, {}, 'ring-skin', 'refused', 'wants to sleep')))).to.have.length(1)
  })

  it('reads entries in the order of their times, late ones too', () => {
    expect(taskFindings(fold(done(240, well), done(120, bad)))).to.deep.equal([])
  })
})

describe('a trouble that no round looks at', () => {
  const actionsOf = (troubleId: string) =>
    standingOf(fold(event('trouble', { runId: null, stepId: null, troubleId, label: troubleId, note: '' }, 10)), stay, null, minutes(11))
      .actions

  it('asks for what its own sheet says: a pull that was let go is taken again, never eased', () => {
    const actions = actionsOf('pull-lost')
    expect(actions.map((action) => action.id)).to.deep.equal(['hands-on-pull', 'set-again', 'check-again', 'again-15'])
  })

  it('begins an arrest with the chest, and calls the arrest team', () => {
    const [first, second] = actionsOf('arrest')
    expect(first?.text).to.match(/^Flat on something firm, foot end down: compress/)
    expect(second?.text).to.match(/^Call the arrest team/)
  })

  it('leaves the device’s own actions to what a round looks at', () => {
    expect(
      actionsOf('lost-pulse')
        .map(({ id }) => id)
        .slice(0, 3),
    ).to.deep.equal(['call-senior', 'compare-both', 'ease-pull'])
  })
})

describe('the weights of a suspension', () => {
  const planned = (id: string): number => Number(plan.decisions.find((decision) => decision.id === id)?.value)
  const good = {
    'hang-free': 'yes',
    cords: 'yes',
    foot: 'yes',
    bed: 'yes',
    counterweight: planned('counterweight'),
    suspension: planned('suspension-weight'),
  }
  const looked = (answers: object): CaseRecord => fold(done(60, { ...good, ...answers }, 'weights'))
  const standing = (record: CaseRecord) => standingOf(record, stay, null, minutes(61))

  it('as planned leave nothing standing, and are due again by the list', () => {
    expect(taskFindings(looked({}))).to.deep.equal([])
    expect(taskFindings(looked({ counterweight: planned('counterweight') + 0.5 }))).to.deep.equal([])
    expect(dueMin(looked({}), 'weights', 61)).to.be.greaterThan(200)
  })

  it('off their plan are a review with answers of their own, and due again in a quarter of an hour', () => {
    for (const [id, decision] of [
      ['counterweight', 'counterweight'],
      ['suspension', 'suspension-weight'],
    ] as const) {
      const record = looked({ [id]: 12 })
      const [found] = taskFindings(record)
      expect(found, id).to.include({
        level: 'review',
        text: `${id === 'suspension' ? 'Suspension weight' : 'Counterweight'}: 12 kg, planned ${formatValue(planned(decision), 'kg')}`,
      })
      const { actions } = standing(record)
      expect(actions[0]?.id).to.equal('as-trouble')
      expect(actions[0]?.ownWay.join(' ')).to.include(`set again to the planned ${formatValue(planned(decision), 'kg')}`)
      expect(actions.map((action) => action.text).join(' ')).to.not.match(/loosen/i)
      expect(dueMin(record, 'weights', 61)).to.equal(75)
    }
  })

  it('on the floor, or off a wheel: hands on the pull first, and never “loosen”', () => {
    for (const answer of [{ 'hang-free': 'no' }, { cords: 'no' }]) {
      const record = looked(answer)
      const { actions, level } = standing(record)
      expect(level).to.equal('urgent')
      expect(actions.map((action) => action.id)).to.deep.equal(['hands-on-pull', 'set-again', 'check-again', 'again-15'])
      expect(dueMin(record, 'weights', 61)).to.equal(75)
      expect(taskFindings(fold(done(60, { ...good, ...answer }, 'weights'), done(70, good, 'weights')))).to.deep.equal([])
    }
  })
})
