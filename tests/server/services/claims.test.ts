import { expect } from 'chai'
import { defaultProtocol } from '#core/quantities/defaults'
import { v7 as uuidv7 } from 'uuid'
import type { CaseRecord } from '#contract/records/case'
import type { EpisodeRecord } from '#contract/records/episode'
import type { EventInput } from '#contract/event'
import { toClinicalCase } from '#ward/case/clinical-case'
import { bothLegs } from '../../../src/server/demo/findings'
import { goodBodies } from '../../harness/cases/good-events'
import { openCase, reading, startHarness, type Answer, type Client, type Harness, type OpenedCase } from '../../harness/server-harness'

/** What an event says of time, ids, others' work and what it names is held against what the server knows. */
describe('what an event may claim', () => {
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

  const fetchCase = async (of = opened) =>
    (await ada.get(`/api/cases/${of.caseStream.id}`)).body as unknown as {
      record: CaseRecord
      version: number
      episode: EpisodeRecord
      episodeVersion: number
    }
  const errorsOf = (answer: Answer): readonly { path: string; code: string; message: string }[] =>
    (answer.body['errors'] ?? []) as { path: string; code: string; message: string }[]
  const roundOf = (change = {}) => ({
    cases: [opened.caseStream.id],
    isBaseline: false,
    outcome: 'done',
    reason: '',
    findings: bothLegs('left'),
    ...change,
  })
  const note = (text: string, envelope: Partial<EventInput> = {}) => ada.sendAs(opened.caseStream, 'note', { text }, envelope)

  describe('of a figure', () => {
    for (const [what, value] of [
      ['text for a list', '18, 30, 45'],
      ['a million layers', 1e6],
      ['a billion layers', 1e9],
      ['half a layer', 7.5],
      ['yes', true],
      ['a list', [7, 8]],
      ['something with fields', { layers: 7 }],
    ] as const) {
      it(`${what} is refused with the range, and the case goes on`, async () => {
        const { version } = await fetchCase()
        const body = { decision: 'slab-layers', value, reason: 'tried by hand' }
        const answer = await ada.send(opened.caseStream, 'overrule', body as object, version)
        expect(answer.status).to.equal(422)
        expect(errorsOf(answer).some((error) => error.path.startsWith('body/value'))).to.equal(true)
        expect((await fetchCase()).version).to.equal(version)
        expect((await note('still here')).status).to.equal(200)
      })
    }

    it('a decision that the technique does not make is refused', async () => {
      const answer = await ada.send(opened.caseStream, 'overrule', { decision: 'cast-layers', value: 7, reason: 'tried by hand' })
      expect(answer.status).to.equal(422)
      expect(errorsOf(answer)[0]).to.include({ code: 'out-of-range', path: 'body/value' })
    })

    it('one that was kept before there were ranges is said to be unusable, and the case can be read, planned and mended', async () => {
      const { record, version, episode } = await fetchCase()
      const old = {
        ...record,
        overrules: [{ decision: 'slab-width', value: '18, 30, 45', reason: 'by hand', by: 'ada', at: record.openedAt }],
      }
      await harness.db.query('UPDATE cases SET snapshot = :snapshot WHERE id = :id', {
        replacements: { snapshot: JSON.stringify(old), id: opened.caseStream.id },
      })
      // A server that was started since: the one that wrote the case remembers it.
      const later = await startHarness({ keeps: true })
      after(() => later.stop())
      const bram = await later.signIn('bram-later', ['clinician'])
      const answer = await bram.send(opened.caseStream, 'reading', reading('calf-girth', 'left', 38))
      expect(answer.status).to.equal(200)
      expect((await later.doubtsOf(opened.caseStream.id)).problems.map((problem) => problem.path)).to.include('overrules/slab-width')
      expect((await bram.send(opened.caseStream, 'options', { options: { extent: 'above-knee' } })).status).to.equal(200)
      expect(
        (await later.planner.planNow(toClinicalCase(old, episode), defaultProtocol))?.problems.map((problem) => problem.path),
      ).to.include('overrules/slab-width')
      const mended = await bram.send(opened.caseStream, 'overrule', { decision: 'slab-width', value: 12, reason: 'scar' }, version + 2)
      expect(mended.status).to.equal(200)
      expect((await later.doubtsOf(opened.caseStream.id)).problems.map((problem) => problem.path)).not.to.include('overrules/slab-width')
    })
  })

  describe('of time', () => {
    it('more than five minutes ahead is refused at the field, in the words of the clock', async () => {
      expect((await note('just ahead', { at: '2026-01-10T08:04:59Z' })).status).to.equal(200)
      const answer = await note('from tomorrow', { at: '2026-01-11T08:00:00Z' })
      expect(answer.status).to.equal(422)
      expect(answer.body['type']).to.equal('urn:zesty-wren:error:clock')
      expect(errorsOf(answer)[0]).to.include({ path: 'at' })
      expect(answer.body['detail']).to.match(/24 h ahead .*clock of this device is fast/)
    })

    it('out of an outbox it is kept at its receipt, and says that the clock was wrong', async () => {
      const answer = await ada.sendAs(opened.episodeStream, 'round', roundOf(), { at: '2026-01-10T20:00:00Z', queued: true })
      expect(answer.status).to.equal(200)
      expect(answer.body['mark']).to.equal('clock-wrong')
      const [round] = (await fetchCase()).episode.rounds
      expect(round).to.include({ at: '2026-01-10T08:00:00.000Z', mark: 'clock-wrong' })
    })

    it('far back is kept and marked late; a few minutes back is not', async () => {
      expect((await note('a while ago', { at: '2026-01-10T07:01:00Z' })).body).not.to.have.property('mark')
      expect((await note('yesterday', { at: '2026-01-09T08:00:00Z' })).body['mark']).to.equal('late')
      expect((await note('in the zone of the place', { at: '2026-01-10T09:00:00+01:00' })).body).not.to.have.property('mark')
    })

    it('an application may precede the stay; a round may not precede birth', async () => {
      await ada.send(opened.episodeStream, 'patient', goodBodies.patient)
      expect((await ada.sendAs(opened.caseStream, 'applied', {}, { at: '2026-01-10T03:00:00Z' })).status).to.equal(200)
      const answer = await ada.sendAs(opened.episodeStream, 'round', roundOf(), { at: '1988-03-01T12:00:00Z' })
      expect(answer.status).to.equal(422)
      expect(errorsOf(answer)[0]).to.include({ path: 'at' })
      expect((await ada.sendAs(opened.episodeStream, 'round', roundOf(), { at: '1988-03-03T12:00:00Z' })).status).to.equal(200)
    })

    for (const at of ['2026-02-30T08:00:00Z', '2026-01-10T25:00:00Z', '2026-01-10', '2026-01-10T08:00:00', '0001-01-01T00:00:00Z', 'now']) {
      it(`${at} is no moment`, async () => {
        const answer = await note('when?', { at })
        expect(answer.status).to.equal(422)
        expect(errorsOf(answer).map((error) => error.path)).to.deep.equal(['at'])
      })
    }

    it('a zone is one that there is', async () => {
      const open = (zone: string) =>
        ada.send({ type: 'episode', id: uuidv7() }, 'episode-opened', { patientId: uuidv7(), place: 'Bay 1', zone })
      expect((await open('Etc/UTC')).status).to.equal(200)
      for (const zone of ['Mars/Base', '', '+25:00', 'utc; drop']) expect((await open(zone)).status, zone).to.equal(422)
    })
  })

  describe('of ids', () => {
    for (const [what, id] of [
      ['capitals', '01A21089-7E89-7D7D-8DBD-A7FC9A943FE8'],
      ['braces', '{01a21089-7e89-7d7d-8dbd-a7fc9a943fe8}'],
      ['no hyphens', '01a210897e897d7d8dbda7fc9a943fe8'],
    ] as const) {
      it(`have one form: not with ${what}`, async () => {
        const answer = await note('x', { id })
        expect(answer.status).to.equal(422)
        expect(errorsOf(answer).map((error) => error.path)).to.deep.equal(['id'])
      })
    }

    it('a base is a whole number that the database can hold', async () => {
      for (const base of [2 ** 31, 1e18, -1, 0.5]) {
        expect((await ada.sendAs(opened.caseStream, 'setup', goodBodies.setup, { base })).status, String(base)).to.equal(422)
      }
    })
  })

  describe('of others’ work', () => {
    it('a trainee’s change of technique does not drop what a clinician overruled or accepted', async () => {
      const tobin = await harness.signIn(`tobin-${uuidv7()}`, ['trainee'])
      const { version } = await fetchCase()
      expect((await tobin.send(opened.caseStream, 'technique', { technique: 'slab-and-stirrup' }, version)).status).to.equal(200)
      await ada.send(opened.caseStream, 'overrule', { decision: 'slab-width', value: 12, reason: 'old scar' }, version + 1)
      const refused = await tobin.send(opened.caseStream, 'technique', { technique: 'leg-slab' }, version + 2)
      expect(refused.status).to.equal(403)
      expect(refused.body['detail']).to.match(/ask a clinician/)
      expect((await fetchCase()).record).to.deep.include({ technique: 'slab-and-stirrup' })
      expect((await fetchCase()).record.overrules).to.have.length(1)
      expect((await ada.send(opened.caseStream, 'technique', { technique: 'leg-slab' }, version + 2)).status).to.equal(200)
    })

    it('orders carry who entered them, whoever gave them', async () => {
      await ada.send(opened.caseStream, 'orders', { orders: { weight: { by: 'Merryn Sale', at: '08:10' } } })
      expect((await fetchCase()).record.ordersEntered).to.deep.equal({ by: 'ada', at: '2026-01-10T08:00:00Z' })
    })

    it('a moved reading is the one that was taken, whatever its sender says of it', async () => {
      const lead = await harness.signIn(`lena-${uuidv7()}`, ['lead'])
      const other = await openCase(ada)
      const taken = await ada.send(opened.caseStream, 'reading', reading('calf-girth', 'left', 38))
      const key = String(taken.body['id'])
      const into = (envelope: Partial<EventInput> = {}, body: object = {}) =>
        lead.sendAs(
          other.caseStream,
          'moved-in',
          { key, fromCase: opened.caseStream.id, reason: 'typed into the wrong case', ...body },
          envelope,
        )
      expect((await into()).status, 'not moved out yet').to.equal(422)
      const { version } = await fetchCase()
      const out = { key, toCase: other.caseStream.id, reason: 'typed into the wrong case' }
      expect((await lead.send(opened.caseStream, 'moved-out', { ...out, toCase: uuidv7() }, version)).status).to.equal(422)
      expect((await lead.send(opened.caseStream, 'moved-out', out, version)).status).to.equal(200)
      expect((await into({}, { key: uuidv7() })).status, 'no such reading').to.equal(422)
      const id = uuidv7()
      const forged = { measurement: { id: 'calf-girth', side: 'right', value: 99, unit: 'cm', key, by: 'nobody' } }
      expect((await into({ id }, forged)).status).to.equal(200)
      expect((await into({ id }, forged)).status, 'the same again').to.equal(200)
      const { record } = await fetchCase(other)
      expect(record.measurements).to.have.length(1)
      expect(record.measurements[0]).to.include({ id: 'calf-girth', side: 'left', value: 38, by: 'ada' })
    })

    it('an entry of a version that is not known here is refused at its version', async () => {
      const newer = await ada.sendAs(opened.caseStream, 'note', { text: 'x' }, { v: 9 })
      expect(newer.status).to.equal(422)
      expect(errorsOf(newer)[0]).to.include({ path: 'v' })
    })
  })

  describe('once the device is off', () => {
    beforeEach(async () => {
      await ada.sendAs(opened.caseStream, 'applied', {}, { at: '2026-01-10T07:30:00Z' })
      const { version } = await fetchCase()
      await ada.sendAs(opened.caseStream, 'removed', { reason: 'changed for a cast' }, { base: version, at: '2026-01-10T07:50:00Z' })
    })

    it('rounds, notes and corrections are taken', async () => {
      expect((await ada.send(opened.episodeStream, 'round', roundOf())).status).to.equal(200)
      expect((await note('toes warm')).status).to.equal(200)
      expect((await ada.send(opened.caseStream, 'reading-withdrawn', { key: uuidv7() })).status).to.equal(200)
    })

    it('nothing else is, and the answer says what to do', async () => {
      const answer = await ada.send(opened.caseStream, 'reading', reading('calf-girth', 'left', 38))
      expect(answer.status).to.equal(409)
      expect(answer.body['type']).to.equal('urn:zesty-wren:error:removed')
      const { version } = await fetchCase()
      expect((await ada.send(opened.caseStream, 'setup', goodBodies.setup, version)).status).to.equal(409)
      expect((await ada.send(opened.caseStream, 'removed', { reason: 'off again' }, version)).status).to.equal(409)
    })

    it('what was timed before it is, and says that it is late', async () => {
      const late = await ada.sendAs(opened.caseStream, 'reading', reading('calf-girth', 'left', 38), { at: '2026-01-10T07:45:00Z' })
      expect([late.status, late.body['mark']]).to.deep.equal([200, 'late'])
    })
  })

  describe('of a round that it puts right', () => {
    const right = (round: string, why = 'other leg') =>
      roundOf({ findings: bothLegs('left', { pulse: 'present' }), corrects: { round, why } })

    it('counts at the time of the look, and what was entered first stays readable', async () => {
      const wrong = await ada.send(opened.episodeStream, 'round', roundOf({ findings: bothLegs('left', { pulse: 'absent' }) }))
      expect((await ada.send(opened.episodeStream, 'round', right(String(wrong.body['id'])))).status).to.equal(200)
      const { episode } = await fetchCase()
      expect(episode.rounds).to.have.length(1)
      expect(episode.rounds[0]?.findings.limbs[0]?.pulse).to.equal('present')
      expect(episode.correctedRounds?.[0]).to.deep.include({ why: 'other leg', correctedBy: 'ada' })
      expect(episode.correctedRounds?.[0]?.findings.limbs[0]?.pulse).to.equal('absent')
      expect(episode.rounds[0]?.at).to.equal(episode.correctedRounds?.[0]?.at)
    })

    it('is there, says why, and is their own or a clinician’s to put right', async () => {
      const wrong = String((await ada.send(opened.episodeStream, 'round', roundOf())).body['id'])
      const trainee = await harness.signIn(`nan-${uuidv7()}`, ['trainee'])
      expect((await trainee.send(opened.episodeStream, 'round', right(wrong))).status).to.equal(403)
      const own = String((await trainee.send(opened.episodeStream, 'round', roundOf())).body['id'])
      expect(errorsOf(await trainee.send(opened.episodeStream, 'round', right(own, ' ')))[0]?.path).to.include('corrects/why')
      expect((await trainee.send(opened.episodeStream, 'round', right(own))).status).to.equal(200)
      const again = await trainee.send(opened.episodeStream, 'round', right(own))
      expect([again.status, errorsOf(again)[0]?.path]).to.deep.equal([422, 'body/corrects/round'])
    })
  })

  it('of a round: it is of who entered it, not of whoever has the same name', async () => {
    const [nan, other] = await Promise.all(['nan-one', 'nan-two'].map((name) => harness.signIn(`${name}-${uuidv7()}`, ['trainee'])))
    await harness.db.query('UPDATE people SET name = :name WHERE id IN (:ids)', {
      replacements: { name: 'Nan Teal', ids: [nan!.personId, other!.personId] },
    })
    const own = String((await nan!.send(opened.episodeStream, 'round', roundOf())).body['id'])
    const right = roundOf({ corrects: { round: own, why: 'other leg' } })
    expect((await other!.send(opened.episodeStream, 'round', right)).status).to.equal(403)
    expect((await nan!.send(opened.episodeStream, 'round', right)).status).to.equal(200)
  })

  describe('of when somebody was born', () => {
    for (const [born, words] of [
      ['2126-01-01', /future/],
      ['1985-02-30', /no day there is/],
    ] as const) {
      it(`${born} is refused`, async () => {
        const { episode, episodeVersion } = await fetchCase()
        const answer = await ada.send(opened.episodeStream, 'patient', { ...episode.patient, born }, episodeVersion)
        expect(answer.status).to.equal(422)
        expect(errorsOf(answer)[0]).to.deep.include({ path: 'body/born' })
        expect(errorsOf(answer)[0]?.message).to.match(words)
      })
    }
  })

  describe('of what it names', () => {
    it('a round serves cases of its own stay', async () => {
      const other = await openCase(ada)
      const answer = await ada.send(opened.episodeStream, 'round', roundOf({ cases: [opened.caseStream.id, other.caseStream.id] }))
      expect(answer.status).to.equal(422)
      expect(errorsOf(answer)[0]).to.include({ path: 'body/cases/1' })
    })

    it('a case replaces, or goes with, cases of the same patient', async () => {
      const other = await openCase(ada)
      const open = (body: object) =>
        ada.send({ type: 'case', id: uuidv7() }, 'case-opened', {
          episodeId: opened.episodeStream.id,
          injuryId: opened.injuryId,
          technique: 'leg-cast',
          ...body,
        })
      expect((await open({ replaces: opened.caseStream.id, with: [opened.caseStream.id] })).status).to.equal(200)
      expect(errorsOf(await open({ replaces: other.caseStream.id }))[0]).to.include({ path: 'body/replaces' })
      expect(errorsOf(await open({ with: [opened.caseStream.id, uuidv7()] }))[0]).to.include({ path: 'body/with/1' })
    })

    it('places and cases exist', async () => {
      expect((await ada.send(opened.caseStream, 'store', goodBodies.store)).status).to.equal(422)
    })

    it('a neck and a spine know their items and their words', async () => {
      const withNeck = (neck: object) => ada.send(opened.episodeStream, 'round', roundOf({ findings: { limbs: [], neck } }))
      expect((await withNeck({ voice: 'normal', 'skin/chin': 'intact' })).status).to.equal(200)
      expect(errorsOf(await withNeck({ voice: 'normal', mood: 'good' })).map((error) => error.path)).to.deep.equal([
        'body/findings/neck/mood',
      ])
      expect((await withNeck({ saddle: 'numb' })).status, 'an item of the spine').to.equal(422)
      expect((await withNeck({ breathing: 'whistling' })).status).to.equal(422)
      const many = Object.fromEntries(Array.from({ length: 5_000 }, (_, index) => [`item-${index}`, 'x'.repeat(50)]))
      const answer = await withNeck(many)
      expect(answer.status).to.equal(413)
      expect(answer.body['detail']).to.match(/longer than 64 kB/)
    })
  })
})
