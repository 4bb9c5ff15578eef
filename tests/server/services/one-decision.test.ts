import { expect } from 'chai'
import { v7 as uuidv7 } from 'uuid'
import type { CountersignAnswer } from '#contract/api/countersign'
import type { CaseRecord } from '#contract/records/case'
import { openCase, startHarness, type Client, type Harness, type OpenedCase } from '../../harness/server-harness'

const right = { region: 'ankle', side: 'right', pattern: 'malleolar-fracture', flags: [], swelling: 'none', levelCm: null }
const left = { ...right, side: 'left' }

/** What one press decides is one event: the server writes the rest with it, or nothing. */
describe('one decision of a person', () => {
  let harness: Harness
  let ada: Client
  let opened: OpenedCase
  before(async () => {
    harness = await startHarness()
    ada = await harness.signIn('ada', ['clinician'])
  })
  after(() => harness.stop())
  beforeEach(async () => {
    opened = await openCase(ada)
  })

  const read = async (caseId = opened.caseStream.id) =>
    (await ada.get(`/api/cases/${caseId}`)).body as { record: CaseRecord; version: number; episodeVersion: number }
  const toRight = async (extra: object, base?: number): Promise<number> => {
    const body = { injuryId: opened.injuryId, injury: right, ...extra }
    return (await ada.send(opened.episodeStream, 'injury', body, base ?? (await read()).episodeVersion)).status
  }
  /** Another case of the stay, begun without a plan unless it is only opened. */
  const beside = async (injuryId: string, isBegun = true): Promise<string> => {
    const stream = { type: 'case', id: uuidv7() } as const
    const opening = { episodeId: opened.episodeStream.id, injuryId, technique: 'leg-slab' }
    expect((await ada.send(stream, 'case-opened', opening)).status).to.equal(200)
    if (isBegun) expect((await ada.send(stream, 'run-started', { runId: uuidv7(), withoutPlan: 'bleeding' })).status).to.equal(200)
    return stream.id
  }

  it('another side holds every device of this injury that was begun, and no other', async () => {
    await ada.send(opened.caseStream, 'run-started', { runId: uuidv7(), withoutPlan: 'bleeding' })
    const otherInjury = uuidv7()
    await ada.send(opened.episodeStream, 'injury', { injuryId: otherInjury, injury: left }, (await read()).episodeVersion)
    const [same, untouched, other] = [await beside(opened.injuryId), await beside(opened.injuryId, false), await beside(otherInjury)]
    expect(await toRight({ reason: 'the film was turned' })).to.equal(200)
    for (const id of [opened.caseStream.id, same]) {
      expect((await read(id)).record.sideChange).to.deep.include({ reason: 'the film was turned', isOtherLimb: true, by: 'ada' })
    }
    for (const id of [untouched, other]) expect((await read(id)).record.sideChange).to.equal(undefined)
  })

  it('a refused one leaves neither side nor hold', async () => {
    await ada.send(opened.caseStream, 'run-started', { runId: uuidv7(), withoutPlan: 'bleeding' })
    const before = await read()
    expect(await toRight({ reason: 'the film was turned' }, before.episodeVersion - 1)).to.equal(409)
    const after = await read()
    expect(after.record).to.deep.equal(before.record)
    expect([after.version, after.episodeVersion]).to.deep.equal([before.version, before.episodeVersion])
  })

  it('is refused whole where they may not say of the case what it says', async () => {
    await ada.send(opened.caseStream, 'run-started', { runId: uuidv7(), withoutPlan: 'bleeding' })
    const teodor = await harness.signIn('teodor-side', ['trainee'])
    const { episodeVersion } = await read()
    const body = { injuryId: opened.injuryId, injury: right, reason: 'the film was turned' }
    expect((await teodor.send(opened.episodeStream, 'injury', body, episodeVersion)).status).to.equal(403)
    const after = await read()
    expect([after.record.sideChange, after.episodeVersion]).to.deep.equal([undefined, episodeVersion])
  })

  it('a pair of before is still taken: the second says the same once more', async () => {
    await ada.send(opened.caseStream, 'run-started', { runId: uuidv7(), withoutPlan: 'bleeding' })
    expect(await toRight({ reason: 'film' })).to.equal(200)
    const [from, to] = ['LEFT ankle, malleolar fracture', 'RIGHT ankle, malleolar fracture']
    expect((await ada.send(opened.caseStream, 'side-changed', { from, to, reason: 'film', isOtherLimb: true })).status).to.equal(200)
    expect((await read()).record.sideChange).to.include({ from, to, reason: 'film', checked: null })
  })

  it('a change that nobody works by yet holds nothing', async () => {
    expect(await toRight({})).to.equal(200)
    const { record, version } = await read()
    expect([record.sideChange, version]).to.deep.equal([undefined, 1])
  })

  it('a transfer begins the rounds of all that is on anew, and of nothing else', async () => {
    await ada.send(opened.caseStream, 'applied', {})
    const [on, off] = [await beside(opened.injuryId), await beside(opened.injuryId, false)]
    await ada.send({ type: 'case', id: on }, 'applied', {})
    const move = async (body: object): Promise<number> =>
      (await ada.send(opened.episodeStream, 'place', body, (await read()).episodeVersion)).status
    expect(await move({ place: 'Ward B, bed 1' })).to.equal(200)
    expect((await read()).record.changes).to.equal(undefined)
    expect(await move({ place: 'Ward C, bed 1', isTransfer: true })).to.equal(200)
    for (const id of [opened.caseStream.id, on])
      expect((await read(id)).record.changes?.map((change) => change.what)).to.deep.equal(['transferred'])
    expect((await read(off)).record.changes).to.equal(undefined)
  })

  it('who is here says how many are, and who begins a run drives it', async () => {
    const members = ['Tobin', 'Ysolde'].map((name) => ({ name, place: 'fetch' }))
    expect((await ada.send(opened.caseStream, 'crew', { members })).status).to.equal(200)
    const runId = uuidv7()
    await ada.send(opened.caseStream, 'run-started', { runId, device: 'tab-1', withoutPlan: 'bleeding' })
    const { record } = await read()
    expect(record.setup.people).to.equal(2)
    expect(record.runs[0]?.driver).to.include({ device: 'tab-1', by: 'ada' })
    await ada.send(opened.caseStream, 'crew', { members: [] })
    expect((await read()).record.setup.people, 'nobody named says nothing of how many are here').to.equal(2)
  })

  it('what a trainee’s change says of a case waits for a clinician’s name too', async () => {
    const teodor = await harness.signIn('teodor', ['trainee'])
    await ada.send(opened.caseStream, 'applied', {})
    const { episodeVersion } = await read()
    expect(
      (await teodor.send(opened.episodeStream, 'place', { place: 'Ward C, bed 1', isTransfer: true }, episodeVersion)).status,
    ).to.equal(200)
    const { groups } = (await ada.get('/api/countersign')).body as unknown as CountersignAnswer
    const entries = groups.filter((group) => group.episodeId === opened.episodeStream.id).flatMap((group) => group.entries)
    expect(entries).to.have.length(2)
  })
})
