import { expect } from 'chai'
import { parse } from 'csv-parse/sync'
import type { HandOverAnswer } from '#contract/api/hand-over'
import { handOverColumns } from '#ward/story/hand-over-table'
import type { HandOverLine } from '#contract/api/hand-over'
import { bothLegs } from '../../../src/server/demo/findings'
import { goodBodies } from '../../harness/cases/good-events'
import { readPdf } from '../../harness/read-pdf'
import { openCase, startHarness, type Client, type Harness, type OpenedCase } from '../../harness/server-harness'

describe('the hand-over', () => {
  let harness: Harness
  let ada: Client
  before(async () => {
    harness = await startHarness()
    ada = await harness.signIn('ada', ['clinician'])
  })
  after(() => harness.stop())

  async function patientAt(place: string, name: string, findings = {}): Promise<OpenedCase> {
    const opened = await openCase(ada)
    const versionOf = async (): Promise<number> =>
      ((await ada.get(`/api/cases/${opened.caseStream.id}`)).body as unknown as { episodeVersion: number }).episodeVersion
    await ada.send(opened.episodeStream, 'patient', { ...goodBodies.patient, name }, await versionOf())
    await ada.send(opened.episodeStream, 'place', { place }, await versionOf())
    await ada.send(opened.caseStream, 'applied', {})
    const round = { cases: [opened.caseStream.id], isBaseline: false, outcome: 'done', reason: '', findings: bothLegs('left', findings) }
    expect((await ada.send(opened.episodeStream, 'round', round)).status).to.equal(200)
    return opened
  }
  const read = async (place = ''): Promise<readonly HandOverLine[]> =>
    ((await ada.get(`/api/hand-over?place=${encodeURIComponent(place)}`)).body as unknown as HandOverAnswer).lines
  const lineOf = async (opened: OpenedCase): Promise<HandOverLine | undefined> =>
    (await read()).find((line) => line.caseId === opened.caseStream.id)

  it('tells the worst first, what stands of each and what is owed', async () => {
    const quiet = await patientAt('Ward Q, bed 1', 'Quiet One')
    const urgent = await patientAt('Ward Q, bed 9', 'Urgent One', { pulse: 'absent' })
    const lines = await read('ward q')
    expect(lines.map((line) => line.caseId)).to.deep.equal([urgent.caseStream.id, quiet.caseStream.id])
    expect(lines[0]?.stands[0]).to.include({ level: 'urgent' })
    expect(lines[0]?.owed[0]?.text).to.equal('Round')
    expect(lines[1]?.stands).to.deep.equal([])
  })

  it('says what was done about it, by whom', async () => {
    const opened = await patientAt('Ward D, bed 1', 'Done About', { pulse: 'absent' })
    await ada.send(opened.caseStream, 'response', { action: 'open-to-skin', outcome: 'done', why: '' })
    await ada.send(opened.caseStream, 'call', { to: 'Sorrel Vane', isReached: true, how: 'telephone', said: 'coming' })
    const done = (await lineOf(opened))?.done ?? []
    expect(done.map((act) => act.by)).to.deep.equal(['ada', 'ada'])
    expect(done.map((act) => act.text).join()).to.include('Called Sorrel Vane: coming')
  })

  it('carries what worries, and who has taken the patient over', async () => {
    const opened = await patientAt('Ward W, bed 1', 'Worry One')
    const tom = await harness.signIn('tom', ['trainee'])
    expect((await lineOf(opened))?.takenOver).to.equal(null)
    expect((await ada.send(opened.caseStream, 'worry', { text: 'quieter than before' })).status).to.equal(200)
    expect((await tom.send(opened.caseStream, 'taken-over', {})).status).to.equal(200)
    const line = await lineOf(opened)
    expect(line?.worry).to.include({ text: 'quieter than before', by: 'ada' })
    expect(line?.takenOver?.by).to.equal('tom')
    await ada.send(opened.caseStream, 'worry', { text: '' })
    expect((await lineOf(opened))?.worry).to.equal(null)
  })

  it('is a table of what screen and paper tell', async () => {
    const opened = await patientAt('Ward T, bed 1', '=Table One', { pulse: 'absent' })
    const { status, bytes } = await ada.getBytes('/api/hand-over.csv?place=Ward%20T')
    expect(status).to.equal(200)
    const [head, ...rows] = parse(Buffer.from(bytes).toString('utf8')) as readonly (readonly string[])[]
    expect(head).to.deep.equal([...handOverColumns])
    const line = await lineOf(opened)
    const textsOf = (told: string): readonly string[] => rows.filter((row) => row[5] === told).map((row) => row[8] ?? '')
    expect(textsOf('stands')).to.deep.equal(line?.stands.map((stand) => stand.text))
    expect(textsOf('owed')).to.deep.equal(line?.owed.map((one) => one.text))
    expect(textsOf('happened')).to.have.length(line?.happened.length ?? 0)
    // A name that begins like a formula is text.
    expect(rows[0]?.[1]).to.equal("'=Table One")
  })

  it('leaves out whoever is gone', async () => {
    const opened = await patientAt('Ward G, bed 1', 'Gone One')
    const { version } = (await ada.get(`/api/cases/${opened.caseStream.id}`)).body as unknown as { version: number }
    await ada.send(opened.caseStream, 'ended', { how: 'theatre', note: '' }, version)
    expect(await read('ward g')).to.deep.equal([])
  })

  it('is printed over as many pages as it takes, every patient once', async () => {
    for (let bed = 1; bed <= 14; bed++)
      await patientAt(`Ward P, bed ${bed}`, `Paper ${String.fromCharCode(64 + bed)}`, { tight: true, restPain: 6 })
    for (const sheet of ['a4', 'letter']) {
      const { status, bytes } = await ada.getBytes(`/api/hand-over.pdf?place=Ward%20P&sheet=${sheet}&zone=Europe/Lisbon`)
      expect(status).to.equal(200)
      const pages = await readPdf(bytes)
      expect(pages.length).to.be.greaterThan(1)
      expect(pages[0]?.widthMm).to.be.closeTo(sheet === 'a4' ? 210 : 215.9, 0.1)
      // Every patient is a block under a line of its own, none of them off the page.
      const strokes = pages.flatMap((page) => page.lines.flatMap((line) => line.map(([, y]) => [y, page.heightMm] as const)))
      expect(pages.flatMap((page) => page.lines)).to.have.length(14)
      for (const [y, height] of strokes) expect(y).to.be.within(10, height - 20)
    }
  })

  it('is a paper too where nobody is', async () => {
    const { status, bytes } = await ada.getBytes('/api/hand-over.pdf?place=Nowhere')
    expect(status).to.equal(200)
    const pages = await readPdf(bytes)
    expect(pages.map((page) => page.lines.length)).to.deep.equal([0])
  })

  for (const [path, why] of [
    [`/api/hand-over?place=${'x'.repeat(81)}`, 'a place that is too long'],
    ['/api/hand-over?bed=3', 'a field that there is not'],
    ['/api/hand-over.pdf?sheet=a0', 'a sheet that no printer holds'],
    ['/api/hand-over.pdf?zone=Moon/Sea', 'a zone that there is not'],
  ] as const) {
    it(`refuses ${why}`, async () => expect((await ada.get(path)).status).to.equal(422))
  }

  it('is not for whoever may not read', async () => {
    const rae = await harness.signIn('rae', ['admin'])
    expect((await rae.get('/api/hand-over')).status).to.equal(403)
    expect((await rae.get('/api/hand-over.pdf')).status).to.equal(403)
  })
})
