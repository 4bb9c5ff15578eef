import { expect } from 'chai'
import { readCase } from '#core/files/read-case'
import { defaultProtocol } from '#core/quantities/defaults'
import { dueState } from '#core/rounds/due-state'
import { liveRounds, nextRound } from '#core/rounds/live-rounds'
import { atRiskReason, graceFor, roundMinutes } from '#core/planner/schedule-rounds'
import { girthGrowthAt, greatestGirthGrowth } from '#core/figures/swelling/girth-growth'
import { hoursUntilLimit, pressureUnderShell, type RoomInput } from '#core/figures/swelling/room'
import { chooseRolls } from '#core/figures/wraps/roll-choice'
import { ankleCase, planFile } from '../../harness/cases/leg-slab-cases'

describe('rounds', () => {
  const day = 1440
  it('follows the default list, then the shift changes of the place', () => {
    const minutes = roundMinutes(false, '2026-01-10T08:00:00+01:00', 'Europe/Berlin', 3 * day, defaultProtocol)
    expect(minutes.slice(0, 16)).to.deep.equal([15, 30, 45, 60, 90, 120, 150, 180, 240, 300, 360, 420, 660, 900, 1140, 1380])
    expect(minutes.slice(16)).to.deep.equal([1410, 1890, 2310, 2850, 3330, 3750, 4290])
  })

  it('keeps shift rounds at wall-clock times over a clock change', () => {
    const minutes = roundMinutes(false, '2026-03-28T08:00:00+01:00', 'Europe/Berlin', 3 * day, defaultProtocol)
    expect(minutes).to.include(1410 - 60 + 480)
    expect(minutes).not.to.include(1410 + 480)
  })

  it('leaves shift rounds out without a clock', () => {
    expect(roundMinutes(false, undefined, 'UTC', 3 * day, defaultProtocol).at(-1)).to.equal(1380)
  })

  it('goes hourly, two-hourly, four-hourly when at risk', () => {
    const minutes = roundMinutes(true, undefined, undefined, 3 * day, defaultProtocol)
    expect(minutes).to.include.members([300, 360, day, 26 * 60, 48 * 60, 52 * 60, 72 * 60])
    expect(minutes.every((minute, index) => index === 0 || minute > (minutes[index - 1] ?? 0))).to.equal(true)
  })

  for (const [flags, pattern, risky] of [
    [['fresh'], 'tibial-shaft-fracture', true],
    [[], 'tibial-shaft-fracture', false],
    [['fresh'], 'ankle-sprain', false],
    [['high-energy'], 'ankle-sprain', true],
    [['reduced-or-operated'], 'malleolar-fracture', true],
  ] as const) {
    it(`${pattern} ${flags.join()} is ${risky ? '' : 'not '}at risk`, () => {
      const file = ankleCase()
      Object.assign(file.injury, { flags, pattern })
      const { clinicalCase } = readCase(file)
      expect(clinicalCase && atRiskReason(clinicalCase) !== null).to.equal(risky)
    })
  }

  it('allows a fifth of the interval, from 5 to 30 minutes', () => {
    expect([15, 60, 240].map((interval) => graceFor(interval, false, defaultProtocol))).to.deep.equal([5, 12, 30])
    expect([15, 60, 240].map((interval) => graceFor(interval, true, defaultProtocol))).to.deep.equal([5, 12, 15])
  })

  it('tells later, due, in grace and overdue apart', () => {
    expect([60, 5, -3, -6].map((minutes) => dueState(minutes, 5))).to.deep.equal(['later', 'due', 'grace', 'overdue'])
  })

  it('ticks off complete rounds and starts again after an urgent one', () => {
    const applied = '2026-01-10T08:00:00Z'
    const at = (minute: number): string => new Date(Date.parse(applied) + minute * 60_000).toISOString()
    const done = (minute: number, isComplete = true, isUrgent = false): { at: string; isComplete: boolean; isUrgent: boolean } => ({
      at: at(minute),
      isComplete,
      isUrgent,
    })
    const next = (rounds: ReturnType<typeof done>[]): number =>
      ((nextRound(liveRounds({ startedAt: applied, zone: 'UTC', isAtRisk: false }, rounds, defaultProtocol))?.dueAt ?? 0) -
        Date.parse(applied)) /
      60_000
    expect(next([])).to.equal(15)
    expect(next([done(14)])).to.equal(29)
    expect(next([done(16)])).to.equal(30)
    expect(next([done(14), done(29), done(44), done(53)])).to.equal(83)
    expect(next([done(14, false)])).to.equal(15)
    expect(next([done(14), done(46)])).to.equal(60)
    expect(next([done(14), done(31, true, true)])).to.equal(46)
  })

  it('puts rounds and a review into the plan, and says when it has no clock', () => {
    const file = ankleCase()
    expect(planFile(file).cautions.map((caution) => caution.code)).to.include('no-clock')
    Object.assign(file, { appliedAt: '2026-01-10T08:00:00Z', zone: 'UTC' })
    const plan = planFile(file)
    expect(plan.cautions.map((caution) => caution.code)).not.to.include('no-clock')
    expect(plan.schedule.find((entry) => entry.kind === 'review')?.dueMin).to.equal(2 * day)
  })
})

