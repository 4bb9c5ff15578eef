import { expect } from 'chai'
import { v7 as uuidv7 } from 'uuid'
import type { CaseRecord } from '#contract/records/case'
import type { EventKindId } from '#contract/events/index'
import type { RunRecord } from '#contract/records/run'
import { exampleRunId as runId } from '#contract/events/example-ids'
import { goodBodies as good } from '../../harness/cases/good-events'
import { openCase, startHarness, type Answer, type Client, type Harness, type OpenedCase } from '../../harness/server-harness'

const kindsOfARun = [
  'step',
  'timer',
  'timer-ended',
  'angle',
  'pull',
  'strap',
  'trouble',
  'hand-over',
  'crew',
  'read-back',
  'run-lease',
] as const satisfies readonly EventKindId[]

/** What a body of a kind may leave out. */
const optional: Readonly<Partial<Record<EventKindId, readonly string[]>>> = { timer: ['kind', 'until'], 'timer-ended': ['troubleEvent'] }

describe('events of a run over the API', () => {
  let harness: Harness
  let client: Client
  let opened: OpenedCase
  before(async () => {
    harness = await startHarness()
    client = await harness.signIn('ada', ['clinician'])
  })
  after(() => harness.stop())
  beforeEach(async () => {
    opened = await openCase(client)
    await client.send(opened.caseStream, 'run-started', { runId, withoutPlan: 'no plan in this test' })
  })
  const record = async (): Promise<CaseRecord> => (await client.get(`/api/cases/${opened.caseStream.id}`)).body['record'] as CaseRecord
  const run = async (): Promise<RunRecord> => {
    const last = (await record()).runs.at(-1)
    if (!last) throw new Error('no run')
    return last
  }
  const paths = (answer: Answer): readonly string[] => (answer.body['errors'] as { path: string }[]).map((one) => one.path)

  for (const kind of kindsOfARun) {
    const body = good[kind]
    it(`${kind}: is kept, by a trainee as well, and not by a viewer`, async () => {
      const trainee = await harness.signIn(`trainee ${kind}`, ['trainee'])
      const viewer = await harness.signIn(`viewer ${kind}`, ['viewer'])
      expect((await trainee.send(opened.caseStream, kind, body)).status).to.equal(200)
      expect((await viewer.send(opened.caseStream, kind, body)).status).to.equal(403)
    })

    it(`${kind}: names every field that is missing or unknown, and keeps nothing`, async () => {
      const before = JSON.stringify(await record())
      for (const field of Object.keys(body)) {
        if (optional[kind]?.includes(field)) continue
        const rest = Object.fromEntries(Object.entries(body).filter(([name]) => name !== field))
        const answer = await client.send(opened.caseStream, kind, rest)
        expect(answer.status, field).to.equal(422)
        expect(
          paths(answer).some((path) => path.startsWith(`body/${field}`)),
          field,
        ).to.equal(true)
      }
      const unknown = await client.send(opened.caseStream, kind, { ...body, colour: 'green' })
      expect(unknown.status).to.equal(422)
      expect(paths(unknown)).to.include('body/colour')
      expect(JSON.stringify(await record())).to.equal(before)
    })
  }

  for (const [what, kind, change, path] of [
    ['an angle beyond a circle', 'angle', { deg: 181 }, 'body/deg'],
    ['an angle in words', 'angle', { deg: 'square' }, 'body/deg'],
    ['pain above ten', 'pull', { painAfter: 11 }, 'body/painAfter'],
    ['half a pain', 'pull', { painBefore: 4.5 }, 'body/painBefore'],
    ['a pull below nothing', 'pull', { kg: -1 }, 'body/kg'],
    ['a mark that is none', 'strap', { mark: 'tight' }, 'body/mark'],
    ['a timer of no time', 'timer', { minutes: 0 }, 'body/minutes'],
    ['a timer of a kind nobody knows', 'timer', { kind: 'egg' }, 'body/kind'],
    ['an outcome that is none', 'step', { outcome: 'maybe' }, 'body/outcome'],
    ['hands in no place', 'hand-over', { place: 'anywhere' }, 'body/place'],
    ['a hand-over to nobody', 'hand-over', { to: '   ' }, 'body/to'],
    [
      'a crew of thirteen',
      'crew',
      { members: Array.from({ length: 13 }, (_, index) => ({ name: `P${index}`, place: 'fetch' })) },
      'body/members',
    ],
    ['an order said back to nobody', 'read-back', { orderedBy: '' }, 'body/orderedBy'],
    ['a run that is no id', 'step', { runId: 'mine' }, 'body/runId'],
  ] as const) {
    it(`refuses ${what}`, async () => {
      const answer = await client.send(opened.caseStream, kind, { ...good[kind], ...change })
      expect(answer.status).to.equal(422)
      expect(paths(answer).some((one) => one.startsWith(path))).to.equal(true)
    })
  }

  it('refuses to open what is no cast by any other way than opening', async () => {
    const answer = await client.send(opened.caseStream, 'run-started', { runId: uuidv7(), technique: 'leg-slab' })
    expect(answer.status).to.equal(422)
    expect(paths(answer)).to.include('body/technique')
  })

  it('puts on again only what is on, comes off and goes on, with its short plan', async () => {
    const refused = async (stream: typeof opened.caseStream, body: object): Promise<string> => {
      const answer = await client.send(stream, 'run-started', { runId: uuidv7(), isAgain: true, ...body })
      expect(answer.status).to.equal(422)
      return JSON.stringify(answer.body['errors'])
    }
    expect(await refused(opened.caseStream, {})).to.match(/never put on again/)
    const shell = await openCase(client, 'trunk-shell')
    expect(await refused(shell.caseStream, {})).to.match(/not on: apply it first/)
    await client.send(shell.caseStream, 'run-started', { runId: uuidv7(), withoutPlan: 'no plan in this test' })
    await client.send(shell.caseStream, 'applied', {})
    expect(await refused(shell.caseStream, {})).to.match(/short plan is missing/)
  })

  it('puts everything of one run together, and leaves another run alone', async () => {
    for (const kind of kindsOfARun) await client.send(opened.caseStream, kind, good[kind])
    await client.send(opened.caseStream, 'angle', { ...good.angle, runId: uuidv7() })
    const kept = await run()
    expect(kept.steps).to.have.length(1)
    expect(kept.angles).to.have.length(1)
    expect(kept.pulls?.[0]).to.include({ kg: 5.9, painBefore: 8 })
    expect(kept.straps?.[0]).to.include({ mark: 'snug', by: 'ada' })
    expect(kept.timers[0]).to.have.property('endedAt')
    expect(kept.driver?.device).to.equal('wren-tab-1')
    expect((await record()).readBacks).to.have.length(1)
  })

  it('keeps twenty notes and steps sent at once, each of them, without a refusal', async () => {
    const answers = await Promise.all(
      Array.from({ length: 20 }, (_, index) => client.send(opened.caseStream, 'step', { ...good.step, stepId: `step-${index}` })),
    )
    expect(answers.map((answer) => answer.status)).to.deep.equal(Array.from({ length: 20 }, () => 200))
    expect((await run()).steps).to.have.length(20)
  })

  it('counts rounds from the opening of a cast', async () => {
    await client.send(opened.caseStream, 'applied', {})
    await client.send(opened.caseStream, 'opened', { runId })
    expect((await record()).openedUpAt).to.equal('2026-01-10T08:00:00Z')
  })
})
