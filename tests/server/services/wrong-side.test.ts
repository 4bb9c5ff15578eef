import { expect } from 'chai'
import { v7 as uuidv7 } from 'uuid'
import { foundOn } from '#contract/records/side'
import type { CaseRecord } from '#contract/records/case'
import type { Role } from '#contract/rights'
import { planFile } from '../../harness/cases/leg-slab-cases'
import { exampleOf } from '../../harness/cases/example-cases'
import {
  clientOf,
  openCase,
  request,
  startHarness,
  type Answer,
  type Client,
  type Harness,
  type OpenedCase,
} from '../../harness/server-harness'

const from = 'LEFT ankle, malleolar fracture'
const to = 'RIGHT ankle, malleolar fracture'
const right = { region: 'ankle', side: 'right', pattern: 'malleolar-fracture', flags: [], swelling: 'none', levelCm: null }
const runId = uuidv7()

/** Whoever may add answers, undoes, ends the run and takes off; side and plan are a clinician's. */
describe('a run on the wrong side', () => {
  let harness: Harness
  let ada: Client
  let opened: OpenedCase
  before(async () => {
    harness = await startHarness()
    ada = await harness.signIn('ada', ['clinician'])
  })
  after(() => harness.stop())

  const recordOf = async (client = ada): Promise<CaseRecord> =>
    (await client.get(`/api/cases/${opened.caseStream.id}`)).body['record'] as CaseRecord
  const pathsOf = (answer: Answer): readonly string[] => ((answer.body['errors'] ?? []) as { path: string }[]).map((one) => one.path)
  const send = (client: Client, kind: Parameters<Client['send']>[1], body: object): Promise<Answer> =>
    client.send(opened.caseStream, kind, body)
  /** The side changed in the stay, as Size up does it. */
  async function otherSide(client: Client): Promise<Answer> {
    const { episodeVersion } = (await client.get(`/api/cases/${opened.caseStream.id}`)).body as { episodeVersion: number }
    return client.send(
      opened.episodeStream,
      'injury',
      { injuryId: opened.injuryId, injury: right, reason: 'the film was turned' },
      episodeVersion,
    )
  }
  /** A left ankle with padding on, by a run without a plan. */
  async function begun(client: Client): Promise<void> {
    opened = await openCase(client)
    const started = await send(client, 'run-started', { runId, withoutPlan: 'bleeding' })
    expect(started.status, JSON.stringify(started.body)).to.equal(200)
    for (const stepId of ['identity', 'baseline', 'padding', 'wet', 'lay'])
      expect((await send(client, 'step', { runId, stepId, outcome: 'done', reason: '' })).status).to.equal(200)
  }
  async function goThrough(client: Client): Promise<void> {
    expect(
      (await send(client, 'trouble', { runId, stepId: 'lay', troubleId: 'wrong-side', label: 'Wrong side', note: '' })).status,
    ).to.equal(200)
    expect((await send(client, 'side-answered', { on: 'left', hurt: 'right' })).status).to.equal(200)
    expect((await send(client, 'side-answer-undone', {})).status).to.equal(200)
    expect((await recordOf(client)).runs[0]?.wrongSide).to.equal(undefined)
    expect((await send(client, 'side-answered', { on: 'left', hurt: 'right' })).status).to.equal(200)
    expect((await recordOf(client)).runs[0]?.wrongSide).to.include({ by: (await recordOf(client)).sideAnswers?.at(-1)?.by })
    const off = uuidv7()
    const plan = planFile(exampleOf('leg-slab'))
    expect((await send(client, 'run-started', { runId: off, isTakingOff: true, plan })).status).to.equal(200)
    const looked = { runId: off, stepId: 'under-wrong', skin: 'intact', pulse: 'felt', moves: 'as-before' }
    expect((await send(client, 'underneath', looked)).status).to.equal(200)
    expect((await send(client, 'taken-off', { runId: off })).status).to.equal(200)
  }

  it('a trainee answers, takes back a slip, ends the run and takes it off; the side is a clinician’s', async () => {
    const teodor = await harness.signIn('teodor', ['trainee'])
    await begun(ada)
    await goThrough(teodor)
    const refused = await otherSide(teodor)
    expect([refused.status, String(refused.body['detail'])]).to.deep.equal([
      403,
      'Side, region and pattern were read aloud: they are a clinician’s to change. Ask one.',
    ])
    expect((await send(teodor, 'side-changed', { from, to, reason: 'film', isOtherLimb: true })).status).to.equal(403)
    expect((await otherSide(ada)).status).to.equal(200)
    expect((await send(ada, 'side-changed', { from, to, reason: 'film', isOtherLimb: true })).status).to.equal(200)
    expect((await send(teodor, 'identity-checked', { words: 'RIGHT ankle' })).status).to.equal(200)
    expect((await recordOf()).sideChange?.checked?.by).to.equal('teodor')
  })

  it('a viewer and an admin write none of it', async () => {
    await begun(ada)
    for (const role of ['viewer', 'admin'] as const satisfies readonly Role[]) {
      const client = await harness.signIn(`w-${role}`, [role])
      for (const [kind, body] of [
        ['side-answered', { on: 'left', hurt: 'right' }],
        ['side-answer-undone', {}],
        ['taken-off', { runId }],
        ['run-started', { runId: uuidv7(), isTakingOff: true }],
        ['run-started', { runId: uuidv7(), isOpenNow: true }],
      ] as const)
        expect([role, kind, (await send(client, kind, body)).status]).to.deep.equal([role, kind, 403])
    }
  })

  it('a device without an account does all of it for its own patient, the side too while nothing is accepted', async () => {
    const greta = await harness.signIn('greta', ['admin'])
    const paired = await greta.post('/api/admin/devices', { name: 'Resus 2' })
    const cookie = (paired.headers.get('set-cookie') ?? '').split(';')[0] ?? ''
    const entered = await request(harness.address, '/api/session/emergency', { method: 'POST', headers: { cookie } })
    const somebody = clientOf(harness.address, (entered.body['person'] as { id: string }).id, entered)
    await begun(somebody)
    await goThrough(somebody)
    expect((await otherSide(somebody)).status).to.equal(200)
    expect((await send(somebody, 'side-changed', { from, to, reason: 'film', isOtherLimb: true })).status).to.equal(200)
    expect((await send(somebody, 'run-started', { runId: uuidv7(), isOpenNow: true })).status).to.equal(422)
    // A stranger's patient is none of its business.
    await begun(ada)
    expect((await send(somebody, 'side-answered', { on: 'left', hurt: 'right' })).status).to.equal(403)
  })

  it('a slip is taken back by the times that were pressed: within ten seconds, also from an outbox, and not after', async () => {
    await begun(ada)
    const at = (seconds: number): string => new Date(Date.parse('2026-01-10T07:30:00Z') + seconds * 1_000).toISOString()
    const nothing = await send(ada, 'side-answer-undone', {})
    expect([nothing.status, ...pathsOf(nothing)]).to.deep.equal([422, 'kind'])
    await ada.sendAs(opened.caseStream, 'side-answered', { on: 'left', hurt: 'right' }, { at: at(0) })
    const late = await ada.sendAs(opened.caseStream, 'side-answer-undone', {}, { at: at(20) })
    expect([late.status, ...pathsOf(late)]).to.deep.equal([422, 'at'])
    expect((await recordOf()).runs[0]?.wrongSide?.at).to.equal(at(0))
    expect((await ada.sendAs(opened.caseStream, 'side-answer-undone', {}, { at: at(9) })).status).to.equal(200)
    expect((await recordOf()).runs[0]?.wrongSide).to.equal(undefined)
  })

  it('a trouble is no slip any more after ten seconds: a lost pulse is not taken off the record by a word', async () => {
    await begun(ada)
    const at = (seconds: number): string => new Date(Date.parse('2026-01-10T07:30:00Z') + seconds * 1_000).toISOString()
    const id = uuidv7()
    const trouble = { runId, stepId: 'lay', troubleId: 'lost-pulse', label: 'Pulse lost', note: '' }
    expect((await ada.sendAs(opened.caseStream, 'trouble', trouble, { id, at: at(0) })).status).to.equal(200)
    const slip = { troubleEvent: id, word: 'pressed by mistake', isSlip: true }
    const late = await ada.sendAs(opened.caseStream, 'trouble-ended', slip, { at: at(60) })
    expect([late.status, ...pathsOf(late)]).to.deep.equal([422, 'body/isSlip'])
    expect((await ada.sendAs(opened.caseStream, 'trouble-ended', slip, { at: at(8) })).status).to.equal(200)
  })

  it('says what is wrong with what cannot be: off where nothing is on the wrong limb, opened where nothing is on', async () => {
    opened = await openCase(ada)
    const off = await send(ada, 'run-started', { runId: uuidv7(), isTakingOff: true })
    expect([off.status, ...pathsOf(off)]).to.deep.equal([422, 'body/isTakingOff'])
    const open = await send(ada, 'run-started', { runId: uuidv7(), isOpenNow: true })
    expect([open.status, ...pathsOf(open)]).to.deep.equal([422, 'body/isOpenNow'])
    const unknown = await send(ada, 'taken-off', { runId: uuidv7() })
    expect([unknown.status, ...pathsOf(unknown)]).to.deep.equal([422, 'body/runId'])
    const strange = await send(ada, 'side-answered', { on: 'upside-down', hurt: null })
    expect([strange.status, ...pathsOf(strange)]).to.deep.equal([422, 'body/on'])
    expect(JSON.stringify(strange.body)).to.include(foundOn.at(-1))
  })
})

