import { expect } from 'chai'
import { type CaseRecord } from '#contract/records/case'
import { foldCase } from '#contract/events/fold'
import { toClinicalCase } from '#ward/case/clinical-case'
import { standingOf } from '#ward/standing/standing-of-case'
import { stageOf } from '#ward/owed/case-progress'
import { patientLabel, unknownInjury, unknownPatient, type EpisodeRecord } from '#contract/records/episode'
import { foldEpisode } from '#contract/events/fold'
import type { FoldableEvent } from '#contract/event'
import { eventKinds } from '#contract/events/index'
import { exampleOf } from '../../harness/cases/example-cases'

let clock = 0
const event = (kind: string, body: object = {}, id = `${kind}-${clock}`): FoldableEvent => ({
  id,
  kind,
  v: 1,
  body,
  at: new Date(Date.parse('2026-01-10T08:00:00Z') + 60_000 * clock++).toISOString(),
  actor: 'p1',
  actorName: 'Ada',
})
const openedCase = (): CaseRecord => foldCase(null, 'c1', event('case-opened', { episodeId: 'e1', injuryId: 'i1', technique: 'leg-slab' }))
const openedEpisode = (): EpisodeRecord => foldEpisode(null, 'e1', event('episode-opened', { patientId: 'p', place: 'Bay 1', zone: 'UTC' }))
const fold = (record: CaseRecord, ...events: readonly FoldableEvent[]): CaseRecord =>
  events.reduce((before, one) => foldCase(before, 'c1', one), record)
const foldStay = (record: EpisodeRecord, ...events: readonly FoldableEvent[]): EpisodeRecord =>
  events.reduce((before, one) => foldEpisode(before, 'e1', one), record)
const injury = { ...unknownInjury, region: 'ankle', side: 'left', pattern: 'malleolar-fracture', swelling: 'moderate' }
const calf = { id: 'calf-girth', side: 'left', value: 38, unit: 'cm', tool: 'tape' }

describe('a case as the fold of its events', () => {
  it('begins with its opening, and with nothing else', () => {
    expect(openedCase()).to.include({ id: 'c1', technique: 'leg-slab', accepted: null, removedAt: null })
    expect(() => foldCase(null, 'c1', event('reading', calf))).to.throw(/cannot begin with reading/)
    expect(() => foldEpisode(null, 'e1', event('flags', { flags: [] }))).to.throw(/cannot begin with flags/)
  })

  it('never changes the record that it was given', () => {
    const before = openedCase()
    const text = JSON.stringify(before)
    fold(before, event('reading', calf), event('options', { options: { extent: 'below-knee' } }), event('note', { text: 'x' }))
    expect(JSON.stringify(before)).to.equal(text)
  })

  it('keeps who and when with a reading, and takes it back by its key', () => {
    const read = fold(openedCase(), event('reading', calf, 'r1'), event('reading', { ...calf, value: 39 }, 'r2'))
    expect(read.measurements.map((measurement) => [measurement.key, measurement.value, measurement.by])).to.deep.equal([
      ['r1', 38, 'Ada'],
      ['r2', 39, 'Ada'],
    ])
    expect(fold(read, event('reading-withdrawn', { key: 'r1' })).measurements.map((measurement) => measurement.key)).to.deep.equal(['r2'])
    expect(fold(read, event('reading-withdrawn', { key: 'none' })).measurements).to.have.length(2)
  })

  it('drops options, overrules and the accepted plan with a change of technique, and keeps the readings', () => {
    const record = fold(
      openedCase(),
      event('reading', calf),
      event('options', { options: { extent: 'below-knee' } }),
      event('overrule', { decision: 'slab-width', value: 15, reason: 'scar' }),
      event('plan', { plan: { decisions: [] } }),
      event('technique', { technique: 'walker-boot' }),
    )
    expect(record).to.deep.include({ technique: 'walker-boot', options: {}, overrules: [], accepted: null })
    expect(record.measurements).to.have.length(1)
  })

  it('accepts a plan and drops it again', () => {
    const accepted = fold(openedCase(), event('plan', { plan: { decisions: [] } }))
    expect(accepted.accepted?.by).to.equal('Ada')
    expect(fold(accepted, event('plan-dropped')).accepted).to.equal(null)
  })

  it('keeps orders, device and the place that it takes from for the core', () => {
    const items = [{ item: 'plaster-slab', widthCm: 15, count: 2 }]
    const record = fold(
      openedCase(),
      event('orders', { orders: { week: 3 } }),
      event('device', { device: { material: 'plaster-fast' } }),
      event('store', { placeId: 'p', placeName: 'Plaster room', items }),
    )
    const clinicalCase = toClinicalCase(record, openedEpisode())
    expect(clinicalCase.orders).to.deep.equal({ week: 3 })
    expect(clinicalCase.device).to.deep.equal({ material: 'plaster-fast' })
    expect(clinicalCase.stock).to.deep.equal(items)
    expect(toClinicalCase(openedCase(), openedEpisode()).stock).to.equal('catalogue')
  })

  it('starts a run once, however often it hears of it', () => {
    const record = fold(openedCase(), event('run-started', { runId: 'r' }), event('run-started', { runId: 'r' }))
    expect(record.runs).to.have.length(1)
  })

  it('orders steps by when they were done, not by when they came in', () => {
    const late = event('step', { runId: 'r', stepId: 'b', outcome: 'done', reason: '' })
    const early = { ...event('step', { runId: 'r', stepId: 'a', outcome: 'done', reason: '' }), at: '2026-01-10T07:00:00Z' }
    const record = fold(openedCase(), event('run-started', { runId: 'r' }), late, early)
    expect(record.runs[0]?.steps.map((step) => step.stepId)).to.deep.equal(['a', 'b'])
  })

  it('lets a timer be started again, and keeps several', () => {
    const timer = (timerId: string, minutes: number): FoldableEvent => event('timer', { runId: 'r', timerId, label: timerId, minutes })
    const record = fold(openedCase(), event('run-started', { runId: 'r' }), timer('set', 5), timer('cure', 60), timer('set', 6))
    expect(record.runs[0]?.timers.map((one) => [one.id, one.minutes])).to.deep.equal([
      ['cure', 60],
      ['set', 6],
    ])
  })

  it('leaves steps of another run alone, and unknown kinds without effect', () => {
    const record = fold(openedCase(), event('run-started', { runId: 'r' }))
    expect(fold(record, event('step', { runId: 'other', stepId: 'a', outcome: 'done', reason: '' }))).to.deep.equal(record)
    expect(fold(record, event('from-the-future', { anything: 1 }))).to.deep.equal(record)
  })

  it('gives a run its driver, the latest who took it', () => {
    const lease = (device: string): FoldableEvent => event('run-lease', { runId: 'r', device })
    const record = fold(openedCase(), event('run-started', { runId: 'r' }), lease('phone'), lease('desk'))
    expect(record.runs[0]?.driver).to.include({ device: 'desk', by: 'Ada' })
  })
})

