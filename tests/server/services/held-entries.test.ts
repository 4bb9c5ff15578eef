import { expect } from 'chai'
import { QueryTypes } from 'sequelize'
import { v7 as uuidv7 } from 'uuid'
import type { CaseAnswer } from '#contract/api/answers'
import type { DeviceKeys, SessionAnswer } from '#contract/api/session'
import type { HeldAnswer, HeldEntry } from '#contract/api/held-entries'
import type { EventInput } from '#contract/event'
import type { EventKindId } from '#contract/events/index'
import { newestVersion } from '#contract/events/upcast'
import { unknownInjury } from '#contract/records/episode'
import { verifyDatabase } from '../../../src/server/services/verify-database'
import { defineModels } from '../../../src/server/db/models'
import { sealFor } from '../../harness/seal'
import { quietRound } from '../../harness/seed-case'
import {
  openCase,
  openClient,
  password,
  request,
  startHarness,
  type Answer,
  type Client,
  type Harness,
  type OpenedCase,
} from '../../harness/server-harness'

describe('what a device sends when its author cannot be confirmed', () => {
  let harness: Harness
  let greta: Client
  let lena: Client
  let carrier: Client
  before(async () => {
    harness = await startHarness()
    greta = await harness.signIn('greta', ['admin'])
    lena = await harness.signIn('lena', ['lead'])
    carrier = await harness.signIn('carrier', ['viewer'])
  })
  after(() => harness.stop())

  let count = 0
  /** Somebody with entries on a device, whose access is ended before they arrive. */
  async function leaver(
    end: (who: Client) => Promise<unknown> = endAccess,
  ): Promise<{ keys: DeviceKeys; opened: OpenedCase; name: string }> {
    const name = `leaver-${++count}`
    const who = await harness.signIn(name, ['clinician'])
    const opened = await openCase(who)
    await who.sendAs(opened.caseStream, 'applied', {}, { at: new Date(harness.now).toISOString() })
    const keys = ((await who.get('/api/session')).body as unknown as SessionAnswer).keys
    if (!keys) throw new Error('no keys')
    await end(who)
    return { keys, opened, name }
  }
  async function endAccess({ personId }: Client): Promise<void> {
    await greta.post('/api/session/prove', { password: password })
    expect((await greta.post(`/api/admin/people/${personId}/actions`, { action: 'end' })).status).to.equal(200)
  }
  const event = (stream: EventInput['stream'], kind: EventKindId, body: object): EventInput => ({
    id: uuidv7(),
    stream,
    kind,
    v: newestVersion(kind),
    body,
    at: new Date(harness.now).toISOString(),
    offsetMs: 0,
  })
  const round = (opened: OpenedCase, change: Parameters<typeof quietRound>[1] = {}): EventInput =>
    event(opened.episodeStream, 'round', {
      cases: [opened.caseStream.id],
      isBaseline: false,
      outcome: 'done',
      reason: '',
      findings: quietRound('leg-slab', change),
    })
  const carry = (keys: Pick<DeviceKeys, 'seal' | 'ticket'>, entry: EventInput): Promise<Answer> =>
    carrier.post('/api/sealed-events', { sealed: sealFor(keys, { ticket: keys.ticket, event: entry }) })
  const held = async (): Promise<readonly HeldEntry[]> => ((await lena.get('/api/held')).body as unknown as HeldAnswer).entries
  const caseOf = async ({ caseStream }: OpenedCase): Promise<CaseAnswer> =>
    (await lena.get(`/api/cases/${caseStream.id}`)).body as unknown as CaseAnswer

  it('waits for a lead, with patient, time and what it says; it is in no record, and whoever carries it is told nothing', async () => {
    const { keys, opened, name } = await leaver()
    const note = event(opened.caseStream, 'note', { text: 'heel sore' })
    const answer = await carry(keys, note)
    expect([answer.status, Object.keys(answer.body)]).to.deep.equal([200, ['id']])
    expect((await carry(keys, note)).status).to.equal(200)
    expect((await caseOf(opened)).record.notes).to.deep.equal([])
    const [entry, ...rest] = await held()
    expect(rest).to.deep.equal([])
    expect(entry).to.include({ id: note.id, by: name, why: 'access-ended', place: 'Bay 1', caseId: opened.caseStream.id })
    expect(entry?.words).to.include('heel sore')
    expect((await lena.get('/api/board')).body['toSettle']).to.equal(1)
    expect((await carrier.get('/api/board')).body).not.to.have.property('toSettle')
  })

  it('is a lead’s to look at, and nobody else’s', async () => {
    const clinician = await harness.signIn('clive', ['clinician'])
    const [entry] = await held()
    for (const who of [clinician, carrier, greta]) {
      expect((await who.get('/api/held')).status).to.equal(403)
      expect((await who.post(`/api/held/${entry?.id}`, { how: 'taken', why: '' })).status).to.equal(403)
    }
  })

  it('taken it goes under its author’s name, marked, with the lead’s beside it; it is decided once', async () => {
    const [entry] = await held()
    const take = (): Promise<Answer> => lena.post(`/api/held/${entry?.id}`, { how: 'taken', why: '' })
    expect((await take()).status).to.equal(200)
    const { record } = (await lena.get(`/api/cases/${entry?.caseId}`)).body as unknown as CaseAnswer
    expect(record.notes.map(({ text, by }) => [text, by])).to.deep.equal([['heel sore', `${entry?.by} (not confirmed)`]])
    expect((await lena.get('/api/countersign')).body['waiting']).to.equal(0)
    expect(await held()).to.deep.equal([])
    expect((await take()).status).to.equal(404)
  })

  it('a lead takes what was held of their own, and another one signs it', async () => {
    const own = await harness.signIn('own-lead', ['lead'])
    const opened = await openCase(own)
    const { keys } = (await own.get('/api/session')).body as unknown as SessionAnswer
    if (!keys) throw new Error('no keys')
    await endAccess(own)
    const note = event(opened.caseStream, 'note', { text: 'of a lead' })
    await carry(keys, note)
    await greta.post(`/api/admin/people/${own.personId}/actions`, { action: 'restore' })
    const back = await openClient(harness.address, own.personId, 'own-lead')
    expect((await back.post(`/api/held/${note.id}`, { how: 'taken', why: '' })).status).to.equal(200)
    expect(await held()).to.deep.equal([])
    expect(JSON.stringify((await lena.get('/api/countersign')).body)).to.include(note.id)
  })

  it('put aside it needs a reason, and is in no record', async () => {
    const { keys, opened } = await leaver()
    const note = event(opened.caseStream, 'note', { text: 'not hers' })
    await carry(keys, note)
    const aside = (why: unknown): Promise<Answer> => lena.post(`/api/held/${note.id}`, { how: 'put-aside', why })
    for (const why of ['', 'x', undefined, 5, 'x'.repeat(501)]) expect((await aside(why)).status).to.equal(422)
    expect((await lena.post(`/api/held/${note.id}`, { how: 'burned', why: 'for fun' })).status).to.equal(422)
    expect((await aside('she says that it is not hers')).status).to.equal(200)
    expect(await held()).to.deep.equal([])
    expect((await caseOf(opened)).record.notes).to.deep.equal([])
  })

  it('a quiet look is held and closes nothing; an urgent one stands at once, marked, and waits for a clinician’s name', async () => {
    const { keys, opened, name } = await leaver()
    const [quiet, urgent] = [round(opened), round(opened, { pulse: 'absent', restPain: 9 })]
    await carry(keys, quiet)
    expect((await caseOf(opened)).episode.rounds).to.deep.equal([])
    await carry(keys, urgent)
    const { rounds } = (await caseOf(opened)).episode
    expect(rounds.map(({ id, by, mark }) => [id, by, mark])).to.deep.equal([[urgent.id, `${name} (not confirmed)`, 'unconfirmed']])
    const { rows } = (await lena.get('/api/board')).body as { rows: { caseId: string; level: string }[] }
    expect(rows.find((row) => row.caseId === opened.caseStream.id)?.level).to.equal('urgent')
    expect((await held()).map((entry) => entry.id)).to.deep.equal([quiet.id])
    expect(JSON.stringify((await lena.get('/api/countersign')).body)).to.include(urgent.id)
    await lena.post(`/api/held/${quiet.id}`, { how: 'put-aside', why: 'the later look counts' })
  })

  it('trouble stands at once', async () => {
    const { keys, opened, name } = await leaver()
    await carry(keys, event(opened.caseStream, 'trouble', { runId: null, stepId: null, troubleId: 'too-hot', label: 'Too hot', note: '' }))
    expect((await caseOf(opened)).record.troubles?.map((trouble) => trouble.by)).to.deep.equal([`${name} (not confirmed)`])
  })

  it('six urgent ones of an author in a stay stand within an hour, the next wait for the leads; a worse finding stands always', async () => {
    const { keys, opened } = await leaver()
    const trouble = (troubleId: string, label: string): EventInput =>
      event(opened.caseStream, 'trouble', { runId: null, stepId: null, troubleId, label, note: '' })
    const standing = async (): Promise<number> => (await caseOf(opened)).record.troubles?.length ?? 0
    for (let index = 0; index < 9; index++) await carry(keys, trouble('too-hot', 'Too hot'))
    expect(await standing()).to.equal(6)
    expect(await held()).to.have.length(3)
    await carry(keys, round(opened, { pulse: 'absent', restPain: 9 }))
    expect((await caseOf(opened)).episode.rounds).to.have.length(1)
    await carry(keys, round(opened, { pulse: 'absent', restPain: 9 }))
    expect((await caseOf(opened)).episode.rounds, 'the same again is no worse').to.have.length(1)
    harness.now += 61 * 60_000
    await carry(keys, trouble('too-hot', 'Too hot'))
    expect(await standing()).to.equal(7)
    for (const one of await held()) await lena.post(`/api/held/${one.id}`, { how: 'put-aside', why: 'the same again' })
  })

  it('what replaces what others know stands for nobody', async () => {
    const { keys, opened } = await leaver()
    const { episodeVersion } = await caseOf(opened)
    const other = { ...event(opened.episodeStream, 'place', { place: 'Somewhere else' }), base: episodeVersion }
    await carry(keys, other)
    await carry(keys, round(opened, { pulse: 'absent', restPain: 9 }))
    expect((await caseOf(opened)).episode.place).to.equal('Bay 1')
    await lena.post(`/api/held/${other.id}`, { how: 'put-aside', why: 'she is still in the bay' })
  })

  it('one whose author may do less since waits too, and is taken with what they might do then', async () => {
    const who = await harness.signIn('demoted', ['clinician'])
    const opened = await openCase(who)
    const { keys } = (await who.get('/api/session')).body as unknown as SessionAnswer
    if (!keys) throw new Error('no keys')
    await greta.post('/api/session/prove', { password })
    expect((await greta.post(`/api/admin/people/${who.personId}/roles`, { roles: ['viewer'] })).status).to.equal(200)
    const note = event(opened.caseStream, 'note', { text: 'said while a clinician' })
    expect((await carry(keys, note)).status).to.equal(200)
    expect((await held()).map((entry) => [entry.id, entry.why])).to.deep.equal([[note.id, 'fewer-roles']])
    expect((await lena.post(`/api/held/${note.id}`, { how: 'taken', why: '' })).status).to.equal(200)
    expect((await caseOf(opened)).record.notes.map((one) => one.by)).to.deep.equal(['demoted (not confirmed)'])
    const urgent = round(opened, { pulse: 'absent', restPain: 9 })
    await carry(keys, urgent)
    expect((await caseOf(opened)).episode.rounds.map((one) => one.by)).to.deep.equal(['demoted (not confirmed)'])
  })

  it('a time that no calendar has loses no urgent round: it is kept at its receipt, with what the device said', async () => {
    const { keys, opened } = await leaver()
    const stays = await harness.signIn('stays', ['clinician'])
    const good = ((await stays.get('/api/session')).body as unknown as SessionAnswer).keys
    if (!good) throw new Error('no keys')
    const strange = ['2026-01-10T08:00:00+25:00', '2026-02-30T08:00:00Z', 'yesterday', '']
    for (const at of strange.slice(0, 3)) {
      expect((await carry(good, { ...event(opened.caseStream, 'note', { text: at }), at })).status, at).to.equal(200)
      expect((await carry(keys, { ...round(opened, { pulse: 'absent', restPain: 9 }), at })).status, at).to.equal(200)
      const queued = { ...event(opened.caseStream, 'note', { text: `queued ${at}` }), at, queued: true as const }
      expect((await stays.post('/api/events', queued)).status, at).to.equal(200)
      expect((await stays.post('/api/events', { ...event(opened.caseStream, 'note', { text: 'live' }), at })).status, at).to.equal(422)
    }
    const { record, episode } = await caseOf(opened)
    expect(record.notes).to.have.length(6)
    expect(episode.rounds.length).to.be.greaterThan(0)
    const now = new Date(harness.now).toISOString()
    expect(new Set([...record.notes, ...episode.rounds].map((one) => one.at))).to.deep.equal(new Set([now]))
    const claimed = await harness.db.query<{ claimedAt: string }>(
      'SELECT DISTINCT claimed_at AS claimedAt FROM events WHERE claimed_at IS NOT NULL',
      { type: QueryTypes.SELECT },
    )
    expect(claimed.map((one) => one.claimedAt)).to.include.members(strange.slice(0, 3))
    // What is kept is read, printed and listed.
    for (const path of ['/api/board', '/api/hand-over', '/api/held', `/api/cases/${opened.caseStream.id}/case.json`])
      expect((await lena.get(path)).status, path).to.equal(200)
    expect((await lena.getBytes(`/api/cases/${opened.caseStream.id}/papers/round-chart.pdf`)).status).to.equal(200)
    for (const one of await held()) await lena.post(`/api/held/${one.id}`, { how: 'put-aside', why: 'the same again' })
  }).timeout(30_000)

  it('what was kept before its author left is kept once', async () => {
    const note = { current: null as EventInput | null }
    const { keys, opened } = await leaver(async (who) => {
      const { body } = await who.get('/api/board')
      const row = (body as { rows: { caseId: string; episodeId: string }[] }).rows.at(-1)
      note.current = event({ type: 'case', id: row?.caseId ?? '' }, 'note', { text: 'told twice' })
      expect((await who.post('/api/events', note.current)).status).to.equal(200)
      await endAccess(who)
    })
    if (!note.current) throw new Error('no note')
    expect((await carry(keys, note.current)).status).to.equal(200)
    expect(await held()).to.deep.equal([])
    expect((await caseOf(opened)).episode.id).to.be.a('string')
  })

  it('an old ticket goes to the leads too', async () => {
    const { keys, opened } = await leaver(() => Promise.resolve())
    const note = event(opened.caseStream, 'note', { text: 'a fortnight in a drawer' })
    harness.now += 15 * 86_400_000
    carrier = await harness.signIn('late-carrier', ['viewer'])
    lena = await harness.signIn('late-lead', ['lead'])
    greta = await harness.signIn('late-admin', ['admin'])
    await carry(keys, note)
    expect((await held()).map(({ id, why }) => [id, why])).to.deep.equal([[note.id, 'too-old']])
    await lena.post(`/api/held/${note.id}`, { how: 'put-aside', why: 'long past' })
  })

  it('of a stay that only an unpaired device knows, an urgent look stands with all that it needs', async () => {
    const cookie = ((await greta.post('/api/admin/devices', { name: 'Rescue 4' })).headers.get('set-cookie') ?? '').split(';')[0] ?? ''
    const { paired } = (await request(harness.address, '/api/session', { headers: { cookie } })).body as unknown as SessionAnswer
    if (!paired) throw new Error('not paired')
    await greta.post('/api/session/prove', { password: password })
    expect((await greta.post(`/api/admin/people/${paired.person.id}/actions`, { action: 'end' })).status).to.equal(200)
    const [episodeStream, caseStream] = [{ type: 'episode', id: uuidv7() } as const, { type: 'case', id: uuidv7() } as const]
    const injuryId = uuidv7()
    const opened = { episodeStream, caseStream } as OpenedCase
    const begun = [
      event(episodeStream, 'episode-opened', { patientId: uuidv7(), place: 'Roadside', zone: 'Etc/UTC' }),
      event(episodeStream, 'injury', { injuryId, injury: { ...unknownInjury, region: 'ankle', side: 'left' } }),
      event(caseStream, 'case-opened', { episodeId: episodeStream.id, injuryId, technique: 'leg-slab' }),
    ]
    for (const one of begun) expect((await carry(paired, { ...one, ...(one.kind === 'injury' ? { base: 1 } : {}) })).status).to.equal(200)
    expect((await held()).map((entry) => [entry.id, entry.why])).to.deep.equal(begun.map((input) => [input.id, 'unpaired']))
    expect((await lena.get(`/api/cases/${caseStream.id}`)).status).to.equal(404)
    expect((await carry(paired, round(opened, { pulse: 'absent', restPain: 9 }))).status).to.equal(200)
    const { episode } = await caseOf(opened)
    expect(episode.rounds).to.have.length(1)
    expect(episode.unattributed?.name).to.equal('unattributed@Rescue 4 (not confirmed)')
    expect(await held()).to.deep.equal([])
  })

  it('of such a stay with two authors each entry stands under the name of whoever entered it', async () => {
    const two = await Promise.all(['first-crew', 'second-crew'].map((name) => harness.signIn(name, ['clinician'])))
    const keys = await Promise.all(two.map(async (who) => ((await who.get('/api/session')).body as unknown as SessionAnswer).keys))
    for (const who of two) await endAccess(who)
    const [episodeStream, caseStream] = [{ type: 'episode', id: uuidv7() } as const, { type: 'case', id: uuidv7() } as const]
    const injuryId = uuidv7()
    const [first, second] = keys
    if (!first || !second) throw new Error('no keys')
    await carry(first, event(episodeStream, 'episode-opened', { patientId: uuidv7(), place: 'Roadside', zone: 'Etc/UTC' }))
    await carry(first, {
      ...event(episodeStream, 'injury', { injuryId, injury: { ...unknownInjury, region: 'ankle', side: 'left' } }),
      base: 1,
    })
    await carry(first, event(caseStream, 'case-opened', { episodeId: episodeStream.id, injuryId, technique: 'leg-slab' }))
    await carry(second, round({ episodeStream, caseStream } as OpenedCase, { pulse: 'absent', restPain: 9 }))
    const events = await harness.db.query<{ kind: string; by: string }>(
      'SELECT kind, actor_name AS `by` FROM events WHERE stream_id IN (:ids) ORDER BY received_at, version',
      { type: QueryTypes.SELECT, replacements: { ids: [episodeStream.id, caseStream.id] } },
    )
    const by = (kind: string): string | undefined => events.find((one) => one.kind === kind)?.by
    expect(by('episode-opened')).to.match(/first-crew/)
    expect(by('case-opened')).to.match(/first-crew/)
    expect(by('round')).to.match(/second-crew/)
  })

  it('leaves a database that is whole', async () => {
    expect((await verifyDatabase(harness.db, defineModels(harness.db), [])).faults).to.deep.equal([])
  })
})