describe('swelling and room', () => {
  const closed: RoomInput = { girthCm: 38, growthMax: 0.05, paddingLayers: 2, openingCm: 0, hasCrepe: false, coveredShare: 1 }

  it('grows with the grade, more with blood thinners, hardly at all when not fresh', () => {
    const growth = (swelling: string, patient: string[] = [], injury: string[] = ['fresh']): number => {
      const file = ankleCase()
      Object.assign(file.injury, { swelling, flags: injury })
      file.patient['flags'] = patient
      const { clinicalCase } = readCase(file)
      return clinicalCase ? greatestGirthGrowth(clinicalCase, defaultProtocol) : NaN
    }
    expect(['none', 'mild', 'moderate', 'marked'].map((grade) => growth(grade))).to.deep.equal([0.01, 0.02, 0.05, 0.08])
    expect(growth('moderate', ['anticoagulated'])).to.be.closeTo(0.0625, 1e-12)
    expect(growth('marked', ['anticoagulated'], [])).to.equal(0.01)
    expect(girthGrowthAt(0.05, 18, 18)).to.be.closeTo(0.0316, 0.0001)
  })

  it('rises with time and falls with every opening', () => {
    const at = (input: RoomInput, hours: number): number => pressureUnderShell(input, hours, defaultProtocol) ?? Infinity
    expect(at(closed, 0)).to.be.closeTo(0.8, 1e-9)
    expect(at(closed, 72)).to.be.greaterThan(at(closed, 12))
    expect(at({ ...closed, openingCm: 1.5 }, 72)).to.be.lessThan(at(closed, 72))
  })

  it('finds the hour at which the limit is passed, or none', () => {
    const tight = { ...closed, growthMax: 0.08 }
    const hours = hoursUntilLimit(tight, defaultProtocol)
    expect(hours).to.be.a('number')
    expect(pressureUnderShell(tight, (hours ?? 0) - 0.2, defaultProtocol)).to.be.lessThan(4)
    expect(hoursUntilLimit({ ...closed, growthMax: 0.01 }, defaultProtocol)).to.equal(null)
  })

  it('has no room at all when the padding is crushed flat', () => {
    expect(pressureUnderShell({ ...closed, growthMax: 0.2 }, 72, defaultProtocol)).to.equal(null)
  })
})

describe('rolls', () => {
  const zone = (id: string, least: number, greatest: number, areaCm2: number) => ({
    id,
    leastWidthCm: least,
    greatestWidthCm: greatest,
    lengthFor: (width: number) => areaCm2 / width,
  })
  const rolls = [7.5, 10, 15].map((widthCm) => ({ widthCm, lengthCm: 270 }))

  it('takes the fewest rolls, then the least waste', () => {
    const choice = chooseRolls([zone('leg', 10, 15, 2600)], rolls)
    expect(choice?.rolls).to.deep.equal([{ widthCm: 10, rollLengthCm: 270, count: 1 }])
    expect(choice?.wasteCm2).to.be.closeTo(100, 1e-9)
  })

  it('shares rolls between zones of one width', () => {
    const choice = chooseRolls([zone('foot', 7.5, 10, 1000), zone('leg', 10, 15, 1600)], rolls)
    expect(choice).to.include({ totalRolls: 1 })
  })

  it('lets the one stocked width serve every zone', () => {
    expect(chooseRolls([zone('foot', 7.5, 10, 1000), zone('thigh', 15, 20, 1600)], [{ widthCm: 12, lengthCm: 200 }])?.totalRolls).to.equal(
      2,
    )
    expect(chooseRolls([zone('foot', 7.5, 10, 1000)], [])).to.equal(null)
  })
})
