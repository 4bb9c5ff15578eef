import { expect } from 'chai'
import { QueryTypes } from 'sequelize'
import { v7 as uuidv7 } from 'uuid'
import type { GroupsAnswer, SittingAnswer, SittingPost } from '#contract/api/practice'
import type { MarkBody, StationMark } from '#core/practice/stations/marks'
import { finishDrill } from '#core/practice/drill/finish-drill'
import { nights } from '#core/practice/drill/nights'
import { playNight } from '#core/practice/drill/players'
import { defaultProtocol } from '#core/quantities/defaults'
import type { DrillResult } from '#contract/records/practice'
import { findStation, planOfStation, stationIdOf } from '#core/practice/stations/shipped-stations'
import { stationContext } from '#core/practice/stations/station-context'
import type { Station } from '#core/practice/stations/station'
import { sheetsOf } from '#ward/practice/sitting-sheets'
import { startHarness, type Client, type Harness } from '../../harness/server-harness'
import { textsOf } from '../../harness/cases/flow-texts'
import { stationSheetBlocks } from '../../../src/server/papers/station-sheet-paper'
import { readPdf } from '../../harness/read-pdf'

const station = findStation(stationIdOf('frame-traction'), stationContext) as Station
const plan = planOfStation(station, stationContext)
if (!plan) throw new Error('no plan')
const required = new Set(station.required)
const steps = plan.procedure.steps.map((step) => step.id).filter((id) => required.has(id))

const mark = (atMs: number, what: MarkBody): StationMark => ({ id: uuidv7(), atMs, what })
const ticks = (ids: readonly string[], firstMs = 10_000): StationMark[] =>
  ids.map((stepId, index) => mark(firstMs + index * 10_000, { kind: 'tick', stepId }))

