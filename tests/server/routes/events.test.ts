import { expect } from 'chai'
import { defaultProtocol } from '#core/quantities/defaults'
import { v7 as uuidv7 } from 'uuid'
import type { CaseRecord } from '#contract/records/case'
import { toClinicalCase } from '#ward/case/clinical-case'
import type { EpisodeRecord } from '#contract/records/episode'
import type { EventKindId } from '#contract/events/index'
import { upcast } from '#contract/events/upcast'
import { defineModels } from '../../../src/server/db/models'
import type { KeptEvent } from '../../../src/server/repositories/event-rows'
import { createEventRepository } from '../../../src/server/repositories/events'
import { chainHash } from '../../../src/server/ledger/chain-hash'
import { bothLegs } from '../../../src/server/demo/findings'
import { goodBodies } from '../../harness/cases/good-events'
import { openCase, reading, startHarness, type Client, type Harness, type OpenedCase } from '../../harness/server-harness'

interface CaseBody {
  record: CaseRecord
  version: number
  episode: EpisodeRecord
  episodeVersion: number
}

describe('events of a case', () => {
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
  })

  const fetchCase = async (): Promise<CaseBody> => (await client.get(`/api/cases/${opened.caseStream.id}`)).body as unknown as CaseBody
  const measure = async (): Promise<void> => {
    await client.send(opened.caseStream, 'reading', reading('slab-path', 'right', 58))
    await client.send(opened.caseStream, 'reading', reading('calf-girth', 'left', 38))
    await client.send(opened.episodeStream, 'patient', goodBodies.patient)
  }
  const ownPlan = async () => {
    const { record, episode } = await fetchCase()
    return harness.planner.planWhole(toClinicalCase(record, episode), defaultProtocol)
  }

  it('keeps a reading with who and when, and says what the core thinks of it', async () => {
    const answer = await client.send(opened.caseStream, 'reading', reading('calf-girth', 'left', 38))
    expect(answer.status).to.equal(200)
    expect(answer.body).to.include({ version: 2 })
    const { problems } = await harness.doubtsOf(opened.caseStream.id)
    expect(problems.map((problem) => `${problem.code} ${problem.path}`)).to.include('missing measurements/slab-path')
    const { record } = await fetchCase()
    expect(record.measurements[0]).to.include({ id: 'calf-girth', value: 38, by: 'ada' })
  })

  it('stores a clinically bad reading, and has its doubts about it', async () => {
    const answer = await client.send(opened.caseStream, 'reading', reading('calf-girth', 'left', 380))
    expect(answer.status).to.equal(200)
    expect((await harness.doubtsOf(opened.caseStream.id)).problems.map((problem) => problem.code)).to.include('implausible')
    expect((await fetchCase()).record.measurements).to.have.length(1)
  })

  it('takes the same event twice as one, and refuses another body under the same id', async () => {
    const event = {
      id: uuidv7(),
      stream: opened.caseStream,
      kind: 'note',
      v: 1,
      body: { text: 'first' },
      at: '2026-01-10T08:00:00Z',
      offsetMs: 0,
    }
    const [first, second] = await Promise.all([client.post('/api/events', event), client.post('/api/events', event)])
    expect([first.status, second.status]).to.deep.equal([200, 200])
    expect(first.body['version']).to.equal(second.body['version'])
    const other = await client.post('/api/events', { ...event, body: { text: 'second' } })
    expect(other.status).to.equal(422)
    expect((await fetchCase()).record.notes).to.have.length(1)
  })

  it('answers a stale replacing event with what was sent and how far the other side has gone, never with what it holds', async () => {
    const { version } = await fetchCase()
    const first = await client.send(opened.caseStream, 'options', { options: { extent: 'above-knee' } }, version)
    const stale = await client.send(opened.caseStream, 'options', { options: { extent: 'below-knee' } }, version)
    expect([first.status, stale.status]).to.deep.equal([200, 409])
    expect(stale.body['yours']).to.deep.include({ body: { options: { extent: 'below-knee' } } })
    expect(stale.body['current']).to.deep.equal({ version: version + 1 })
    expect((await fetchCase()).record.options).to.deep.equal({ extent: 'above-knee' })
  })

  it('lets additive events of many people in without conflict', async () => {
    const answers = await Promise.all(
      Array.from({ length: 12 }, (_, index) => client.send(opened.caseStream, 'reading', reading('calf-girth', 'left', 37 + index / 10))),
    )
    expect(answers.map((answer) => answer.status)).to.deep.equal(Array.from({ length: 12 }, () => 200))
    expect(new Set(answers.map((answer) => answer.body['version'])).size).to.equal(12)
    expect((await fetchCase()).record.measurements).to.have.length(12)
  })

  it('accepts a plan that it plans itself, and refuses one that differs with both', async () => {
    await measure()
    const plan = await ownPlan()
    const { version } = await fetchCase()
    const wrong = {
      ...plan,
      decisions: plan?.decisions.map((decision) => (decision.id === 'slab-width' ? { ...decision, value: 99 } : decision)),
    }
    const refused = await client.send(opened.caseStream, 'plan', { plan: wrong }, version)
    expect(refused.status).to.equal(409)
    expect(refused.body['type']).to.equal('urn:zesty-wren:error:plan-differs')
    expect(refused.body).to.have.property('current')
    const accepted = await client.send(opened.caseStream, 'plan', { plan }, version)
    expect(accepted.status).to.equal(200)
    expect((await fetchCase()).record.accepted?.by).to.equal('ada')
  })

  it('refuses a plan whose slow figures are still pending', async () => {
    await measure()
    const { record, episode, version } = await fetchCase()
    const pending = harness.planner.planNow({ ...toClinicalCase(record, episode), seed: 77 }, defaultProtocol)
    const answer = await client.send(opened.caseStream, 'plan', { plan: pending }, version)
    expect(answer.status).to.equal(422)
  })

  it('counts a pulse that could not be felt as a stop', async () => {
    await client.send(opened.episodeStream, 'round', {
      cases: [opened.caseStream.id],
      isBaseline: true,
      outcome: 'done',
      reason: '',
      findings: bothLegs('left', { pulse: 'absent' }),
    })
    await client.send(opened.caseStream, 'reading', reading('calf-girth', 'left', 38))
    const { cautions } = await harness.doubtsOf(opened.caseStream.id)
    expect(cautions.filter((caution) => caution.code === 'pulse-absent').map((caution) => caution.level)).to.deep.equal(['stop'])
  })

  const malformed: readonly [string, EventKindId, object, string, string][] = [
    ['text in a number', 'reading', { id: 'calf-girth', side: 'left', value: 'abc', unit: 'cm' }, 'body/value', 'format'],
    ['an unknown measurement', 'reading', { id: 'hat', side: 'left', value: 3, unit: 'cm' }, 'body/id', 'unknown-measurement'],
    ['an unknown unit', 'reading', { id: 'calf-girth', side: 'left', value: 3, unit: 'ell' }, 'body/unit', 'unknown-unit'],
    ['an unknown field', 'note', { text: 'x', colour: 1 }, 'body/colour', 'format'],
    ['an overrule without a reason', 'overrule', { decision: 'slab-width', value: 12, reason: '' }, 'body/reason', 'format'],
    ['an unknown option', 'options', { options: { extent: 'elbow' } }, 'options/extent', 'unknown-option'],
    ['an unknown option id', 'options', { options: { hat: 'yes' } }, 'options/hat', 'unknown-option'],
  ]
  for (const [name, kind, body, path, code] of malformed) {
    it(`answers ${name} with 422 and stores nothing`, async () => {
      const before = (await fetchCase()).version
      const answer = await client.send(opened.caseStream, kind, body)
      expect(answer.status).to.equal(422)
      const errors = answer.body['errors'] as { path: string; code: string; message: string }[]
      expect(errors.map((error) => error.path)).to.include(path)
      expect(errors.find((error) => error.path === path)?.code).to.equal(code)
      expect((await fetchCase()).version).to.equal(before)
    })
  }

  it('names an unknown flag', async () => {
    const answer = await client.send(opened.episodeStream, 'flags', { flags: ['grumpy'] })
    expect(answer.status).to.equal(422)
    expect((answer.body['errors'] as { code: string }[])[0]?.code).to.equal('unknown-flag')
  })

  it('moves a wrongly filed reading to another case, with a trace in both', async () => {
    const lead = await harness.signIn('lena', ['lead'])
    const taken = await client.send(opened.caseStream, 'reading', reading('calf-girth', 'left', 38))
    const other = await openCase(client)
    const key = String(taken.body['id'])
    const { version } = await fetchCase()
    const out = { key, toCase: other.caseStream.id, reason: 'typed into the wrong case' }
    expect((await client.send(opened.caseStream, 'moved-out', out, version)).status).to.equal(403)
    expect((await lead.send(opened.caseStream, 'moved-out', out, version)).status).to.equal(200)
    const into = { key, fromCase: opened.caseStream.id, reason: 'typed into the wrong case' }
    expect((await lead.send(other.caseStream, 'moved-in', into)).status).to.equal(200)
    expect((await fetchCase()).record.measurements).to.have.length(0)
    const there = (await client.get(`/api/cases/${other.caseStream.id}`)).body as unknown as CaseBody
    expect(there.record.measurements[0]).to.include({ id: 'calf-girth', by: 'ada' })
  })

  it('gives a run one driver: the one who took it last, whoever arrives late', async () => {
    await client.send(opened.caseStream, 'run-started', { runId: opened.injuryId, withoutPlan: 'no plan in this test' })
    const lease = (device: string) => client.send(opened.caseStream, 'run-lease', { runId: opened.injuryId, device })
    expect((await lease('trolley tablet')).status).to.equal(200)
    expect((await lease('pocket phone')).status).to.equal(200)
    expect((await fetchCase()).record.runs[0]?.driver?.device).to.equal('pocket phone')
  })

  it('wants a reason for a round that was not done, and keeps it due', async () => {
    const round = { cases: [opened.caseStream.id], isBaseline: false, outcome: 'asleep', reason: '', findings: { limbs: [] } }
    expect((await client.send(opened.episodeStream, 'round', round)).status).to.equal(422)
    expect((await client.send(opened.episodeStream, 'round', { ...round, reason: 'sleeping, sound leg warm' })).status).to.equal(200)
  })

  it('refuses events for what does not exist, and opening twice', async () => {
    const nowhere = { type: 'case', id: uuidv7() } as const
    expect((await client.send(nowhere, 'note', { text: 'x' })).status).to.equal(404)
    expect((await client.get(`/api/cases/${nowhere.id}`)).status).to.equal(404)
    expect((await client.get('/api/cases/not-an-id')).status).to.equal(422)
    const again = await client.send(opened.caseStream, 'case-opened', {
      episodeId: opened.episodeStream.id,
      injuryId: opened.injuryId,
      technique: 'leg-slab',
    })
    expect(again.status).to.equal(409)
  })

  it('chains the hashes of a stream, so that a changed row shows', async () => {
    await client.send(opened.caseStream, 'note', { text: 'one' })
    await client.send(opened.caseStream, 'note', { text: 'two' })
    const events = await createEventRepository(harness.db, defineModels(harness.db)).ofStream('case', opened.caseStream.id)
    const recomputed = (rows: readonly KeptEvent[]): boolean =>
      rows.every((event, index) => chainHash(rows[index - 1]?.hash ?? '0'.repeat(64), event, event.rule) === event.hash)
    expect(recomputed(events)).to.equal(true)
    expect(recomputed(events.map((event, index) => (index === 1 ? { ...event, body: { text: 'changed' } } : event)))).to.equal(false)
  })
})

