import { randomBytes } from 'node:crypto'
import { expect } from 'chai'
import { v7 as uuidv7 } from 'uuid'
import type { DeviceKeys } from '#contract/api/session'
import type { EventInput } from '#contract/event'
import type { CaseRecord } from '#contract/records/case'
import { sealFor } from '../../harness/seal'
import { openCase, startHarness, type Answer, type Client, type Harness, type OpenedCase } from '../../harness/server-harness'

describe('an entry that somebody else sends', () => {
  let harness: Harness
  let ada: Client
  let ben: Client
  let opened: OpenedCase
  before(async () => {
    harness = await startHarness()
    ada = await harness.signIn('ada', ['clinician'])
    ben = await harness.signIn('ben', ['viewer'])
    opened = await openCase(ada)
  })
  after(() => harness.stop())

  const keysOf = async (client: Client): Promise<DeviceKeys> => (await client.get('/api/session')).body['keys'] as DeviceKeys
  const note = (text: string): EventInput => ({
    id: uuidv7(),
    stream: opened.caseStream,
    kind: 'note',
    v: 1,
    body: { text },
    at: '2026-01-10T03:00:00Z',
    offsetMs: 0,
  })
  const send = (client: Client, sealed: unknown): Promise<Answer> => client.post('/api/sealed-events', { sealed })
  const record = async (): Promise<CaseRecord> =>
    ((await ada.get(`/api/cases/${opened.caseStream.id}`)).body as unknown as { record: CaseRecord }).record

  it('is kept under its author’s name, hours later, once, whoever carries it', async () => {
    const keys = await keysOf(ada)
    const sealed = sealFor(keys, { ticket: keys.ticket, event: note('toes pale at three') })
    const first = await send(ben, sealed)
    expect(first.status).to.equal(200)
    expect(Object.keys(first.body)).to.deep.equal(['id'])
    expect((await send(ben, sealed)).status).to.equal(200)
    const notes = (await record()).notes.filter((one) => one.text === 'toes pale at three')
    expect(notes).to.have.length(1)
    expect(notes[0]).to.include({ by: 'ada' })
  })

  it('does not help anybody to what they may not do', async () => {
    const keys = await keysOf(ben)
    const answer = await send(ben, sealFor(keys, { ticket: keys.ticket, event: note('by a viewer') }))
    expect(answer.status).to.equal(422)
    expect(answer.body['detail']).to.equal('The server does not take this entry: its author has to look at it.')
  })

  it('says nothing of what it refuses', async () => {
    const keys = await keysOf(ada)
    const answer = await send(ben, sealFor(keys, { ticket: keys.ticket, event: { ...note('x'), body: { text: 5 } } }))
    expect(answer.status).to.equal(422)
    expect(JSON.stringify(answer.body)).not.to.match(/text|note/)
  })

  it('refuses a ticket that is forged, or somebody else’s by its look', async () => {
    const keys = await keysOf(ada)
    const [person, epoch, roles, device, deviceEpoch, until, signature] = keys.ticket.split('.')
    const rest = [device, deviceEpoch, until, signature].join('.')
    for (const ticket of [
      `${ben.personId}.${epoch}.${roles}.${rest}`,
      `${person}.${epoch}.lead+admin.${rest}`,
      `${person}.${Number(epoch) + 1}.${roles}.${rest}`,
      keys.ticket.replace(until ?? '', String(Number(until) + 1)),
      keys.ticket.slice(0, -5),
      'nonsense',
      undefined,
      5,
    ]) {
      const answer = await send(ben, sealFor(keys, { ticket, event: note('forged') }))
      expect(answer.status, String(ticket)).to.equal(422)
      expect(answer.body['type']).to.equal('urn:zesty-wren:error:ticket-over')
    }
  })

  it('refuses what is no seal, and what was changed on its way', async () => {
    const keys = await keysOf(ada)
    const bytes = Buffer.from(sealFor(keys, { ticket: keys.ticket, event: note('changed') }), 'base64')
    bytes[bytes.length - 20] = (bytes[bytes.length - 20] ?? 0) ^ 1
    expect((await send(ben, bytes.toString('base64'))).body['type']).to.equal('urn:zesty-wren:error:not-sealed')
    expect((await send(ben, randomBytes(600).toString('base64'))).body['type']).to.equal('urn:zesty-wren:error:not-sealed')
    for (const sealed of ['', 'x', 5, null, undefined, 'A'.repeat(1_000_001)])
      expect((await send(ben, sealed)).status, String(sealed).slice(0, 9)).to.equal(422)
    const { status } = await ben.post('/api/sealed-events', { sealed: bytes.toString('base64') }, { 'x-csrf-token': 'guess' })
    expect(status).to.equal(403)
  })
})
