import { expect } from 'chai'
import { v7 as uuidv7 } from 'uuid'
import { paths } from '#contract/api/paths'
import type { CaseAnswer } from '#contract/api/answers'
import type { HandOverAnswer } from '#contract/api/hand-over'
import type { BoardAnswer, BoardRow } from '#contract/api/board'
import { unknownPatient } from '#contract/records/episode'
import { bothLegs } from '../../../src/server/demo/findings'
import { quietRound } from '../../harness/seed-case'
import { openCase, startHarness, type Answer, type Client, type Harness, type OpenedCase } from '../../harness/server-harness'

const minuteMs = 60_000

describe('what goes wrong on a ward', () => {
  let harness: Harness
  let ada: Client
  let tom: Client
  before(async () => {
    harness = await startHarness()
    ada = await harness.signIn('ada', ['clinician'])
    tom = await harness.signIn('tom', ['clinician'])
  })
  after(() => harness.stop())

  const wearing = async (): Promise<OpenedCase> => {
    const opened = await openCase(ada)
    await ada.sendAs(opened.caseStream, 'applied', {}, { at: new Date(harness.now).toISOString() })
    return opened
  }
  const round = (opened: OpenedCase, change: object = {}, findings: object = quietRound('leg-slab')): object => ({
    cases: [opened.caseStream.id],
    isBaseline: false,
    outcome: 'done',
    reason: '',
    findings,
    ...change,
  })
  const rowOf = async ({ caseStream }: OpenedCase): Promise<BoardRow | undefined> =>
    ((await ada.get(paths.board)).body as unknown as BoardAnswer).rows.find((row) => row.caseId === caseStream.id)
  const sendAt = (client: Client, opened: OpenedCase, body: object, minutesAgo: number): Promise<Answer> =>
    client.sendAs(opened.episodeStream, 'round', body, { at: new Date(harness.now - minutesAgo * minuteMs).toISOString() })
  const wordsOf = ({ body }: Answer): string => JSON.stringify(body['errors'] ?? body['detail'])

  it('an empty ward: Board, hand-over, downtime pack and history answer', async () => {
    expect(((await ada.get(paths.board)).body as unknown as BoardAnswer).rows).to.deep.equal([])
    expect(((await ada.get(paths.handOver('place='))).body as unknown as HandOverAnswer).lines).to.deep.equal([])
    expect((await ada.getBytes(paths.downtimePack('place='))).status).to.equal(200)
    expect((await ada.get(paths.history('q='))).body['rows']).to.deep.equal([])
    expect((await ada.get(paths.protocolEffects('in-force'))).body['cases']).to.deep.equal([])
  })

  it('a half-filled round is kept and leaves the round due', async () => {
    const opened = await wearing()
    harness.now += 14 * minuteMs
    const half = { limbs: [{ limb: 'leg', side: 'left', colour: 'pink', warmth: 'warm' }] }
    expect((await sendAt(ada, opened, round(opened, {}, half), 1)).status).to.equal(200)
    expect(Date.parse((await rowOf(opened))?.nextDueAt ?? '') - harness.now).to.equal(minuteMs)
    const sent = await sendAt(ada, opened, round(opened), 0)
    expect(sent.status).to.equal(200)
    expect(Date.parse((await rowOf(opened))?.nextDueAt ?? '') - harness.now).to.be.greaterThan(10 * minuteMs)
  })

  it('a time in the future is refused where somebody can set the clock right, and kept as of now where it waited', async () => {
    const opened = await wearing()
    const at = new Date(harness.now + 600 * minuteMs).toISOString()
    const send = (change: object): Promise<Answer> => ada.sendAs(opened.episodeStream, 'round', round(opened), { at, ...change })
    const refused = await send({})
    expect(refused.status).to.equal(422)
    expect(wordsOf(refused)).to.include('10 h ahead of the server: the clock of this device is fast')
    expect((await send({ queued: true })).body).to.include({ mark: 'clock-wrong' })
    const { episode } = (await ada.get(paths.case(opened.caseStream.id))).body as unknown as CaseAnswer
    expect(episode.rounds.map((one) => Date.parse(one.at))).to.deep.equal([harness.now])
  })

  it('rounds that come late and out of order stand in the order of their looks; a late urgent one alarms now', async () => {
    const opened = await wearing()
    harness.now += 40 * minuteMs
    await sendAt(ada, opened, round(opened, {}, { limbs: [{ limb: 'leg', side: 'left', colour: 'pink' }] }), 5)
    expect((await rowOf(opened))?.level).not.to.equal('urgent')
    await sendAt(tom, opened, round(opened, {}, bothLegs('left', { pulse: 'absent' })), 25)
    const row = await rowOf(opened)
    expect(row?.level).to.equal('urgent')
    expect(row?.answer).to.include({ by: null })
    const { episode } = (await ada.get(paths.case(opened.caseStream.id))).body as unknown as CaseAnswer
    expect(episode.rounds.map((one) => one.by)).to.have.members(['ada', 'tom'])
  })

  it('two nurses on one round: both are kept, the worse one governs', async () => {
    const opened = await wearing()
    harness.now += 15 * minuteMs
    const [quiet, loud] = await Promise.all([
      sendAt(ada, opened, round(opened), 0),
      sendAt(tom, opened, round(opened, {}, bothLegs('left', { restPain: 8, stretchPain: true })), 0),
    ])
    expect([quiet.status, loud.status]).to.deep.equal([200, 200])
    expect((await rowOf(opened))?.level).to.equal('urgent')
    const { episode } = (await ada.get(paths.case(opened.caseStream.id))).body as unknown as CaseAnswer
    expect(episode.rounds).to.have.length(2)
  })

  it('a name of 300 letters, a birth in the future and a place of 300 letters are refused with their field', async () => {
    const opened = await openCase(ada)
    const who = (change: object): Promise<Answer> => ada.send(opened.episodeStream, 'patient', { ...unknownPatient, ...change }, 2)
    const long = await who({ name: 'x'.repeat(300) })
    expect([long.status, wordsOf(long)]).to.satisfy(([status, words]: [number, string]) => status === 422 && words.includes('body/name'))
    const unborn = await who({ born: '2126-01-01' })
    expect([unborn.status, wordsOf(unborn)]).to.satisfy(
      ([status, words]: [number, string]) => status === 422 && words.includes('body/born'),
    )
    const far = await ada.send(opened.episodeStream, 'place', { place: 'x'.repeat(300) }, 2)
    expect([far.status, wordsOf(far)]).to.satisfy(([status, words]: [number, string]) => status === 422 && words.includes('body/place'))
  })

  it('a move to a bed that is taken is kept: two may lie there for a while, and the Board shows both', async () => {
    const [one, other] = [await wearing(), await wearing()]
    for (const opened of [one, other]) {
      const { episodeVersion } = (await ada.get(paths.case(opened.caseStream.id))).body as unknown as CaseAnswer
      expect((await ada.send(opened.episodeStream, 'place', { place: 'Ward A, bed 3' }, episodeVersion)).status).to.equal(200)
    }
    const { rows } = (await ada.get(paths.board)).body as unknown as BoardAnswer
    expect(rows.filter((row) => row.place === 'Ward A, bed 3')).to.have.length(2)
  })

  it('a round for a case that is not there, or of another patient, is refused', async () => {
    const [mine, other] = [await wearing(), await wearing()]
    const strange = await ada.send(mine.episodeStream, 'round', round(mine, { cases: [uuidv7()] }))
    expect([strange.status, (await rowOf(mine))?.level]).to.deep.equal([422, (await rowOf(mine))?.level])
    expect((await ada.send(mine.episodeStream, 'round', round(other))).status).to.equal(422)
  })
})
