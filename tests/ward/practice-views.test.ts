import { expect } from 'chai'
import { Rating } from 'ts-fsrs'
import { timeBands } from '#ward/practice/others-times'
import { dueAgain, gradeOf, practiceProgress } from '#ward/practice/practice-progress'
import type { DoneSitting } from '#contract/api/practice-overview'
import { isOver, maySee, seenBy } from '#ward/practice/sitting-seen'
import type { Sitting } from '#contract/records/practice'
import { findStation, stationIdOf } from '#core/practice/stations/shipped-stations'
import { stationContext } from '#core/practice/stations/station-context'

const sat = (at: string, total: number, hasPassed = true, technique = 'leg-slab'): DoneSitting => ({
  id: at,
  stationName: technique,
  technique,
  way: 'alone',
  at,
  total,
  hasPassed,
})
const days = (from: string, until: string): number => (Date.parse(until) - Date.parse(from)) / 86_400_000

describe('progress in practice', () => {
  it('is graded by the score; what failed is begun again', () => {
    const grades = [
      [100, true],
      [90, true],
      [89.9, true],
      [69.9, true],
      [49.9, true],
      [100, false],
    ] as const
    expect(grades.map(([total, hasPassed]) => gradeOf({ total, hasPassed }))).to.deep.equal([
      Rating.Easy,
      Rating.Easy,
      Rating.Good,
      Rating.Hard,
      Rating.Again,
      Rating.Again,
    ])
  })

  it('comes due later the better it went, and later still after each good run', () => {
    const at = '2026-01-10T08:00:00.000Z'
    const dueDays = ([48, 65, 80, 95] as const).map((total) => days(at, dueAgain([sat(at, total)])))
    expect(dueDays).to.deep.equal([...dueDays].sort((a, b) => a - b))
    expect(dueDays[0]).to.be.at.least(1)
    const again = '2026-01-20T08:00:00.000Z'
    expect(days(again, dueAgain([sat(at, 80), sat(again, 80)]))).to.be.greaterThan(dueDays[2] ?? Infinity)
  })

  it('lists what is due first, counts supervised cases beside, also where there was no station', () => {
    const { techniques, sittings, liveOnly } = practiceProgress(
      [
        sat('2026-01-10T08:00:00.000Z', 97, true, 'leg-cast'),
        sat('2026-01-10T09:00:00.000Z', 40, false, 'leg-slab'),
        sat('2026-01-11T09:00:00.000Z', 60, true, 'leg-slab'),
      ],
      [],
      { 'leg-slab': 2, 'care-collar': 1 },
    )
    expect(
      techniques.map((technique) => [technique.technique, technique.count, technique.passed, technique.best, technique.live]),
    ).to.deep.equal([
      ['leg-slab', 2, 1, 60, 2],
      ['leg-cast', 1, 1, 97, 0],
    ])
    expect(sittings.map((sitting) => sitting.total)).to.deep.equal([60, 40, 97])
    expect(liveOnly).to.deep.equal([{ technique: 'care-collar', live: 1 }])
  })
})

describe('others’ times', () => {
  it('are the middle half by step, and nothing while fewer than three did it', () => {
    const steps = (took: number, id = 'a') => ({ steps: [{ stepId: id, atMs: took, tookMs: took }] })
    expect(timeBands([steps(100), steps(200)])).to.deep.equal([])
    expect(timeBands([steps(100), steps(200), steps(300), steps(9, 'b')])).to.deep.equal([
      { stepId: 'a', lowMs: 150, medianMs: 200, highMs: 250 },
    ])
  })
})

describe('who sees a sitting', () => {
  const station = findStation(stationIdOf('leg-slab'), stationContext)
  if (!station) throw new Error('no station')
  const nowMs = Date.parse('2026-01-10T08:05:00.000Z')
  const marks = (ended: boolean) => [
    { id: 'm', atMs: 100, what: { kind: 'told', ask: 0 } as const },
    ...(ended ? [{ id: 'e', atMs: 900, what: { kind: 'end' } as const }] : []),
  ]
  const sitting = (ends: readonly boolean[], way: Sitting['way'] = 'examined'): Sitting => ({
    id: 's',
    way,
    station,
    candidates: [{ id: 'c', name: 'C', role: null }],
    begunAt: '2026-01-10T08:00:00.000Z',
    examiners: ends.map((ended, index) => ({ id: `x${index}`, name: `X${index}`, marks: marks(ended) })),
  })
  it('is the candidate, who may examine, and who trains; alone only the last', () => {
    const see = (way: Sitting['way']) =>
      (['trainee', 'viewer', 'clinician', 'lead'] as const).map((role) => maySee(sitting([true], way), { id: 'z', roles: [role] }))
    expect(see('examined')).to.deep.equal([false, false, true, true])
    expect(see('alone')).to.deep.equal([false, false, false, true])
    expect(maySee(sitting([true], 'alone'), { id: 'c', roles: ['trainee'] })).to.equal(true)
  })
  it('is over once everybody who marks has ended it; before that each sees their own', () => {
    expect([isOver(sitting([]), nowMs), isOver(sitting([true, false]), nowMs), isOver(sitting([true, true]), nowMs)]).to.deep.equal([
      false,
      false,
      true,
    ])
    expect(isOver(sitting([true, false]), nowMs + 2 * 3_600_000)).to.equal(true)
    const running = sitting([true, false])
    expect(seenBy(running, { id: 'c', roles: ['trainee'] }, nowMs).sitting.examiners).to.deep.equal([])
    expect(seenBy(running, { id: 'x1', roles: ['clinician'] }, nowMs).sitting.examiners.map((examiner) => examiner.id)).to.deep.equal([
      'x1',
    ])
    expect(seenBy(running, { id: 'c', roles: ['trainee'] }, nowMs).told).to.deep.equal([0])
    expect(seenBy(sitting([true, true]), { id: 'c', roles: ['trainee'] }, nowMs).sitting.examiners).to.have.length(2)
  })
})