describe('stations examined', () => {
  let harness: Harness
  let trainee: Client
  let other: Client
  let examiner: Client
  let second: Client
  let lead: Client
  let viewer: Client
  before(async () => {
    harness = await startHarness()
    trainee = await harness.signIn('tilda', ['trainee'])
    other = await harness.signIn('osk', ['trainee'])
    examiner = await harness.signIn('edda', ['clinician'])
    second = await harness.signIn('stig', ['clinician'])
    lead = await harness.signIn('liv', ['lead'])
    viewer = await harness.signIn('vidar', ['viewer'])
  })
  after(() => harness.stop())

  const postOf = (marks: readonly StationMark[], change: Partial<SittingPost> = {}): SittingPost => ({
    way: 'examined',
    station,
    candidates: [{ id: trainee.personId, role: null }],
    begunAt: '2026-01-10T07:50:00.000Z',
    marks,
    ...change,
  })
  const keep = (client: Client, id: string, post: SittingPost) => client.post(`/api/practice/sittings/${id}`, post)
  const read = async (client: Client, id: string): Promise<SittingAnswer> => {
    const { status, body } = await client.get(`/api/practice/sittings/${id}`)
    expect(status).to.equal(200)
    return body as unknown as SittingAnswer
  }

  it('keeps what was marked: late, again, in any order, and undone', async () => {
    const id = uuidv7()
    const [first, slip, third] = [
      mark(1_000, { kind: 'tick', stepId: steps[0]! }),
      mark(2_000, { kind: 'tick', stepId: steps[3]! }),
      mark(3_000, { kind: 'tick', stepId: steps[1]! }),
    ]
    const undo = mark(2_500, { kind: 'undo', of: slip.id })
    for (const marks of [[third], [slip, first], [first, third, undo], []])
      expect((await keep(examiner, id, postOf(marks))).status).to.equal(200)
    const { sitting, isEnded } = await read(examiner, id)
    expect(isEnded).to.equal(false)
    expect(sitting.examiners[0]?.marks.map((one) => one.id)).to.deep.equal([first.id, slip.id, undo.id, third.id])
    expect(sheetsOf(sitting, plan, harness.now).result).to.equal(null)
  })

  it('shows a candidate the brief, the clock and what was told, and no mark before it is over', async () => {
    const id = uuidv7()
    await keep(examiner, id, postOf([...ticks(steps.slice(0, 3)), mark(5_000, { kind: 'told', ask: 0 })]))
    const running = await read(trainee, id)
    expect([running.isCandidate, running.isEnded, running.told, running.sitting.examiners]).to.deep.equal([true, false, [0], []])
    expect(running.sitting.begunAt).to.equal('2026-01-10T07:50:00.000Z')
    await keep(examiner, id, postOf([mark(90_000, { kind: 'end' })]))
    const over = await read(trainee, id)
    expect([over.isEnded, over.sitting.examiners.length]).to.deep.equal([true, 1])
  })

  it('lets two examiners end at once, each with a sheet of their own, blind until both have', async () => {
    const id = uuidv7()
    const end = () => mark(200_000, { kind: 'end' })
    await keep(examiner, id, postOf(ticks(steps)))
    await keep(second, id, postOf(ticks(steps.slice(0, -2))))
    expect((await read(second, id)).sitting.examiners.map((one) => one.name)).to.deep.equal(['stig'])
    const both = await Promise.all([keep(examiner, id, postOf([end()])), keep(second, id, postOf([end()]))])
    expect(both.map((answer) => answer.status)).to.deep.equal([200, 200])
    const { sheets, agreement, result } = sheetsOf((await read(trainee, id)).sitting, plan, harness.now)
    expect(sheets.map((sheet) => sheet.by.name)).to.deep.equal(['edda', 'stig'])
    expect(agreement?.apart).to.deep.equal(steps.slice(-2))
    expect(agreement?.observed).to.be.closeTo(1 - 2 / plan.procedure.steps.length, 1e-9)
    expect(result?.total).to.be.closeTo((sheets[0]!.score.total + sheets[1]!.score.total) / 2, 0.06)
  })

  it('is scored by what arrived where the examiner’s tablet is lost in mid-run, and by the rest where it comes back', async () => {
    const id = uuidv7()
    await keep(examiner, id, postOf(ticks(steps.slice(0, 4))))
    await keep(second, id, postOf([...ticks(steps), mark(300_000, { kind: 'end' })]))
    expect((await read(trainee, id)).isEnded).to.equal(false)
    const before = harness.now
    harness.now = before + 3 * 3_600_000
    const lost = await read(trainee, id)
    expect(lost.isEnded).to.equal(true)
    const scores = (answer: SittingAnswer) => sheetsOf(answer.sitting, plan, harness.now).sheets.map((sheet) => sheet.score.steps.length)
    expect(scores(lost)).to.deep.equal([4, steps.length])
    await keep(examiner, id, postOf([...ticks(steps.slice(4), 60_000), mark(300_000, { kind: 'end' })]))
    expect(scores(await read(trainee, id))).to.deep.equal([steps.length, steps.length])
    harness.now = before
  })

  it('keeps two tablets of two examiners that begin at the same moment as one run', async () => {
    const id = uuidv7()
    const answers = await Promise.all(
      [examiner, second, examiner, second].map((client) => keep(client, id, postOf(ticks(steps.slice(0, 2))))),
    )
    expect(answers.map((answer) => answer.status)).to.deep.equal([200, 200, 200, 200])
    const { body } = await lead.get('/api/practice/sittings')
    expect((body['sittings'] as readonly { id: string }[]).filter((one) => one.id === id)).to.have.length(1)
  })

  it('shows a trainee nothing of another’s: not the run, not the list, not the sheet, not their progress', async () => {
    const id = uuidv7()
    await keep(examiner, id, postOf([...ticks(steps), mark(300_000, { kind: 'end' })]))
    for (const path of ['', '/sheet.pdf', '/sheet.csv']) {
      expect((await other.get(`/api/practice/sittings/${id}${path}`)).status, path).to.equal(404)
      expect((await viewer.get(`/api/practice/sittings/${id}${path}`)).status, path).to.equal(404)
    }
    expect((await other.get('/api/practice/sittings')).body['sittings']).to.deep.equal([])
    const progress = (await other.get('/api/practice/progress')).body['progress'] as { readonly sittings: readonly unknown[] }
    expect(progress.sittings).to.deep.equal([])
    expect((await other.get('/api/practice/groups')).status).to.equal(403)
    // Alone is by oneself: an examiner does not see it, a trainer does.
    const alone = uuidv7()
    const post = postOf([mark(1_000, { kind: 'end' })], { way: 'alone', candidates: [{ id: other.personId, role: null }] })
    expect((await keep(other, alone, post)).status).to.equal(200)
    expect((await examiner.get(`/api/practice/sittings/${alone}`)).status).to.equal(404)
    expect((await lead.get(`/api/practice/sittings/${alone}`)).status).to.equal(200)
  })

  it('refuses who may not examine, and runs that are another’s, in words', async () => {
    const id = uuidv7()
    const cases: readonly (readonly [Client, Partial<SittingPost>, number, RegExp])[] = [
      [other, {}, 403, /may not examine/],
      [trainee, {}, 403, /Nobody examines themselves/],
      [examiner, { way: 'alone' }, 403, /only your own run/],
      [
        examiner,
        {
          candidates: [
            { id: trainee.personId, role: null },
            { id: other.personId, role: null },
          ],
        },
        422,
        /as a team, or choose one/,
      ],
      [examiner, { candidates: [{ id: uuidv7(), role: null }] }, 422, /nobody who is known here/],
      [examiner, { begunAt: '2031-01-01T00:00:00Z' }, 422, /set the clock/],
      [examiner, { marks: [mark(1, { kind: 'tick', stepId: 'dance' })] }, 422, /dance is no step of this station/],
      [examiner, { marks: [mark(1, { kind: 'answer', decision: 'mood', given: '4' })] }, 422, /not asked at this station/],
      [examiner, { station: { ...station, required: [] } }, 422, /at least one required step/],
      [examiner, { station: { ...station, limitS: 0 } }, 422, /time limit has to be/],
      [examiner, { station: { ...station, weights: [0] } as unknown as Station }, 422, /leave the weights out/],
      [
        examiner,
        { marks: [{ id: uuidv7(), atMs: 1, what: { kind: 'answer', given: 'many' } } as unknown as StationMark] },
        422,
        /decision is missing/,
      ],
      [examiner, { marks: [{ id: 'x', atMs: -1, what: { kind: 'end' } }] }, 422, /atMs/],
    ]
    for (const [client, change, status, words] of cases) {
      const answer = await keep(client, id, postOf([], change))
      expect([answer.status, String(answer.body['detail'])]).to.satisfy(
        ([got, detail]: [number, string]) => got === status && words.test(detail),
        `${String(words)}: ${answer.status} ${String(answer.body['detail'])}`,
      )
    }
    expect((await examiner.get(`/api/practice/sittings/${id}`)).status).to.equal(404)
    await keep(examiner, id, postOf([]))
    const taken = await keep(examiner, id, postOf([], { candidates: [{ id: other.personId, role: null }] }))
    expect([taken.status, taken.body['detail']]).to.deep.equal([409, 'Another run is kept under this id: begin a new one.'])
  })

  it('prints the sheet and gives it as a table once it is over; a text that looks like a formula stays text', async () => {
    const id = uuidv7()
    await keep(examiner, id, postOf(ticks(steps)))
    expect((await examiner.get(`/api/practice/sittings/${id}/sheet.pdf`)).status).to.equal(409)
    const given = station.asked[0]!.decision
    await keep(
      examiner,
      id,
      postOf([
        mark(10, { kind: 'answer', decision: given, given: '=1+1' }),
        mark(20, { kind: 'critical', error: 'pull-let-go' }),
        mark(800_000, { kind: 'end' }),
      ]),
    )
    const { bytes } = await trainee.getBytes(`/api/practice/sittings/${id}/sheet.pdf?sheet=a4&zone=Europe/Oslo`)
    expect((await readPdf(bytes)).length).to.be.greaterThan(0)
    const { sitting, bands } = await read(trainee, id)
    const text = textsOf(stationSheetBlocks(sitting, sheetsOf(sitting, plan, harness.now), bands, 'Europe/Oslo')).join(' ')
    for (const words of ['Practice, no patient', 'failed: critical', 'Pull let go', '=1+1', '10 Jan 2026, 08:50'])
      expect(text).to.include(words)
    const csv = String((await trainee.get(`/api/practice/sittings/${id}/sheet.csv`)).body['text'])
    expect(csv.split('\r\n')[0]).to.match(/^practice,examiner,total,passed,step/)
    expect(csv.split('\r\n').filter((line) => line.startsWith('no patient,edda,'))).to.have.length(steps.length + station.asked.length)
    expect(csv).to.include("'=1+1")
  })

  it('shows how long others took once three have done it, and never one’s own', async () => {
    const own = { ...station, id: 'band', name: 'Band' }
    const people = [other, second, lead]
    for (const [index, client] of people.entries())
      await keep(
        client,
        uuidv7(),
        postOf([mark(1_000 * (index + 1), { kind: 'tick', stepId: steps[0]! }), mark(9_000, { kind: 'end' })], {
          way: 'alone',
          station: own,
          candidates: [{ id: client.personId, role: null }],
        }),
      )
    const id = uuidv7()
    await keep(examiner, id, postOf([mark(60_000, { kind: 'tick', stepId: steps[0]! }), mark(61_000, { kind: 'end' })], { station: own }))
    const { bands } = await read(trainee, id)
    expect(bands).to.deep.equal([{ stepId: steps[0], lowMs: 1_500, medianMs: 2_000, highMs: 2_500 }])
  })

  it('says to a trainer who has done what, what fails most, how the times lie, and counts supervised cases beside', async () => {
    const id = uuidv7()
    const members = [trainee.personId, other.personId]
    expect((await examiner.post(`/api/practice/groups/${id}`, { name: 'Spring', members })).status).to.equal(403)
    expect((await lead.post(`/api/practice/groups/${id}`, { name: 'Spring', members })).status).to.equal(200)
    const { body } = await lead.get('/api/practice/groups')
    const [group] = (body as unknown as GroupsAnswer).groups
    expect(group?.name).to.equal('Spring')
    const tilda = group?.overview.members.find((member) => member.name === 'tilda')
    expect(tilda?.progress.techniques[0]?.count).to.be.greaterThan(2)
    expect(Date.parse(tilda?.progress.techniques[0]?.dueAt ?? '')).to.be.greaterThan(harness.now - 60_000)
    expect(group?.overview.steps.every((step) => step.count <= step.of)).to.equal(true)
    expect(group?.overview.times.length).to.be.greaterThan(0)
    expect(group?.overview.examiners.sittings).to.be.greaterThan(0)
    expect(group?.overview.examiners.steps.every((step) => step.count > 0 && step.count <= step.of)).to.equal(true)
    expect((await lead.post(`/api/practice/groups/${id}`, { name: '', members })).status).to.equal(422)
    await lead.post(`/api/practice/groups/${id}`, { name: 'Spring', members: [] })
    expect((await lead.get('/api/practice/groups')).body['groups']).to.deep.equal([])
  })

  it('keeps stations that somebody made, offers them to all, and takes them out again', async () => {
    const id = uuidv7()
    expect((await trainee.post(`/api/practice/stations/${id}`, { station })).status).to.equal(403)
    const bad = await examiner.post(`/api/practice/stations/${id}`, { station: { ...station, name: '' } })
    expect([bad.status, (bad.body['errors'] as readonly { path: string }[])[0]?.path]).to.deep.equal([422, 'station/name'])
    expect((await examiner.post(`/api/practice/stations/${id}`, { station: { ...station, name: 'Ours' } })).status).to.equal(200)
    const offered = async (): Promise<readonly { readonly station: Station }[]> =>
      (await trainee.get('/api/practice/stations')).body['stations'] as unknown as readonly { readonly station: Station }[]
    expect((await offered()).map((one) => [one.station.id, one.station.name])).to.deep.equal([[id, 'Ours']])
    await examiner.post(`/api/practice/stations/${id}/drop`, {})
    expect(await offered()).to.deep.equal([])
  })

  it('touches neither Board nor stock nor history nor any event', async () => {
    const counts = async (): Promise<unknown> =>
      Promise.all(
        ['events', 'cases', 'episodes', 'stock_movements', 'patient_reads', 'pages'].map((table) =>
          harness.db.query(`SELECT COUNT(*) AS count FROM ${table}`, { type: QueryTypes.SELECT }),
        ),
      )
    const before = await counts()
    const id = uuidv7()
    await keep(examiner, id, postOf([...ticks(steps), mark(300_000, { kind: 'end' })]))
    await read(trainee, id)
    expect(await counts()).to.deep.equal(before)
    expect((await lead.get('/api/board')).body['rows'] ?? []).to.deep.equal([])
  })
})

