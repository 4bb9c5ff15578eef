import { expect } from 'chai'
import { QueryTypes } from 'sequelize'
import { v7 as uuidv7 } from 'uuid'
import type { DeviceKeys, SessionAnswer } from '#contract/api/session'
import type { EventInput } from '#contract/event'
import { eventKinds, findEventKind, type EventKindId } from '#contract/events/index'
import { newestVersion } from '#contract/events/upcast'
import { wardId } from '#contract/records/ward'
import { goodBodies } from '../../harness/cases/good-events'
import { sealFor } from '../../harness/seal'
import {
  clientOf,
  openCase,
  password,
  request,
  startHarness,
  type Answer,
  type Client,
  type Harness,
  type OpenedCase,
} from '../../harness/server-harness'

const kinds = Object.keys(eventKinds) as EventKindId[]

/** Every kind of event by whoever may write nothing any more, or nothing here. */
describe('events by identities that are over, or not theirs', function () {
  this.timeout(120_000)
  let harness: Harness
  let greta: Client
  let carrier: Client
  let opened: OpenedCase
  before(async () => {
    harness = await startHarness()
    greta = await harness.signIn('greta', ['admin'])
    carrier = await harness.signIn('carrier', ['viewer'])
    opened = await openCase(await harness.signIn('ada', ['clinician']))
  })
  after(() => harness.stop())

  const event = (kind: EventKindId, personId: string): EventInput => {
    const { stream } = eventKinds[kind]
    const ids = { case: opened.caseStream.id, episode: opened.episodeStream.id, person: personId, ward: wardId, place: uuidv7() }
    return {
      id: uuidv7(),
      stream: { type: stream, id: ids[stream] },
      kind,
      v: newestVersion(kind),
      body: goodBodies[kind],
      at: new Date(harness.now).toISOString(),
      offsetMs: 0,
      ...(eventKinds[kind].nature === 'replacing' ? { base: 1 } : {}),
    }
  }
  const isKept = async (id: string): Promise<boolean> =>
    (await harness.db.query('SELECT 1 FROM events WHERE id = :id', { type: QueryTypes.SELECT, replacements: { id } })).length > 0
  const end = async (id: string): Promise<void> => {
    await greta.post('/api/session/prove', { password })
    expect((await greta.post(`/api/admin/people/${id}/actions`, { action: 'end' })).status).to.equal(200)
  }
  const device = async (name: string): Promise<{ client: Client; keys: Pick<DeviceKeys, 'seal' | 'ticket'> }> => {
    const cookie = ((await greta.post('/api/admin/devices', { name })).headers.get('set-cookie') ?? '').split(';')[0] ?? ''
    const entered = await request(harness.address, '/api/session/emergency', { method: 'POST', headers: { cookie } })
    const { person, paired } = entered.body as unknown as SessionAnswer
    if (!person || !paired) throw new Error('not paired')
    return { client: clientOf(harness.address, person.id, entered), keys: paired }
  }
  const carry = (keys: Pick<DeviceKeys, 'seal' | 'ticket'>, sent: EventInput): Promise<Answer> =>
    carrier.post('/api/sealed-events', { sealed: sealFor(keys, { ticket: keys.ticket, event: sent }) })

  it('a session that was ended writes nothing', async () => {
    const gone = await harness.signIn('gone', ['clinician', 'lead'])
    await end(gone.personId)
    for (const kind of kinds) {
      const sent = event(kind, gone.personId)
      expect((await gone.post('/api/events', sent)).status, kind).to.equal(401)
      expect(await isKept(sent.id), kind).to.equal(false)
    }
  })

  it('a paired device writes nothing to a stay that it did not begin', async () => {
    const { client } = await device('Resus 2')
    for (const kind of kinds.filter((one) => ['case', 'episode', 'ward', 'place'].includes(eventKinds[one].stream))) {
      const sent = event(kind, client.personId)
      const { status } = await client.post('/api/events', sent)
      expect(status, kind).to.be.within(400, 499)
      expect(await isKept(sent.id), kind).to.equal(false)
    }
  })

  for (const [who, make] of [
    [
      'somebody whose access ended',
      async () => {
        const left = await harness.signIn('left', ['clinician', 'lead'])
        const { keys } = (await left.get('/api/session')).body as unknown as SessionAnswer
        if (!keys) throw new Error('no keys')
        return { id: left.personId, keys }
      },
    ],
    [
      'a device that was unpaired',
      async () => {
        const { client, keys } = await device('Rescue 9')
        return { id: client.personId, keys }
      },
    ],
  ] as const)
    it(`what ${who} left behind is in no record but what is urgent and adds`, async () => {
      const { id, keys } = await make()
      await end(id)
      for (const kind of kinds) {
        const sent = event(kind, id)
        const { status } = await carry(keys, sent)
        expect(status, kind).to.be.oneOf([200, 422])
        const isUrgent = findEventKind(kind)?.isUrgent === true
        if (!isUrgent) expect(await isKept(sent.id), kind).to.equal(false)
      }
    })
})
