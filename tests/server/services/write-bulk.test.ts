import { expect } from 'chai'
import { defineModels } from '../../../src/server/db/models'
import { pastStays } from '../../../src/server/demo/past-stays'
import { createEventRepository } from '../../../src/server/repositories/events'
import { chainHash } from '../../../src/server/ledger/chain-hash'
import { createStreamRepository, genesis } from '../../../src/server/repositories/streams'
import { writeBulk } from '../../../src/server/writing/write-bulk'
import { foldCase } from '#contract/events/fold'
import type { CaseAnswer } from '#contract/api/answers'
import type { HistoryAnswer } from '#contract/api/history'
import type { CaseRecord } from '#contract/records/case'
import { startHarness, type Client, type Harness } from '../../harness/server-harness'

describe('stays that are written at once', () => {
  let harness: Harness
  let ada: Client
  before(async () => {
    harness = await startHarness()
    ada = await harness.signIn('ada', ['clinician'])
  })
  after(() => harness.stop())

  it('are as if they had been lived: chained, folded, found, and none on the Board', async () => {
    const models = defineModels(harness.db)
    const [events, streams] = [createEventRepository(harness.db, models), createStreamRepository(harness.db, models)]
    const actors = [{ id: ada.personId, name: 'ada', roles: ['clinician' as const] }]
    const world = { seed: 5, lastMs: harness.now - 86_400_000, everyMs: 86_400_000, actors }
    const stays = [...pastStays(30, world)]
    expect([...pastStays(30, world)].map((pastStay) => pastStay.events.map((event) => event.atMs))).to.deep.equal(
      stays.map((stay) => stay.events.map((event) => event.atMs)),
    )
    await writeBulk({ db: harness.db, events, streams }, stays)
    const { rows, next } = (await ada.get('/api/history?q=')).body as unknown as HistoryAnswer
    expect(rows.length).to.equal(30)
    expect(rows.every((row) => !row.isOnBoard)).to.equal(true)
    expect(next).to.equal(null)
    const { caseId } = stays[3]!
    const answer = (await ada.get(`/api/cases/${caseId}`)).body as unknown as CaseAnswer
    const kept = await events.ofStream('case', caseId)
    expect(kept.every((event, index) => chainHash(kept[index - 1]?.hash ?? genesis, event, event.rule) === event.hash)).to.equal(true)
    const replayed = kept.reduce<CaseRecord | null>((record, event) => foldCase(record, caseId, event), null)
    expect(JSON.parse(JSON.stringify(replayed))).to.deep.equal(answer.record)
    expect(answer.version).to.equal(kept.length)
    expect((await ada.send({ type: 'case', id: caseId }, 'note', { text: 'read again' })).status).to.equal(200)
  })
})