describe('an episode as the fold of its events', () => {
  it('keeps patient, flags, place and injuries, each the latest', () => {
    const stay = foldStay(
      openedEpisode(),
      event('patient', { ...unknownPatient, name: 'Wenna Strood', isTemporary: false }),
      event('flags', { flags: ['diabetes'] }),
      event('place', { place: 'Ward A' }),
      event('injury', { injuryId: 'i1', injury }),
      event('injury', { injuryId: 'i1', injury: { ...injury, side: 'right' } }),
    )
    expect(stay.place).to.equal('Ward A')
    expect(stay.flags).to.deep.equal(['diabetes'])
    expect(stay.injuries['i1']?.side).to.equal('right')
    expect(patientLabel(stay)).to.equal('Wenna Strood')
  })

  it('names somebody unknown by what is known', () => {
    const came = { patient: unknownPatient, openedAt: '2026-01-10T08:02:00Z', zone: 'Europe/Lisbon' }
    expect(patientLabel(came)).to.equal('Unnamed 08:02')
    expect(patientLabel({ ...came, zone: 'Asia/Tokyo', patient: { ...unknownPatient, ageYears: 30 } })).to.equal('Unnamed 17:02, about 30')
  })

  it('orders rounds by their true time', () => {
    const round = (at: string): FoldableEvent => ({
      ...event('round', { isBaseline: false, cases: ['c1'], outcome: 'done', reason: '', findings: { limbs: [], analgesia: false } }),
      at,
    })
    const stay = foldStay(openedEpisode(), round('2026-01-10T10:00:00Z'), round('2026-01-10T09:00:00Z'))
    expect(stay.rounds.map((one) => one.at)).to.deep.equal(['2026-01-10T09:00:00Z', '2026-01-10T10:00:00Z'])
  })
})

