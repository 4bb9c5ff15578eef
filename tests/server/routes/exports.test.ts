import { expect } from 'chai'
import { v7 as uuidv7 } from 'uuid'
import { parse } from 'csv-parse/sync'
import { readCase } from '#core/files/read-case'
import { bothLegs } from '../../../src/server/demo/findings'
import { openCase, reading, startHarness, type Client, type Harness, type OpenedCase } from '../../harness/server-harness'

describe('files of a case', () => {
  let harness: Harness
  let ada: Client
  let opened: OpenedCase
  before(async () => {
    harness = await startHarness()
    ada = await harness.signIn('ada', ['clinician'])
    opened = await openCase(ada)
  })
  after(() => harness.stop())
  const textOf = async (path: string): Promise<string> => {
    const { status, bytes } = await ada.getBytes(`/api/cases/${opened.caseStream.id}/${path}`)
    expect(status).to.equal(200)
    return Buffer.from(bytes).toString('utf8')
  }

  it('are empty where nothing is owed and nothing was seen', async () => {
    expect(await textOf('owed.ics')).to.match(/^BEGIN:VCALENDAR[^]*END:VCALENDAR/)
    expect(await textOf('observations.csv')).to.equal('at,kind,by,item,value\n')
  })

  it('hold owed work for a calendar, without the patient', async () => {
    await ada.send(opened.caseStream, 'applied', {})
    await ada.send(opened.caseStream, 'task-added', { text: 'Films; then, review', dueAt: '2026-01-10T12:00:00Z', who: '' })
    const text = await textOf('owed.ics')
    expect(text)
      .to.include('DTSTART:20260110T120000Z')
      .and.to.include(String.raw`Films\; then\, review`)
    expect(text.match(/BEGIN:VEVENT/g)).to.have.length.of.at.least(2)
  })

  it('hold every observation, and let no cell be a formula', async () => {
    await ada.send(opened.episodeStream, 'round', {
      cases: [opened.caseStream.id],
      isBaseline: false,
      outcome: 'done',
      reason: '',
      findings: {
        limbs: [{ ...bothLegs('left').limbs[0], pulse: { cannotAssess: true, reason: '=HYPERLINK("x")' } }],
      },
    })
    const rows = parse(await textOf('observations.csv'), { columns: true }) as { item: string; value: string; by: string }[]
    expect(rows.find((row) => row.item === 'leg-left/warmth')).to.include({ value: 'warm', by: 'ada' })
    expect(rows.every((row) => !/^[=+@-]/.test(row.value))).to.equal(true)
  })

  it('hold the case as a file that reads back without a fault', async () => {
    await ada.send(opened.caseStream, 'reading', reading('ankle-girth', 'left', 25))
    const { clinicalCase, problems } = readCase(JSON.parse(await textOf('case.json')))
    expect(problems).to.deep.equal([])
    expect(clinicalCase?.technique).to.equal('leg-slab')
    expect(clinicalCase?.measurements.map((measurement) => measurement.value)).to.deep.equal([25])
  })

  it('are of a case that is there, for who may read it', async () => {
    for (const path of ['owed.ics', 'observations.csv', 'case.json']) {
      expect((await ada.get(`/api/cases/${uuidv7()}/${path}`)).status).to.equal(404)
      expect((await ada.get(`/api/cases/nothing/${path}`)).status).to.equal(422)
      expect((await fetch(`${harness.address}/api/cases/${opened.caseStream.id}/${path}`)).status).to.equal(401)
    }
  })
})
