import { expect } from 'chai'
import { parse } from 'csv-parse/sync'
import type { BoardRow } from '#contract/api/board'
import { paperKinds } from '#contract/api/papers'
import { markup, seedMarkup, type MarkedCase } from '../../harness/markup'
import { readPdf } from '../../harness/read-pdf'
import { startHarness, type Client, type Harness } from '../../harness/server-harness'

describe('markup and formulas on paper and in files', () => {
  let harness: Harness
  let ada: Client
  let marked: MarkedCase
  before(async () => {
    harness = await startHarness()
    ada = await harness.signIn('ada', ['clinician', 'lead'])
    const refused: string[] = []
    const { taken, ...where } = await seedMarkup(async (stream, kind, body) => {
      const { status, body: answer } = await ada.send(stream, kind, body)
      if (status !== 200) refused.push(`${kind}: ${status} ${JSON.stringify(answer).slice(0, 200)}`)
      return status === 200
    })
    marked = where
    expect(taken.length, refused.join('\n')).to.be.above(20)
  })
  after(() => harness.stop())

  it('are printed as text', async () => {
    for (const paper of paperKinds) {
      const { status, bytes } = await ada.getBytes(`/api/cases/${marked.caseId}/papers/${paper}.pdf`)
      expect(status, paper).to.be.oneOf([200, 409])
      if (status === 200) expect(await readPdf(bytes), paper).to.have.length.above(0)
    }
    const svg = await ada.get(`/api/cases/${marked.caseId}/papers/template.svg`)
    expect(String(svg.body['text'])).not.to.include('<i id=pwned>')
    for (const path of ['/api/hand-over.pdf', '/api/downtime.pdf'])
      expect((await ada.getBytes(`${path}?places=`)).status, path).to.be.oneOf([200, 422])
  })

  it('are words in a table: no cell begins like a formula', async () => {
    const answer = await ada.get(`/api/cases/${marked.caseId}/observations.csv`)
    const cells = (parse(String(answer.body['text'])) as string[][]).flat()
    expect(cells.join(' ')).to.include('<i id=pwned>')
    for (const cell of cells) expect(cell).not.to.match(/^[=+\-@\t\r]/)
  })

  it('are words in a calendar: no line is begun by what somebody entered', async () => {
    const dueAt = new Date(harness.now + 3_600_000).toISOString()
    const text = `Ring theatre ${markup}\r\nATTACH:http://strange.test/\nEND:VEVENT`
    expect((await ada.send({ type: 'case', id: marked.caseId }, 'task-added', { text, dueAt, who: 'late shift' })).status).to.equal(200)
    const calendar = String((await ada.get(`/api/cases/${marked.caseId}/owed.ics`)).body['text'])
    expect(calendar).to.include('Ring theatre')
    expect(calendar).not.to.match(/^(ATTACH|END:VEVENT\r?\n(?!BEGIN|END))/m)
    expect(calendar.match(/^BEGIN:VEVENT/gm)?.length).to.equal(calendar.match(/^END:VEVENT/gm)?.length)
  })

  it('come back as they were typed', async () => {
    const rows = (await ada.get('/api/board')).body['rows'] as readonly BoardRow[]
    expect(rows.find((row) => row.caseId === marked.caseId)).to.include({ patient: markup, place: markup })
  })
})