describe('what the core hears of a case', () => {
  const stay = foldStay(openedEpisode(), event('injury', { injuryId: 'i1', injury }))
  const withPulse = (pulse: unknown, at = '2026-01-10T09:00:00Z'): FoldableEvent => ({
    ...event('round', {
      isBaseline: true,
      cases: [],
      outcome: 'done',
      reason: '',
      findings: {
        analgesia: false,
        limbs: [
          { limb: 'leg', side: 'left', pulse },
          { limb: 'leg', side: 'right' },
        ],
      },
    }),
    at,
  })

  it('counts a pulse that was not felt as a flag, until it is felt', () => {
    const lost = foldStay(stay, withPulse('absent'))
    expect(toClinicalCase(openedCase(), lost).injury.flags).to.include('pulse-absent')
    const back = foldStay(lost, withPulse('present', '2026-01-10T09:30:00Z'))
    expect(toClinicalCase(openedCase(), back).injury.flags).not.to.include('pulse-absent')
  })

  it('does not take a pulse that nobody could assess for an absent one', () => {
    const blind = foldStay(stay, withPulse({ cannotAssess: true, reason: 'dressing' }))
    expect(toClinicalCase(openedCase(), blind).injury.flags).not.to.include('pulse-absent')
  })

  it('leaves out what is not known rather than making it up', () => {
    const { patient, injury: heard } = toClinicalCase(openedCase(), openedEpisode())
    expect(patient).to.deep.equal({ flags: [] })
    expect(heard).to.not.have.property('region')
    expect(heard).to.not.have.property('side')
  })
})

describe('a device that was on already', () => {
  const foundOn = (minutesAgo: number | null) =>
    fold(openedCase(), event('applied', { found: { what: 'Collar, roadside crew', minutesAgo } }))

  it('counts from when it was put on, as far as that is known', () => {
    const now = foundOn(0)
    expect(now.found).to.deep.include({ what: 'Collar, roadside crew', minutesAgo: 0, by: 'Ada' })
    const agoMs = ({ found, appliedAt }: CaseRecord) => Date.parse(found?.at ?? '') - Date.parse(appliedAt ?? '')
    expect(agoMs(foundOn(90))).to.equal(90 * 60_000)
    expect([agoMs(now), agoMs(foundOn(null))]).to.deep.equal([0, 0])
    expect(fold(openedCase(), event('applied', {}))).not.to.have.property('found')
  })

  it('goes on at Check, and stands until a plan is accepted', () => {
    const placed = foldStay(openedEpisode(), event('injury', { injuryId: 'i1', injury }))
    const record = foundOn(null)
    const texts = (of: typeof record) => standingOf(of, placed, null, Date.parse('2026-01-10T10:00:00Z')).items.map((item) => item.text)
    expect(stageOf(record, placed)).to.equal('check')
    expect(texts(record).join()).to.include('Found on, not planned here: Collar, roadside crew; since when is not known')
  })
})

describe('an injury of neck or trunk', () => {
  it('has no side, whatever an older outbox still says', () => {
    for (const region of ['neck', 'trunk'] as const) {
      const stay = foldStay(openedEpisode(), event('injury', { injuryId: 'i1', injury: { ...injury, region, side: 'left' } }))
      expect(stay.injuries['i1']).to.include({ region, side: null })
    }
    const limb = foldStay(openedEpisode(), event('injury', { injuryId: 'i1', injury: { ...injury, side: 'left' } }))
    expect(limb.injuries['i1']).to.include({ side: 'left' })
  })
})

describe('where on the path a case stands', () => {
  const placed = foldStay(openedEpisode(), event('injury', { injuryId: 'i1', injury }))
  const neck = foldStay(openedEpisode(), event('injury', { injuryId: 'i1', injury: { ...injury, region: 'neck', side: null } }))
  const readings = exampleOf('leg-slab').measurements.map((measurement) => event('reading', { ...calf, ...measurement }))
  const measured = fold(openedCase(), ...readings)
  const accepted = fold(measured, event('plan', { plan: { decisions: [] } }))
  const running = fold(accepted, event('run-started', { runId: 'r' }))
  const applied = fold(running, event('applied', {}))

  for (const [name, record, episode, stage] of [
    ['nothing known', openedCase(), openedEpisode(), 'size-up'],
    [
      'region without side',
      openedCase(),
      foldStay(openedEpisode(), event('injury', { injuryId: 'i1', injury: { ...injury, side: null } })),
      'size-up',
    ],
    ['region and side', openedCase(), placed, 'measure'],
    ['a neck, which has no side', openedCase(), neck, 'measure'],
    ['all readings', measured, placed, 'choose'],
    ['an accepted plan', accepted, placed, 'make-ready'],
    ['a run', running, placed, 'apply'],
    ['a device that is on', applied, placed, 'check'],
    ['a fit that was tested', fold(applied, event('fit', { testId: 'edge', isGood: true, note: '' })), placed, 'watch'],
  ] as const) {
    it(`${name}: ${stage}`, () => expect(stageOf(record, episode)).to.equal(stage))
  }
})

describe('kinds of events', () => {
  it('each belong to one stream and need a right', () => {
    for (const [id, kind] of Object.entries(eventKinds)) {
      expect(['case', 'episode', 'person', 'place', 'ward'], id).to.include(kind.stream)
      expect(['opening', 'additive', 'replacing'], id).to.include(kind.nature)
      expect(kind.right, id).to.match(/\S/)
    }
  })
})
