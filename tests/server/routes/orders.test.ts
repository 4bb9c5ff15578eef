import { expect } from 'chai'
import { openCase, startHarness, type Answer, type Client, type Harness, type OpenedCase } from '../../harness/server-harness'
import type { CaseRecord } from '#contract/records/case'

describe('orders over the API', () => {
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

  const by = { by: 'Merryn Sale', at: '2026-03-28T23:10:00Z' }
  const order = (ordered: object, who = ada): Promise<Answer> => who.send(opened.caseStream, 'ordered', { ordered })
  const recordNow = async (): Promise<CaseRecord> => (await ada.get(`/api/cases/${opened.caseStream.id}`)).body['record'] as CaseRecord
  const pathsOf = ({ body }: Answer): readonly string[] =>
    ((body['errors'] ?? []) as readonly { readonly path: string }[]).map(({ path }) => path)

  it('are entered by whoever heard them, one of each kind, the latest', async () => {
    const nora = await harness.signIn('nora', ['trainee'])
    expect((await order({ pull: { ...by, kg: 5 } }, nora)).status).to.equal(200)
    expect((await order({ pull: { ...by, kg: 6 } })).status).to.equal(200)
    expect((await order({ fasting: { ...by, what: 'from 02:00' } })).status).to.equal(200)
    expect((await recordNow()).orders).to.deep.equal({ pull: { ...by, kg: 6 }, fasting: { ...by, what: 'from 02:00' } })
  })

  for (const [what, ordered, path] of [
    ['no name', { pull: { at: by.at, kg: 5 } }, 'body/ordered/pull/by'],
    ['an empty name', { pull: { ...by, by: '  ', kg: 5 } }, 'body/ordered/pull/by'],
    ['no figure', { pull: by }, 'body/ordered/pull/kg'],
    ['a figure that nothing has', { pull: { ...by, kg: 400 } }, 'body/ordered/pull/kg'],
    ['stops that cross', { brace: { ...by, extensionStop: 60, flexionStop: 30, lock: 'open' } }, 'body/ordered/brace/flexionStop'],
    ['an end before its beginning', { cut: { ...by, until: '2026-03-28T22:00:00Z' } }, 'body/ordered/cut/until'],
    ['a day that no calendar has', { cut: { ...by, until: '2026-02-31T22:00:00Z' } }, 'body/ordered/cut/until'],
    ['another way than the three', { cut: { ...by, how: 'by dream' } }, 'body/ordered/cut/how'],
    ['two at once', { cut: by, fasting: by }, 'body/ordered'],
    ['none', {}, 'body/ordered'],
    ['something that nobody orders', { dance: by }, 'body/ordered/dance'],
  ] as const)
    it(`names the field: ${what}`, async () => {
      const answer = await order(ordered)
      expect([answer.status, pathsOf(answer)]).to.deep.equal([422, [path]])
      expect((await recordNow()).orders).to.equal(undefined)
    })

  it('one that a file read without a name is kept as it was written; by itself it is entered by nobody', async () => {
    const nameless = { weight: { by: '', at: '', allowed: '20 kg' }, spine: { posture: 'standing', by: '', at: '' } }
    const { version } = (await ada.get(`/api/cases/${opened.caseStream.id}`)).body as { version: number }
    expect((await ada.send(opened.caseStream, 'orders', { orders: nameless }, version)).status).to.equal(200)
    expect((await recordNow()).orders).to.deep.equal(nameless)
    expect((await order({ weight: nameless.weight })).status).to.equal(422)
  })

  it('of two that contradict each other the second says which has to be withdrawn first', async () => {
    expect((await order({ cut: by })).status).to.equal(200)
    const other = { by: 'Sorrel Vane', at: '2026-03-28T23:20:00Z' }
    const refused = await order({ close: other })
    expect(refused.status).to.equal(422)
    expect(String(refused.body['detail'])).to.include('“Close it again” contradicts “Cut it open”, ordered by Merryn Sale')
    expect((await order({ cut: { ...other, withdrawn: true } })).status).to.equal(200)
    expect((await order({ close: other })).status).to.equal(200)
  })
})
