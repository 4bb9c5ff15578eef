import { expect } from 'chai'
import { pino } from 'pino'
import { QueryTypes } from 'sequelize'
import { v7 as uuidv7 } from 'uuid'
import type { AuditLine } from '#contract/api/audit'
import { defineModels } from '../../../src/server/db/models'
import { createAnchorKeeper } from '../../../src/server/jobs/anchor-keeper'
import { verifyDatabase } from '../../../src/server/services/verify-database'
import { openCase, startHarness, type Client, type Harness } from '../../harness/server-harness'

describe('who read and wrote what', () => {
  let harness: Harness
  let greta: Client
  let ada: Client
  let bram: Client
  beforeEach(async () => {
    harness = await startHarness()
    greta = await harness.signIn('greta', ['admin'])
    ada = await harness.signIn('ada', ['clinician'])
    bram = await harness.signIn('bram', ['viewer'])
  })
  afterEach(() => harness.stop())

  const find = async (query: Record<string, string> = {}): Promise<readonly AuditLine[]> => {
    const asked = new URLSearchParams({ from: '2026-01-10', until: '2026-01-10', ...query })
    const answer = await greta.get(`/api/admin/audit?${asked.toString()}`)
    expect(answer.status).to.equal(200)
    return answer.body['lines'] as readonly AuditLine[]
  }
  const reads = (lines: readonly AuditLine[]): readonly string[] =>
    lines
      .filter((line) => line.did === 'read')
      .map((line) => `${line.by}: ${line.what}`)
      .sort()

  it('keeps every read of a patient, once for a quarter of an hour', async () => {
    const { caseStream } = await openCase(ada)
    for (const path of ['', '/related', '/photos', '/case.json', '/papers/case-summary.pdf']) {
      expect((await bram.get(`/api/cases/${caseStream.id}${path}`)).status).to.equal(200)
      await bram.get(`/api/cases/${caseStream.id}${path}`)
    }
    for (const path of ['/api/board', '/api/history?q=bay', '/api/board']) await bram.get(path)
    const lines = await find()
    expect(reads(lines)).to.deep.equal([
      'bram: A paper',
      'bram: A search of the history',
      'bram: Other cases of the patient',
      'bram: The Board',
      'bram: The case',
      'bram: The case file',
      'bram: The list of photos',
    ])
    expect(lines.find((line) => line.what === 'The case')).to.include({ subject: caseStream.id, at: '2026-01-10T08:00:00.000Z' })
    harness.now += 15 * 60_000
    await bram.get(`/api/cases/${caseStream.id}`)
    expect(reads(await find()).filter((read) => read === 'bram: The case')).to.have.length(2)
    expect(JSON.stringify(await find())).not.to.include('Bay 1')
  })

  it('finds them by person, by the number of a patient and by day, with what was written', async () => {
    const { caseStream, episodeStream } = await openCase(ada)
    const stranger = await openCase(ada)
    const patient = { name: 'Ola Test', isTemporary: false, born: '1980-01-01', number: 'TS-77', ageYears: null, isAgeEstimated: false }
    const more = { sex: '', heightCm: null, massKg: null, isMassEstimated: false }
    expect((await ada.send(episodeStream, 'patient', { ...patient, ...more })).status).to.equal(200)
    await bram.get(`/api/cases/${caseStream.id}`)
    await bram.get(`/api/cases/${stranger.caseStream.id}`)
    await ada.get(`/api/cases/${caseStream.id}`)
    const own = await find({ number: 'ts-77' })
    expect(reads(own)).to.deep.equal(['ada: The case', 'bram: The case'])
    expect([...new Set(own.map((line) => line.patient))]).to.deep.equal(['TS-77'])
    expect(
      own
        .filter((line) => line.did === 'wrote')
        .map((line) => line.what)
        .sort(),
    ).to.deep.equal(['case opened', 'episode opened', 'injury', 'patient'])
    expect(reads(await find({ person: bram.personId }))).to.deep.equal(['bram: The case', 'bram: The case'])
    expect(await find({ number: 'nobody' })).to.deep.equal([])
    expect(await find({ from: '2026-01-11', until: '2026-01-11' })).to.deep.equal([])
    // The first hour of the tenth is the ninth, five hours to the west.
    expect(reads(await find({ from: '2026-01-10', until: '2026-01-10', zone: 'Etc/GMT+5' }))).to.have.length(3)
    expect(await find({ from: '2026-01-09', until: '2026-01-09', zone: 'Etc/GMT+5' })).to.deep.equal([])
  })

  it('says what is wrong with a question', async () => {
    for (const [query, words] of [
      ['', 'from is missing'],
      ['from=2026-01-10&until=2026-01-09', 'The last day is before the first'],
      ['from=2026-01-10&until=2026-02-31', 'until is no day of the calendar'],
      ['from=2025-11-10&until=2026-01-10', 'at most 31 days at once'],
      ['from=2026-01-10&until=2026-01-10&person=me', 'person must be a'],
    ] as const) {
      const { status, body } = await greta.get(`/api/admin/audit?${query}`)
      expect([query, status, JSON.stringify(body)]).to.satisfy(
        ([, code, text]: [string, number, string]) => code === 422 && text.includes(words),
        `${query}: ${status} ${JSON.stringify(body)}`,
      )
    }
  })

  it('shows nothing that it could not keep first', async () => {
    const { caseStream } = await openCase(ada)
    await harness.db.query('RENAME TABLE patient_reads TO patient_reads_away', { type: QueryTypes.RAW })
    const { status, body } = await bram.get(`/api/cases/${caseStream.id}`)
    await harness.db.query('RENAME TABLE patient_reads_away TO patient_reads', { type: QueryTypes.RAW })
    expect([status, 'record' in body]).to.deep.equal([500, false])
    expect((await bram.get(`/api/cases/${uuidv7()}`)).status).to.equal(404)
  })

  it('is covered by the anchor of the day: a read that was taken out shows', async () => {
    const { caseStream } = await openCase(ada)
    await bram.get(`/api/cases/${caseStream.id}`)
    harness.now += 86_400_000
    await createAnchorKeeper({ db: harness.db, clock: () => harness.now, log: pino({ level: 'silent' }), file: null }).tick()
    const faults = async (): Promise<readonly string[]> =>
      (await verifyDatabase(harness.db, defineModels(harness.db), [])).faults.map((fault) => fault.where)
    expect(await faults()).to.deep.equal([])
    await harness.db.query('DELETE FROM patient_reads', { type: QueryTypes.RAW })
    expect(await faults()).to.deep.equal(['anchor 2026-01-11'])
  })
})