describe('a device in place of another', () => {
  it('is told what it replaces by the server, whatever an outbox says, and the skin under it goes along', async () => {
    const harness = await startHarness()
    const ada = await harness.signIn('ada', ['clinician'])
    const first = await openCase(ada)
    await ada.sendAs(first.caseStream, 'applied', {}, { at: '2026-01-10T07:00:00Z' })
    const stream = { type: 'case', id: uuidv7() } as const
    const opening = { episodeId: first.episodeStream.id, injuryId: first.injuryId, technique: 'leg-cast', replaces: first.caseStream.id }
    const id = uuidv7()
    expect((await ada.sendAs(stream, 'case-opened', { ...opening, oldTechnique: 'walker-boot' }, { id })).status).to.equal(200)
    expect((await ada.sendAs(stream, 'case-opened', opening, { id })).status).to.equal(200)
    const record = async (caseId: string): Promise<CaseRecord> => (await ada.get(`/api/cases/${caseId}`)).body['record'] as CaseRecord
    expect((await record(stream.id)).oldTechnique).to.equal('leg-slab')
    const run = uuidv7()
    await ada.send(stream, 'run-started', { runId: run, withoutPlan: 'no plan needed' })
    await ada.send(stream, 'underneath', { runId: run, stepId: 'under-old', skin: 'red', pulse: 'felt', moves: 'as-before' })
    expect((await ada.send(stream, 'applied', {})).status).to.equal(200)
    expect((await record(first.caseStream.id)).afterOff).to.deep.equal({ skin: 'red', moves: 'as-before' })
    await harness.stop()
  })
})