describe('the Board', () => {
  let harness: Harness
  before(async () => {
    harness = await startHarness()
  })
  after(() => harness.stop())

  it('follows a case from arrival to removal', async () => {
    const client = await harness.signIn('ada', ['clinician'])
    const opened = await openCase(client)
    const row = async () => {
      const { rows } = (await client.get('/api/board')).body as { rows: Record<string, unknown>[] }
      return rows.find((one) => one['caseId'] === opened.caseStream.id)
    }
    expect(await row()).to.include({ stage: 'measure', side: 'left', region: 'ankle', level: null, nextDueAt: null })
    await client.send(opened.caseStream, 'applied', {})
    expect(await row()).to.include({ stage: 'check', nextDueAt: '2026-01-10T08:15:00.000Z' })
    await client.send(opened.episodeStream, 'round', {
      cases: [opened.caseStream.id],
      isBaseline: false,
      outcome: 'done',
      reason: '',
      findings: bothLegs('left', { tight: true, restPain: 6 }),
    })
    expect(await row()).to.include({ stage: 'watch', level: 'warn' })
    await client.send(opened.episodeStream, 'place', { place: 'Ward A, bed 2' })
    expect(await row()).to.include({ place: 'Ward A, bed 2' })
    const { version } = (await client.get(`/api/cases/${opened.caseStream.id}`)).body
    await client.send(opened.caseStream, 'removed', { reason: 'changed for a cast' }, Number(version))
    expect(await row(), 'what stands keeps the line').to.include({ isOff: true, level: 'warn' })
    harness.now += 10 * 60_000
    const quiet = bothLegs('left', { tight: false, restPain: 3 })
    const round = { cases: [opened.caseStream.id], isBaseline: false, outcome: 'done', reason: '', findings: quiet }
    await client.sendAs(opened.episodeStream, 'round', round, { at: new Date(harness.now).toISOString() })
    expect(await row()).to.equal(undefined)
  })

  it('hints at changes over one stream', async () => {
    const client = await harness.signIn('bea', ['clinician'])
    const opened = await openCase(client)
    harness.now = Date.parse('2026-01-10T08:00:10Z')
    const signedIn = await fetch(`${harness.address}/api/session`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ name: 'bea', password: 'a test password' }),
    })
    const cookie = (signedIn.headers.get('set-cookie') ?? '').split(';')[0] ?? ''
    const abort = new AbortController()
    const stream = await fetch(`${harness.address}/api/stream`, { headers: { cookie }, signal: abort.signal })
    expect(stream.headers.get('content-type')).to.include('text/event-stream')
    const reader = stream.body?.pipeThrough(new TextDecoderStream()).getReader()
    let heard = ''
    const hear = async (wanted: string): Promise<void> => {
      while (!heard.includes(wanted)) heard += (await reader?.read())?.value ?? ''
    }
    await hear('event: ready')
    const note = await client.send(opened.caseStream, 'note', { text: 'over here' })
    expect(note.status).to.equal(200)
    await hear(`"version":${String(note.body['version'])}`)
    abort.abort()
  })
})

describe('events of older versions', () => {
  it('are brought to the newest form, one version after another', () => {
    const event = { id: 'e', kind: 'note', v: 1, body: { text: 'hello' }, at: '', actor: '', actorName: '' }
    const table = {
      note: {
        upcasters: [(body: unknown) => ({ ...(body as object), tone: 'plain' }), (body: unknown) => ({ ...(body as object), lines: 1 })],
      },
    }
    expect(upcast(event, table)).to.deep.include({ v: 3, body: { text: 'hello', tone: 'plain', lines: 1 } })
    expect(upcast({ ...event, v: 2 }, table).body).to.deep.equal({ text: 'hello', lines: 1 })
    expect(upcast(event)).to.equal(event)
  })
})
