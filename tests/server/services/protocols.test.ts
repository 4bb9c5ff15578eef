import { expect } from 'chai'
import { v7 as uuidv7 } from 'uuid'
import { paths } from '#contract/api/paths'
import type { WardAnswer } from '#contract/api/pager'
import type { EffectsAnswer } from '#contract/api/protocols'
import type { CaseRecord } from '#contract/records/case'
import { wardId } from '#contract/records/ward'
import { defaultProtocol, type Protocol } from '#core/quantities/defaults'
import { openCase, startHarness, type Answer, type Client, type Harness, type OpenedCase } from '../../harness/server-harness'

const ward = { type: 'ward', id: wardId } as const
const eager: Protocol = { ...defaultProtocol, rounds: { usual: [{ everyMin: 10, times: 60 }] } }
const loose: Protocol = { ...defaultProtocol, numbers: { 'pull.skinMostKg': 6 } }

describe('the local protocol on the server', () => {
  let harness: Harness
  let maren: Client
  let otto: Client
  let ada: Client
  let old: OpenedCase
  before(async () => {
    harness = await startHarness()
    maren = await harness.signIn('maren', ['lead'])
    otto = await harness.signIn('otto', ['lead'])
    ada = await harness.signIn('ada', ['clinician'])
    old = await openCase(ada)
    await ada.send(old.caseStream, 'applied', {})
  })
  after(async () => harness.stop())

  const state = async (): Promise<WardAnswer> => (await maren.get(paths.ward)).body as unknown as WardAnswer
  const write = async (
    client: Client,
    kind: 'protocol-drafted' | 'protocol-signed' | 'protocol-in-force' | 'protocol-dropped',
    body: object,
  ): Promise<Answer> => client.send(ward, kind, body, (await state()).version)
  const named = async (): Promise<object> => ({ draftedAt: (await state()).ward.draft?.at })
  const recordOf = async ({ caseStream }: OpenedCase): Promise<CaseRecord> =>
    (await ada.get(paths.case(caseStream.id))).body['record'] as CaseRecord

  it('is drafted by leads, and a draft with faults is kept but goes no further', async () => {
    expect((await write(ada, 'protocol-drafted', { protocol: eager, note: '' })).status).to.equal(403)
    const bad = { ...defaultProtocol, rounds: { usual: [{ everyMin: 0, times: 4 }] } }
    expect((await write(maren, 'protocol-drafted', { protocol: bad, note: '' })).status).to.equal(200)
    const refused = await write(maren, 'protocol-in-force', await named())
    expect(refused.status).to.equal(422)
    expect(refused.body['errors']).to.deep.include({
      code: 'out-of-range',
      path: 'draft/rounds/usual/0',
      message: 'The usual list, row 1: rounds come every 5 to 720 minutes, not every 0.',
    })
    expect((await write(maren, 'protocol-drafted', { protocol: { ...eager, rounds: 'often' }, note: '' })).status).to.equal(422)
    expect((await write(maren, 'protocol-drafted', { protocol: defaultProtocol, note: '' })).status).to.equal(200)
    expect((await write(maren, 'protocol-in-force', await named())).body['errors']).to.deep.include({
      code: 'format',
      path: 'draft',
      message: 'The draft changes nothing: change it, or put it away.',
    })
    expect((await write(maren, 'protocol-dropped', await named())).status).to.equal(200)
    expect((await write(maren, 'protocol-signed', { draftedAt: '2026-01-10T08:00:00.000Z' })).status).to.equal(409)
    expect((await maren.get(paths.protocolEffects('draft'))).status).to.equal(404)
  })

  it('tells what it would change for live cases, counts for new cases, and is moved to on purpose', async () => {
    await write(maren, 'protocol-drafted', { protocol: eager, note: 'closer rounds' })
    const effects = (await ada.get(paths.protocolEffects('draft'))).body as unknown as EffectsAnswer
    expect(effects.cases.map((one) => [one.caseId, one.from])).to.deep.equal([[old.caseStream.id, 'as shipped']])
    expect(effects.cases[0]?.words).to.include('Next round 5 min earlier')
    expect((await write(maren, 'protocol-in-force', await named())).status).to.equal(200)
    const version = (await state()).ward.versions?.at(-1)?.protocol
    expect(version).to.include({ name: 'local', version: 1 })

    const fresh = await openCase(ada)
    expect((await recordOf(fresh)).protocol).to.deep.equal(version)
    expect((await recordOf(old)).protocol).to.equal(undefined)
    const behind = (await ada.get(paths.protocolEffects('in-force'))).body as unknown as EffectsAnswer
    const own = behind.cases.find((one) => one.caseId === old.caseStream.id)
    expect(own?.words).to.include('Next round 5 min earlier')
    expect(behind.cases.find((one) => one.caseId === fresh.caseStream.id)?.words).to.deep.equal([])

    const move = { protocol: version }
    const base = (await ada.get(paths.case(old.caseStream.id))).body['version'] as number
    expect((await ada.send(old.caseStream, 'protocol', move)).status).to.equal(403)
    expect((await maren.send(old.caseStream, 'protocol', { protocol: eager }, base)).status).to.equal(422)
    expect((await maren.send(old.caseStream, 'protocol', move, base)).status).to.equal(200)
    expect((await recordOf(old)).protocol).to.deep.equal(version)
    const board = (await ada.get(paths.board)).body as { rows: { caseId: string; nextDueAt: string }[] }
    const line = board.rows.find((row) => row.caseId === old.caseStream.id)
    expect(Date.parse(line?.nextDueAt ?? '') - harness.now).to.equal(10 * 60_000)
  })

  it('a new case may say a version that was in force, and no other', async () => {
    const [versions, episode] = [(await state()).ward.versions ?? [], (await recordOf(old)).episodeId]
    const opening = { episodeId: episode, injuryId: old.injuryId, technique: 'leg-slab' }
    const good = { type: 'case', id: uuidv7() } as const
    expect((await ada.send(good, 'case-opened', { ...opening, protocol: versions[0]?.protocol })).status).to.equal(200)
    const envelope = { id: uuidv7() }
    const other = { type: 'case', id: uuidv7() } as const
    const refused = await ada.send(other, 'case-opened', { ...opening, protocol: { ...eager, name: 'local', version: 7 } })
    expect(refused.status).to.equal(422)
    expect(refused.body['errors']).to.deep.include({
      code: 'not-known',
      path: 'body/protocol',
      message: 'local 7 was never in force here: take a version from the list.',
    })
    expect((await ada.sendAs(other, 'case-opened', opening, envelope)).status).to.equal(200)
    // The same again is the first answer, although the server had added the protocol.
    expect((await ada.sendAs(other, 'case-opened', opening, envelope)).status).to.equal(200)
  })

  it('goes beyond a guarded figure only with the signatures of two', async () => {
    await write(maren, 'protocol-drafted', { protocol: loose, note: 'as agreed' })
    const refused = await write(maren, 'protocol-in-force', await named())
    expect(refused.status).to.equal(422)
    expect(JSON.stringify(refused.body['errors'])).to.include('Pull, Most on skin: 6 kg instead of 5 kg at most').and.include('0 of 2 have')
    await write(maren, 'protocol-signed', await named())
    await write(maren, 'protocol-signed', await named())
    expect((await write(otto, 'protocol-in-force', await named())).status).to.equal(422)
    await write(otto, 'protocol-signed', await named())
    expect((await write(maren, 'protocol-in-force', await named())).status).to.equal(200)
    expect((await state()).ward.versions?.at(-1)?.signedBy).to.have.length(2)
  })
})
