import { expect } from 'chai'
import { v7 as uuidv7 } from 'uuid'
import type { Plan } from '#core/model/plan'
import { readCase } from '#core/files/read-case'
import { sheets, type SheetId } from '#contract/api/papers'
import { exampleOf } from '../../harness/cases/example-cases'
import { readPdf, type ReadPage } from '../../harness/read-pdf'
import { openCase, request, startHarness, type Client, type Harness, type OpenedCase } from '../../harness/server-harness'

const toleranceMm = 0.5

describe('papers of a case', () => {
  let harness: Harness
  let client: Client
  let opened: OpenedCase
  before(async () => {
    harness = await startHarness()
    client = await harness.signIn('ada', ['clinician'])
    opened = await openCase(client)
  })
  after(() => harness.stop())

  const paper = (name: string, query = ''): string => `/api/cases/${opened.caseStream.id}/papers/${name}${query}`
  async function pages(name: string, query = ''): Promise<readonly ReadPage[]> {
    const { status, bytes } = await client.getBytes(paper(name, query))
    expect(status).to.equal(200)
    return readPdf(bytes)
  }

  /** Puts the published example of a technique into the opened case. */
  async function take(technique: string): Promise<Plan> {
    const file = exampleOf(technique)
    await client.send(opened.episodeStream, 'injury', {
      injuryId: opened.injuryId,
      injury: { region: null, side: null, levelCm: null, flags: [], swelling: 'none', ...file.injury },
    })
    await client.send(opened.episodeStream, 'patient', {
      name: 'Ruan Tolgarrick',
      isTemporary: false,
      born: '1990-04-02',
      number: 'TS-1822',
      ageYears: 36,
      isAgeEstimated: false,
      sex: 'male',
      heightCm: Number(file.patient['heightCm']),
      massKg: Number(file.patient['massKg']),
      isMassEstimated: false,
    })
    await client.send(opened.caseStream, 'technique', { technique })
    await client.send(opened.caseStream, 'options', { options: file.options })
    for (const one of readCase(file).clinicalCase?.measurements ?? [])
      await client.send(opened.caseStream, 'reading', { tool: 'tape', ...one })
    const answer = await client.post('/api/plans', file)
    return answer.body as unknown as Plan
  }

  describe('before anything is measured', () => {
    it('says that there is nothing to cut, and nothing to record', async () => {
      for (const name of ['template.pdf', 'template.svg']) {
        const answer = await client.get(paper(name))
        expect(answer.status).to.equal(409)
        expect(answer.body['detail']).to.include('take the readings')
      }
      const record = await client.get(paper('run-record.pdf'))
      expect(record.status).to.equal(409)
      expect(record.body['detail']).to.include('begin the run')
    })

    for (const [path, status] of [
      ['poster.pdf', 422],
      ['template.pdf?sheet=a3', 422],
      ['bedside-label.pdf?units=feet', 422],
      ['run-record.pdf?run=x', 422],
    ] as const) {
      it(`answers ${path} with ${status}`, async () => expect((await client.get(paper(path))).status).to.equal(status))
    }

    it('knows no paper of a case that is not there, and prints nothing for strangers', async () => {
      expect((await client.get(`/api/cases/${uuidv7()}/papers/template.pdf`)).status).to.equal(404)
      expect((await client.get('/api/cases/nobody/papers/template.pdf')).status).to.equal(422)
      expect((await request(harness.address, paper('release-card.pdf'))).status).to.equal(401)
    })
  })

  describe('the template', () => {
    let plan: Plan
    before(async () => {
      plan = await take('volar-slab')
    })

    for (const sheet of Object.keys(sheets) as SheetId[]) {
      it(`on ${sheet}: every corner at its place to ${toleranceMm} mm, on every page`, async () => {
        const read = await pages('template.pdf', `?sheet=${sheet}`)
        const outline = plan.geometry.polygons.find((polygon) => polygon.role === 'template')?.points ?? []
        const xs = outline.map((point) => point[0] * 10)
        const ys = outline.map((point) => point[1] * 10)
        const wanted = outline.map(([x, y]) => [y * 10 - Math.min(...ys), x * 10 - Math.min(...xs)] as const)
        expect(read.length).to.be.at.least(1)
        for (const page of read) {
          expect(page.widthMm).to.be.closeTo(sheets[sheet].widthMm, 0.05)
          expect(page.heightMm).to.be.closeTo(sheets[sheet].heightMm, 0.05)
          const drawn = page.lines.find((line) => line.length === outline.length)
          expect(drawn, 'the outline').not.to.equal(undefined)
          const [firstX = 0, firstY = 0] = drawn?.[0] ?? []
          const [wantedX = 0, wantedY = 0] = wanted[0] ?? []
          drawn?.forEach(([x, y], index) => {
            const [wx = 0, wy = 0] = wanted[index] ?? []
            expect(x - firstX).to.be.closeTo(wx - wantedX, toleranceMm)
            expect(y - firstY).to.be.closeTo(wy - wantedY, toleranceMm)
          })
        }
      })

      it(`on ${sheet}: a check ruler of 100 mm on every page`, async () => {
        for (const page of await pages('template.pdf', `?sheet=${sheet}`)) {
          const ruler = page.lines.find(([a, b]) => a && b && Math.abs(a[1] - b[1]) < 0.01 && Math.abs(b[0] - a[0] - 100) < 0.1)
          expect(ruler, 'a line of 100 mm').not.to.equal(undefined)
        }
      })
    }

    it('as SVG: the same size in mm', async () => {
      const answer = await client.get(paper('template.svg'))
      const text = String(answer.body['text'])
      const outline = plan.geometry.polygons.find((polygon) => polygon.role === 'template')?.points ?? []
      const length = Math.max(...outline.map((point) => point[0])) - Math.min(...outline.map((point) => point[0]))
      const figures = /<path d="M([^"]+) Z"/.exec(text)?.[1]?.split(/[ L]+/).map(Number) ?? []
      const xs = figures.filter((_, index) => index % 2 === 0)
      expect(Math.max(...xs) - Math.min(...xs)).to.be.closeTo(length * 10, toleranceMm)
      expect(/viewBox="0 0 ([\d.]+) ([\d.]+)"/.exec(text)?.[1]).to.equal(/width="([\d.]+)mm"/.exec(text)?.[1])
    })
  })

  describe('a slab longer than a sheet', () => {
    it('is tiled: pages in order, each one shifted by its neighbour less the overlap, crop marks on each', async () => {
      const plan = await take('leg-slab')
      const read = await pages('template.pdf')
      expect(read.length).to.be.at.least(2)
      const slab = plan.geometry.polygons.find((polygon) => polygon.role === 'slab')?.points ?? []
      // The small cells of the page order have four corners as well: the outline is the long one.
      const isLong = (line: ReadPage['lines'][number]): boolean =>
        line.length === slab.length && line.some(([x, y]) => Math.hypot(x - (line[0]?.[0] ?? 0), y - (line[0]?.[1] ?? 0)) > 150)
      const starts = read.map((page) => page.lines.find(isLong)?.[0] ?? [NaN, NaN])
      for (let index = 1; index < starts.length; index++) {
        const [x = 0, y = 0] = starts[index] ?? []
        const [x0 = 0, y0 = 0] = starts[index - 1] ?? []
        const byMm = Math.hypot(x - x0, y - y0)
        expect(byMm).to.be.greaterThan(100)
      }
      for (const page of read) {
        const crosses = page.lines.filter(([a, b]) => a && b && Math.abs(Math.hypot(b[0] - a[0], b[1] - a[1]) - 6) < 0.05)
        expect(crosses.length).to.be.at.least(8)
      }
    })
  })

  it('come without the page’s own policy, under which the viewer of a browser stays blank', async () => {
    const answer = await client.get(paper('bedside-label.pdf'))
    expect(answer.status).to.equal(200)
    expect(answer.headers.get('content-security-policy')).to.equal(null)
    expect(answer.headers.get('content-type')).to.equal('application/pdf')
  })

  describe('record, card and label', () => {
    const runId = uuidv7()
    before(async () => {
      await client.send(opened.caseStream, 'run-started', { runId, withoutPlan: 'no plan in this test' })
      for (const stepId of ['position', 'lay-out', 'identity', 'baseline', 'padding'])
        await client.send(opened.caseStream, 'step', { runId, stepId, outcome: 'done', reason: '' })
    })

    it('print on one page each, however much there is to say', async () => {
      for (let count = 0; count < 60; count++)
        await client.send(opened.caseStream, 'note', { text: `Note ${count}: ${'a long line of what was seen and done '.repeat(6)}` })
      for (let count = 0; count < 30; count++)
        await client.send(opened.caseStream, 'angle', { runId, stepId: 'mould', angleId: 'ankle', deg: 80 + count, tool: 'goniometer' })
      for (const name of ['run-record.pdf', 'release-card.pdf', 'bedside-label.pdf'])
        for (const sheet of Object.keys(sheets)) expect(await pages(name, `?sheet=${sheet}`), `${name} ${sheet}`).to.have.length(1)
    }).timeout(60_000)

    it('names a run that is not there', async () => {
      const answer = await client.get(paper('run-record.pdf', `?run=${uuidv7()}`))
      expect(answer.status).to.equal(409)
    })
  })
})
