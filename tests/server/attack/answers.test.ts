import { expect } from 'chai'
import { routeRights, type RouteId } from '#contract/api/route-rights'
import { eventKinds, type EventKindId } from '#contract/events/index'
import { unknownPatient } from '#contract/records/episode'
import { wardId } from '#contract/records/ward'
import { defaultProtocol } from '#core/quantities/defaults'
import { downtimeBlocks } from '../../../src/server/papers/downtime-pack'
import type { WorkerPool } from '../../../src/server/workers/pool'
import {
  clientOf,
  openCase,
  openClient,
  request,
  startHarness,
  type Client,
  type Harness,
  type OpenedCase,
} from '../../harness/server-harness'

const ward = { type: 'ward', id: wardId } as const
/** Which words of a patient somebody must never be told. */
const secret = /Tova|Rill|TS-90017/
const outside = /Odo|Marl|TS-90018/

/** Answers with what is handed to the printer: nothing else can come onto the paper. */
const bare = {
  run: (_name: string, input: unknown) => Promise.resolve(Buffer.from(JSON.stringify(input))),
  close: () => Promise.resolve(),
} as unknown as WorkerPool

describe('an answer tells no more than its request may read', () => {
  let harness: Harness
  let bram: Client
  /** Confidential, in Ward 1. */
  let hidden: OpenedCase
  /** In Ward 1, and nothing else said. */
  let plain: OpenedCase
  /** Of the same patient as `hidden`, in a ward of the outsider's own. */
  let near: OpenedCase
  const readers = new Map<string, Client>()

  before(async () => {
    harness = await startHarness({ app: { hasCareTeams: true, papers: bare, casePapers: bare } })
    const lena = await harness.signIn('lena', ['lead'])
    bram = await harness.signIn('bram', ['clinician', 'lead'])
    await lena.send(ward, 'areas-set', {
      areas: [
        { name: 'Ward 1', beds: [] },
        { name: 'Ward 2', beds: [] },
      ],
    })
    hidden = await stay('Tova Rill', 'TS-90017', 'Ward 1, Bed 9')
    plain = await stay('Odo Marl', 'TS-90018', 'Ward 1, Bed 2')
    await bram.send(hidden.episodeStream, 'confidential', { isConfidential: true, reason: 'a colleague of the ward' })
    near = await openCase(bram)
    await bram.send(near.episodeStream, 'place', { place: 'Ward 2, Bed 1' })
    // What brings a patient into lists: work for a signature, a lot, a draft that changes a plan.
    const trainee = await harness.signIn('tess', ['trainee'])
    await trainee.send(hidden.caseStream, 'note', { text: 'said to Tova Rill' })
    await bram.send(hidden.caseStream, 'lots', { item: 'slab', lots: ['TN-1'] })
    await lena.send(ward, 'protocol-drafted', {
      protocol: { ...defaultProtocol, rounds: { usual: [{ everyMin: 10, times: 60 }] } },
      note: '',
    })
    readers.set('a clinician outside', await harness.signIn('otis', ['clinician']))
    readers.set('a lead outside', await harness.signIn('lead-2', ['lead']))
    readers.set('a viewer outside', await harness.signIn('vera', ['viewer']))
  })
  after(() => harness.stop())

  async function stay(name: string, number: string, place: string): Promise<OpenedCase> {
    const opened = await openCase(bram)
    await bram.send(opened.episodeStream, 'patient', { ...unknownPatient, name, number, born: '1970-01-02', isTemporary: false })
    await bram.send(opened.episodeStream, 'place', { place })
    await bram.send(opened.caseStream, 'applied', {})
    return opened
  }

  /** Everything that may be read, filled with what there is. */
  function addresses(of: OpenedCase): readonly string[] {
    return (Object.keys(routeRights) as RouteId[])
      .filter((id) => id.startsWith('GET ') && id !== 'GET /api/stream')
      .flatMap((id) => {
        const path = id.slice('GET '.length).replace(':id', of.caseStream.id).replace(':placeId', of.caseStream.id)
        const papers = ['round-chart', 'case-summary', 'bedside-label', 'release-card', 'run-record']
        const asked = path.includes(':paper') ? papers.map((paper) => path.replace(':paper', paper)) : [path]
        return asked.flatMap((one) =>
          one.endsWith('/history')
            ? [one, `${one}?q=rill`, `${one}?q=odo`]
            : one.endsWith('/recall')
              ? [`${one}?lot=TN-1`]
              : one.endsWith('/effects')
                ? [`${one}?of=draft`, one]
                : [one],
        )
      })
  }
  async function told(who: Client, path: string): Promise<string> {
    const { status, bytes } = await who.getBytes(path)
    return `${status} ${Buffer.from(bytes).toString('utf8')}`
  }

  it('whoever is outside reads the name of a confidential patient in no answer', async () => {
    for (const [name, who] of readers)
      for (const path of [...addresses(hidden), ...addresses(plain)]) expect(await told(who, path), `${name}, ${path}`).not.to.match(secret)
    // The walk reads what it should: whoever takes part is told.
    const seen = (await Promise.all(addresses(hidden).map((path) => told(bram, path)))).filter((text) => secret.test(text))
    expect(seen.length).to.be.greaterThan(12)
  }).timeout(120_000)

  it('a pack to print leaves out whom its printer is outside of, and says so', async () => {
    const otis = readers.get('a clinician outside')!
    const pack = await told(otis, '/api/downtime.pdf')
    expect(pack).not.to.match(outside)
    expect(pack).to.include('"leftOut":3')
    const facts = { places: 'all places', zone: 'Etc/UTC', printedAt: new Date(harness.now).toISOString(), leftOut: 3 }
    const printed = JSON.stringify(downtimeBlocks([], facts, 'Downtime pack'))
    expect(printed).to.include('3 more devices are on patients whom whoever printed this is outside of')
    expect(await told(bram, '/api/downtime.pdf')).to.match(outside)
  })

  it('of another stay of the patient they are told that there is one', async () => {
    const merge = { withEpisode: hidden.episodeStream.id, reason: 'wristband read' }
    expect((await bram.send(near.episodeStream, 'merged', merge)).status).to.equal(200)
    const nurse = await harness.signIn('nora', ['clinician'])
    const related = await nurse.get(`/api/cases/${near.caseStream.id}/related`)
    expect([related.status, related.body['cases'], related.body['shut']]).to.deep.equal([403, undefined, undefined])
    await nurse.send(near.episodeStream, 'looked-in', { reason: 'called to help' })
    const now = await nurse.get(`/api/cases/${near.caseStream.id}/related`)
    expect([now.status, now.body['cases'], now.body['shut']]).to.deep.equal([200, [], 1])
    expect((await bram.get(`/api/cases/${near.caseStream.id}/related`)).body['shut']).to.equal(0)
  })

  it('nobody learns a name by merging with it, or copies readings from what is shut to them', async () => {
    const otis = readers.get('a lead outside')!
    const own = await openCase(otis)
    const merge = { withEpisode: hidden.episodeStream.id, reason: 'may be the same' }
    const refused = await otis.send(own.episodeStream, 'merged', merge)
    expect([refused.status, refused.body['type']]).to.deep.equal([403, 'urn:zesty-wren:error:say-why'])
    expect(await told(otis, `/api/cases/${own.caseStream.id}`)).not.to.match(secret)
    const carried = { ...eventKinds['carried-in'].example, fromCase: plain.caseStream.id }
    expect((await otis.send(own.caseStream, 'carried-in', carried)).status).to.equal(403)
    expect(Object.values(eventKinds).filter((kind) => 'copiesFrom' in kind)).to.have.length(3)
  })

  it('no refusal of an entry tells what the stay holds', async () => {
    const otis = readers.get('a clinician outside')!
    const kinds = (Object.keys(eventKinds) as EventKindId[]).filter((kind) => ['case', 'episode'].includes(eventKinds[kind].stream))
    expect(kinds.length).to.be.greaterThan(40)
    for (const kind of kinds) {
      const { stream, example } = eventKinds[kind]
      const to = stream === 'case' ? hidden.caseStream : hidden.episodeStream
      for (const base of [1, 9_999]) {
        const answer = await otis.sendAs(to, kind, example, { base })
        expect(JSON.stringify(answer.body), kind).not.to.match(secret)
      }
    }
  }).timeout(60_000)

  it('an entry that was made blind makes nobody part of the stay', async () => {
    const nurse = await harness.signIn('blind', ['clinician'])
    expect((await nurse.send(plain.caseStream, 'note', { text: 'looked at the toes' })).status).to.equal(200)
    expect((await nurse.get(`/api/cases/${plain.caseStream.id}`)).status).to.equal(403)
    await nurse.send(plain.episodeStream, 'looked-in', { reason: 'called to help' })
    expect((await nurse.get(`/api/cases/${plain.caseStream.id}`)).status).to.equal(200)
    await nurse.send(plain.caseStream, 'note', { text: 'and again' })
    // Half a day on, whoever read it and then entered something is part of it still.
    harness.now += 13 * 3_600_000
    const later = await openClient(harness.address, nurse.personId, 'blind')
    expect((await later.get(`/api/cases/${plain.caseStream.id}`)).status).to.equal(200)
  })

  it('a paired device sees nobody once its patient is handed over', async () => {
    const admin = await harness.signIn('greta', ['admin'])
    const cookie = ((await admin.post('/api/admin/devices', { name: 'Rescue 4' })).headers.get('set-cookie') ?? '').split(';')[0] ?? ''
    const entered = await request(harness.address, '/api/session/emergency', { method: 'POST', headers: { cookie } })
    const device = clientOf(harness.address, (entered.body['person'] as { id: string }).id, entered)
    const begun = await openCase(device)
    await device.send(begun.episodeStream, 'patient', { ...unknownPatient, name: 'Ivo Sandpiper', isTemporary: false })
    expect(await told(device, `/api/cases/${begun.caseStream.id}`)).to.match(/Ivo/)
    const claimer = await harness.signIn('clara', ['clinician'])
    expect((await claimer.send(begun.episodeStream, 'claimed', eventKinds.claimed.example)).status).to.equal(200)
    expect((await claimer.send(begun.episodeStream, 'patient-received', { told: [], withoutWords: true })).status).to.equal(200)
    for (const path of [...addresses(begun), ...addresses(plain), ...addresses(hidden)])
      expect(await told(device, path), path).not.to.match(/Ivo|Sandpiper|Tova|Rill|Odo|Marl/)
    for (const kind of Object.keys(eventKinds) as EventKindId[]) {
      const { stream, example } = eventKinds[kind]
      const to = stream === 'case' ? begun.caseStream : begun.episodeStream
      if (stream !== 'case' && stream !== 'episode') continue
      expect(JSON.stringify((await device.sendAs(to, kind, example, { base: 1 })).body), kind).not.to.match(/Ivo|Sandpiper/)
    }
  }).timeout(120_000)
})
