import { expect } from 'chai'
import { v7 as uuidv7 } from 'uuid'
import type { GroupToSign } from '#contract/api/countersign'
import { openCase, reading, startHarness, type Client, type Harness, type OpenedCase } from '../../harness/server-harness'

describe('entries of trainees', () => {
  let harness: Harness
  let teodor: Client
  let ada: Client
  let opened: OpenedCase
  beforeEach(async () => {
    harness = await startHarness()
    teodor = await harness.signIn('teodor', ['trainee'])
    ada = await harness.signIn('ada', ['clinician'])
    opened = await openCase(ada)
  })
  afterEach(() => harness.stop())

  const groups = async (who = ada): Promise<readonly GroupToSign[]> =>
    (await who.get('/api/countersign')).body['groups'] as readonly GroupToSign[]
  const waiting = async (): Promise<unknown> => (await ada.get('/api/board')).body['toCountersign']
  const sign = (events: readonly string[], who = ada, stay = opened.episodeStream) =>
    who.send(stay, 'countersigned', { events: [...events] })

  it('act at once, and wait in a list with what they say; a clinician’s own wait for nobody', async () => {
    await ada.send(opened.caseStream, 'reading', reading('calf-girth', 'left', 38))
    expect(await groups()).to.deep.equal([])
    expect((await teodor.send(opened.caseStream, 'reading', reading('ankle-girth', 'left', 26))).status).to.equal(200)
    await teodor.send(opened.caseStream, 'note', { text: 'Toes warm.' })
    await teodor.send(opened.caseStream, 'run-lease', { runId: uuidv7(), device: 'tablet' })
    await teodor.send(opened.episodeStream, 'worry', { text: 'Quieter than this morning' })
    const { record } = (await ada.get(`/api/cases/${opened.caseStream.id}`)).body as { record: { measurements: readonly { id: string }[] } }
    expect(record.measurements.map((measurement) => measurement.id)).to.include('ankle-girth')
    const [first, ...rest] = await groups()
    expect(first).to.include({ by: 'teodor', place: 'Bay 1', caseId: opened.caseStream.id })
    expect(first?.technique).to.be.a('string').and.not.equal('')
    const words = [first, ...rest].flatMap((one) => one?.entries.map((entry) => entry.words) ?? [])
    expect(words).to.include('Ankle girth, left: 26 cm by tape').and.to.include('Note: Toes warm.')
    expect(await waiting()).to.equal(words.length)
  })

  it('what a senior said by telephone waits for a name too, whoever entered it; said by themselves it does not', async () => {
    const said = {
      by: 'Otto Marlowe-Pike',
      answer: 'words',
      what: 'open it, I am in theatre',
      saw: [{ id: 'leg-left/pulse', level: 'urgent' }],
    }
    expect((await ada.send(opened.caseStream, 'senior-decision', { ...said, how: 'self' })).status).to.equal(200)
    expect(await waiting()).to.equal(0)
    expect((await ada.send(opened.caseStream, 'senior-decision', { ...said, how: 'telephone' })).status).to.equal(200)
    const otto = await harness.signIn('otto', ['lead'])
    const [group] = await groups(otto)
    expect(group).to.include({ signer: 'a lead', isYours: true })
    const bram = await harness.signIn('bram', ['clinician'])
    expect((await groups(bram))[0]).to.include({ signer: 'a lead', isYours: false })
    expect(group?.entries.map((entry) => entry.words)).to.deep.equal(['Otto Marlowe-Pike, by telephone: open it, I am in theatre'])
    const ids = group!.entries.map((entry) => entry.eventId)
    expect((await sign(ids)).status, 'not by whoever entered it').to.equal(422)
    expect((await sign(ids, bram)).status, 'not by another clinician: they did not say it').to.equal(422)
    expect((await sign(ids, otto)).status).to.equal(200)
  })

  it('an order by telephone waits for the name of who gave it, whoever entered it; by voice it does not', async () => {
    const order = { by: 'Otto Marlowe-Pike', at: '2026-03-28T23:10:00Z', kg: 5 }
    expect((await ada.send(opened.caseStream, 'ordered', { ordered: { pull: { ...order, how: 'voice' } } })).status).to.equal(200)
    expect(await waiting()).to.equal(0)
    expect((await ada.send(opened.caseStream, 'ordered', { ordered: { pull: { ...order, how: 'telephone' } } })).status).to.equal(200)
    const otto = await harness.signIn('otto', ['lead'])
    const [group] = await groups(otto)
    expect(group).to.include({ signer: 'a lead', isYours: true })
    expect(group?.entries.map((entry) => entry.words)).to.deep.equal(['Pull 5 kg, ordered by Otto Marlowe-Pike, telephone'])
  })

  it('what a senior with an account said is signed by that senior alone; once the account has ended, by a lead', async () => {
    const said = { answer: 'words', what: 'open it', how: 'telephone', saw: [{ id: 'leg-left/pulse', level: 'urgent' }] }
    const bram = await harness.signIn('bram', ['clinician'])
    const otto = await harness.signIn('otto', ['lead'])
    const toSign = async (who: Client): Promise<unknown> => (await who.get('/api/board')).body['toCountersign']
    for (const by of ['Bram, orthopaedic registrar', 'bram'])
      expect((await ada.send(opened.caseStream, 'senior-decision', { ...said, by })).status).to.equal(200)
    expect(await Promise.all([bram, otto, ada].map(toSign))).to.deep.equal([2, 0, 0])
    const [group] = await groups(otto)
    expect(group).to.include({ signer: 'bram', isYours: false })
    expect((await groups(bram))[0]).to.include({ signer: 'bram', isYours: true })
    const [first, second] = group!.entries.map((entry) => entry.eventId)
    expect((await sign([first!], otto)).status, 'not by a lead while the senior has an account').to.equal(422)
    expect((await sign([first!], bram)).status).to.equal(200)
    const greta = await harness.signIn('greta', ['admin'])
    expect((await greta.post(`/api/admin/people/${bram.personId}/actions`, { action: 'end' })).status).to.equal(200)
    expect((await groups(otto))[0]).to.include({ signer: 'a lead', isYours: true })
    expect((await sign([second!], otto)).status).to.equal(200)
  })

  it('a senior whose name two have, or who is said to have telephoned themselves, is stood for by a lead', async () => {
    const said = { answer: 'words', what: 'open it', how: 'telephone', saw: [{ id: 'leg-left/pulse', level: 'urgent' }] }
    expect((await ada.send(opened.caseStream, 'senior-decision', { ...said, by: 'ada' })).status).to.equal(200)
    const otto = await harness.signIn('otto', ['lead'])
    expect((await groups(otto)).map((one) => [one.signer, one.isYours])).to.deep.equal([['a lead', true]])
  })

  it('are signed by a clinician, all or none, once', async () => {
    await teodor.send(opened.caseStream, 'reading', reading('ankle-girth', 'left', 26))
    await teodor.send(opened.caseStream, 'note', { text: 'Toes warm.' })
    const ids = (await groups())[0]!.entries.map((entry) => entry.eventId)
    expect(ids).to.have.length(2)
    const stranger = await sign([...ids, uuidv7()])
    expect([stranger.status, await waiting()]).to.deep.equal([422, 2])
    const other = await openCase(ada)
    expect((await sign(ids, ada, other.episodeStream)).status).to.equal(422)
    expect((await sign([])).status).to.equal(422)
    expect((await sign(ids)).status).to.equal(200)
    expect([await waiting(), await groups()]).to.deep.equal([0, []])
    const again = await sign(ids)
    expect([again.status, JSON.stringify(again.body)]).to.satisfy(
      ([status, text]: [number, string]) => status === 422 && text.includes('signed meanwhile'),
    )
  })

  it('two who sign at once: one does', async () => {
    const bram = await harness.signIn('bram', ['clinician'])
    await teodor.send(opened.caseStream, 'note', { text: 'Toes warm.' })
    const ids = (await groups())[0]!.entries.map((entry) => entry.eventId)
    const answers = await Promise.all([sign(ids), sign(ids, bram)])
    expect(answers.map((answer) => answer.status).sort()).to.deep.equal([200, 422])
  })

  it('are signed by nobody who may not decide, and by nobody for themselves', async () => {
    await teodor.send(opened.caseStream, 'note', { text: 'Toes warm.' })
    const ids = (await groups())[0]!.entries.map((entry) => entry.eventId)
    expect((await sign(ids, teodor)).status).to.equal(403)
    expect((await teodor.get('/api/countersign')).status).to.equal(403)
    expect((await teodor.get('/api/board')).body).not.to.have.property('toCountersign')
    const greta = await harness.signIn('greta', ['admin'])
    await greta.post(`/api/admin/people/${teodor.personId}/roles`, { roles: ['trainee', 'clinician'] })
    expect(await groups(teodor)).to.deep.equal([])
    expect((await sign(ids, teodor)).status).to.equal(422)
    expect(await waiting()).to.equal(1)
  })

  it('an entry that came twice waits once', async () => {
    const id = uuidv7()
    for (let times = 0; times < 2; times++)
      expect((await teodor.sendAs(opened.caseStream, 'note', { text: 'Toes warm.' }, { id })).status).to.equal(200)
    expect(await waiting()).to.equal(1)
  })
})