describe('nights of the drill', () => {
  let harness: Harness
  let trainee: Client
  let lead: Client
  before(async () => {
    harness = await startHarness()
    trainee = await harness.signIn('tilda', ['trainee'])
    lead = await harness.signIn('liv', ['lead'])
  })
  after(() => harness.stop())
  const night = nights[0]!
  const seed = '1234567890'.repeat(4)
  const post = (id: string, body: object) => trainee.post(`/api/practice/drills/${id}`, { night: night.id, seed, moves: [], ...body })
  const nightsOf = async (client: Client): Promise<readonly DrillResult[]> =>
    ((await client.get('/api/practice/progress')).body['progress'] as { drills: readonly DrillResult[] }).drills

  it('are played again by the server, which takes no score from a page, and kept once', async () => {
    const { moves } = playNight('by-list', night, seed, defaultProtocol)
    const id = uuidv7()
    for (let again = 0; again < 2; again++) {
      const { status, body } = await post(id, { moves })
      expect([status, body['score'], body['byList']]).to.deep.equal([200, body['byList'], body['byList']])
    }
    const mine = await nightsOf(trainee)
    const own = finishDrill(night, seed, moves, defaultProtocol)
    expect(mine.map((result) => [result.night, result.seed, result.score, result.perfect])).to.deep.equal([
      [night.id, seed, own.score.score, own.perfect.score],
    ])
    expect(await nightsOf(lead)).to.deep.equal([])
  }).timeout(30_000)

  it('are counted up to where they were ended', async () => {
    const { status, body } = await post(uuidv7(), { endedAtMin: 90 })
    const own = finishDrill(night, seed, [], defaultProtocol, 90)
    expect([status, body['score']]).to.deep.equal([200, JSON.parse(JSON.stringify(own.score))])
    expect((await nightsOf(trainee)).map((result) => result.endedAtMin).sort()).to.deep.equal([90, null])
  }).timeout(30_000)

  it('are refused in words where they cannot be: a strange night, a bed that there is not, a long seed, moves that are none', async () => {
    const bad: readonly (readonly [object, RegExp])[] = [
      [{ night: 'noon' }, /night cannot be "noon"/],
      [{ moves: [{ kind: 'raise', atMin: 3, bed: 19 }] }, /bed is none of this night: choose one of 1 to 4/],
      [{ seed: 'x'.repeat(41) }, /seed/],
      [{ moves: [{ kind: 'dance', atMin: 3, bed: 1 }] }, /kind cannot be "dance"/],
      [{ moves: [{ kind: 'look', atMin: 3, bed: 1 }] }, /wakes is missing/],
      [
        { moves: [{ kind: 'record', atMin: 3, bed: 1, analgesia: false, limbs: [{ limb: 'tail', side: 'left' }] }] },
        /limb cannot be "tail"/,
      ],
      [{ moves: [{ kind: 'raise', atMin: -1, bed: 1 }] }, /atMin/],
      [{ endedAtMin: 90.5 }, /endedAtMin/],
      [{ endedAtMin: 59 }, /endedAtMin/],
    ]
    for (const [body, words] of bad) {
      const answer = await post(uuidv7(), body)
      expect([answer.status, String(answer.body['detail'])]).to.satisfy(
        ([status, detail]: [number, string]) => status === 422 && words.test(detail),
        `${String(words)}: ${answer.status} ${String(answer.body['detail'])}`,
      )
    }
    expect(await nightsOf(trainee)).to.have.length(2)
  })
})
