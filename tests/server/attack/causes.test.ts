import { expect } from 'chai'
import { v7 as uuidv7 } from 'uuid'
import { roles } from '#contract/rights'
import { eventKinds, findEventKind, type EventKindId } from '#contract/events/index'
import { hasRight } from '#contract/rights'
import type { CaseRecord } from '#contract/records/case'
import type { RelatedCase } from '#ward/rounds/related-cases'
import { requireRight } from '../../../src/server/kinds/caused'
import { exampleOf } from '../../harness/cases/example-cases'
import { planFile } from '../../harness/cases/leg-slab-cases'
import {
  clientOf,
  openCase,
  reading,
  request,
  startHarness,
  type Answer,
  type Client,
  type Harness,
  type OpenedCase,
} from '../../harness/server-harness'

/** Whoever may not write an event does not bring it about by writing another one. */
describe('what one event causes', () => {
  let harness: Harness
  let ada: Client
  let tess: Client
  let somebody: Client
  before(async () => {
    harness = await startHarness()
    ada = await harness.signIn('ada', ['clinician'])
    tess = await harness.signIn('tess', ['trainee'])
    const greta = await harness.signIn('greta', ['admin'])
    const paired = await greta.post('/api/admin/devices', { name: 'Resus 2' })
    const cookie = (paired.headers.get('set-cookie') ?? '').split(';')[0] ?? ''
    const entered = await request(harness.address, '/api/session/emergency', { method: 'POST', headers: { cookie } })
    somebody = clientOf(harness.address, (entered.body['person'] as { id: string }).id, entered)
  })
  after(() => harness.stop())

  const recordOf = async (id: string): Promise<CaseRecord> => (await ada.get(`/api/cases/${id}`)).body['record'] as CaseRecord
  const codeOf = ({ status, body }: Answer): string => `${status} ${String(body['detail'])}`
  const newCase = () => ({ type: 'case', id: uuidv7() }) as const
  async function worn(): Promise<OpenedCase> {
    const first = await openCase(ada)
    expect((await ada.sendAs(first.caseStream, 'applied', {}, { at: '2026-01-10T07:00:00Z' })).status).to.equal(200)
    return first
  }
  async function replacing(who: Client, { episodeStream, injuryId, caseStream }: OpenedCase) {
    const stream = newCase()
    const body = { episodeId: episodeStream.id, injuryId, technique: 'leg-cast', replaces: caseStream.id }
    return { stream, answer: await who.send(stream, 'case-opened', body) }
  }

  for (const kind of Object.keys(eventKinds) as EventKindId[])
    it(`${kind}: is caused by nobody who may not write it`, () => {
      for (const role of roles) {
        const right = findEventKind(kind)?.right
        const actor = { id: 'x', name: 'x', roles: [role] }
        const isAllowed =
          right === 'server' ||
          (right !== undefined && right !== 'self' && (hasRight([role], right) || (right === 'add' && hasRight([role], 'add-own'))))
        const cause = (): void => requireRight(actor, kind)
        if (isAllowed) expect(cause, role).not.to.throw()
        else expect(cause, role).to.throw(/may not write/)
      }
    })

  it('a trainee takes no device off by saying that another one is on: the old one stays, and is asked about', async () => {
    const first = await worn()
    const { stream } = await replacing(tess, first)
    expect((await tess.send(stream, 'applied', {})).status).to.equal(200)
    expect((await recordOf(stream.id)).appliedAt).to.be.a('string')
    expect((await recordOf(first.caseStream.id)).removedAt).to.equal(null)
    const related = (await ada.get(`/api/cases/${stream.id}/related`)).body['cases'] as RelatedCase[]
    expect(related.map((one) => [one.relation, one.offAt])).to.deep.equal([['replaces', null]])
    expect((await ada.send(first.caseStream, 'removed', { reason: 'it was off' })).status).to.equal(200)
  })

  it('a clinician who says it does', async () => {
    const first = await worn()
    const { stream } = await replacing(ada, first)
    await ada.send(stream, 'applied', {})
    expect((await recordOf(first.caseStream.id)).removedAt).to.be.a('string')
  })

  it('nobody without an account replaces, goes with, carries in, or opens a stay of somebody who is known', async () => {
    const first = await worn()
    const known = (await ada.get(`/api/cases/${first.caseStream.id}`)).body['episode'] as { patientId: string }
    const own = await openCase(somebody)
    const opening = { episodeId: own.episodeStream.id, injuryId: own.injuryId, technique: 'leg-cast' }
    for (const [what, answer] of [
      ['replaces', await somebody.send(newCase(), 'case-opened', { ...opening, replaces: first.caseStream.id })],
      ['replaces its own', await somebody.send(newCase(), 'case-opened', { ...opening, replaces: own.caseStream.id })],
      ['goes with', await somebody.send(newCase(), 'case-opened', { ...opening, with: [first.caseStream.id] })],
      [
        'carries in',
        await somebody.send(own.caseStream, 'carried-in', {
          fromCase: first.caseStream.id,
          readings: [{ ...reading('calf-girth', 'left', 38), key: uuidv7() }],
        }),
      ],
      [
        'looks at another',
        await somebody.send(own.episodeStream, 'round', { ...eventKinds.round.example, cases: [own.caseStream.id, first.caseStream.id] }),
      ],
      [
        'opens a stay of a known patient',
        await somebody.send({ type: 'episode', id: uuidv7() }, 'episode-opened', {
          patientId: known.patientId,
          place: 'Bay 1',
          zone: 'Etc/UTC',
        }),
      ],
    ] as const)
      expect(codeOf(answer), what).to.match(/^403 /)
    expect((await recordOf(first.caseStream.id)).removedAt).to.equal(null)
    expect((await somebody.send(newCase(), 'case-opened', opening)).status, 'a second device of its own').to.equal(200)
  })

  it('an opening of its own stay that is sent twice is answered twice', async () => {
    const body = { patientId: uuidv7(), place: 'Bay 1', zone: 'Etc/UTC' }
    const [stream, id] = [{ type: 'episode', id: uuidv7() } as const, uuidv7()]
    const first = await somebody.sendAs(stream, 'episode-opened', body, { id })
    const again = await somebody.sendAs(stream, 'episode-opened', body, { id })
    expect([first.status, again.status]).to.deep.equal([200, 200])
  })

  it('a moved reading arrives once', async () => {
    const [from, to] = [await openCase(ada), await openCase(ada)]
    const mia = await harness.signIn('mia', ['lead'])
    const key = uuidv7()
    await ada.sendAs(from.caseStream, 'reading', reading('calf-girth', 'left', 38), { id: key })
    const move = { key, toCase: to.caseStream.id, reason: 'wrong case' }
    const { version } = (await ada.get(`/api/cases/${from.caseStream.id}`)).body as unknown as { version: number }
    expect((await mia.send(from.caseStream, 'moved-out', move, version)).status).to.equal(200)
    const arrive = () => mia.send(to.caseStream, 'moved-in', { key, fromCase: from.caseStream.id, reason: 'wrong case' })
    expect((await arrive()).status).to.equal(200)
    expect(codeOf(await arrive())).to.match(/^422 .*in this case already/)
    expect((await recordOf(to.caseStream.id)).measurements).to.have.length(1)
  })

  it('a second application waits for the first; opening, adjusting and what was begun without a line do not', async () => {
    const first = await openCase(ada)
    const begin = (who: Client, change: object = {}, envelope: object = {}) =>
      who.sendAs(first.caseStream, 'run-started', { runId: uuidv7(), withoutPlan: 'no plan in this test', ...change }, envelope)
    const plan = JSON.parse(JSON.stringify(planFile(exampleOf('leg-slab')))) as object
    expect((await begin(ada, { plan })).status).to.equal(200)
    const bram = await harness.signIn('bram', ['clinician'])
    const second = await begin(bram)
    expect(codeOf(second)).to.match(/^409 ada began to apply it at \d\d:\d\d UTC: join that run/)
    expect(second.body['current']).to.include({ by: 'ada' })
    expect((await begin(bram, { plan, isAdjustment: true })).status).to.equal(200)
    expect(codeOf(await begin(bram, {}, { queued: true })), 'it was done already').to.match(/^200/)
  })

  it('a role that is taken away ends what listens', async () => {
    const hana = await harness.signIn('hana', ['admin'])
    const lou = await harness.signIn('lou', ['lead', 'clinician'])
    expect((await lou.get('/api/board')).status).to.equal(200)
    expect((await hana.post(`/api/admin/people/${lou.personId}/roles`, { roles: ['viewer'] })).status).to.be.oneOf([200, 204])
    expect((await lou.get('/api/board')).status).to.equal(401)
  })
})
