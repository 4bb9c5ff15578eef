import { expect } from 'chai'
import type { ClinicalCase } from '#core/model/clinical-case'
import { readCase } from '#core/files/read-case'
import { lookAtBlock, wordItemsOf } from '#core/rounds/look-at-block'
import type { Plan } from '#core/model/plan'
import { judgeAngle, judgePull } from '#core/runs/step-work'
import { defaultProtocol } from '#core/quantities/defaults'
import { liveRounds } from '#core/rounds/live-rounds'
import { roundMinutes } from '#core/planner/schedule-rounds'
import { countSlabLayers } from '#core/figures/slabs/slab-layers'
import { bandagePressure } from '#core/figures/wraps/bandage-pressure'
import { changedExample } from '../../harness/cases/example-cases'
import { ankleCase, decisionOf, planFile, type CaseFile } from '../../harness/cases/leg-slab-cases'

const cm = (id: string, value: number, side?: string) => ({ id, value, unit: 'cm', ...(side ? { side } : {}) })
const replaced = (technique: string, ...readings: ReturnType<typeof cm>[]): Plan =>
  planFile(
    changedExample(technique, (file) => {
      file.measurements = [...file.measurements.filter((measurement) => !readings.some(({ id }) => id === measurement['id'])), ...readings]
    }),
  )
const levelOf = (plan: Plan, code: string): string | undefined => plan.cautions.find((caution) => caution.code === code)?.level

/** Every limit is tried on the spot and a hair beyond it: a rule that slips by a little slips unseen. */
describe('the edge of a rule', () => {
  describe('layers of a slab', () => {
    const band = { base: 10, least: 8, greatest: 12 }
    const count = (change: (file: CaseFile) => void, of = band): number => {
      const file = ankleCase()
      change(file)
      const { clinicalCase } = readCase(file)
      return countSlabLayers(clinicalCase as ClinicalCase, of, defaultProtocol).layers
    }
    const mass =
      (massKg: number) =>
      (file: CaseFile): void =>
        void (file.patient['massKg'] = massKg)

    for (const [massKg, layers] of [
      [34.9, 7],
      [35, 10],
      [95, 10],
      [95.1, 11],
    ] as const)
      it(`${massKg} kg: ${layers}`, () => expect(count(mass(massKg))).to.equal(layers))

    it('one more for more than a week of wear, not for a week', () => {
      expect(count((file) => void (file['wearDays'] = 7))).to.equal(10)
      expect(count((file) => void (file['wearDays'] = 8))).to.equal(11)
    })
    it('never below five for a child, never above the school’s most', () => {
      expect(count(mass(12), { base: 7, least: 6, greatest: 9 })).to.equal(5)
      expect(
        count((file) => Object.assign(file, { wearDays: 20, patient: { ...file.patient, massKg: 120 } }), { ...band, greatest: 11 }),
      ).to.equal(11)
    })
  })

  describe('pressure of a bandage', () => {
    const girthFor = (mmHg: number): number => (4620 * 2 * 0.5) / (mmHg * 7.5)
    it('follows the law it is taken from', () => {
      expect(bandagePressure(2, 0.5, girthFor(25), 7.5)).to.be.closeTo(25, 1e-9)
      expect(bandagePressure(1, 0.5, 20, 10)).to.be.closeTo(bandagePressure(2, 0.5, 20, 10) / 2, 1e-9)
    })
    // 0.3 kgf on an arm, by the one roll that the store has, 7.5 cm.
    for (const [wrist, isArterial, level] of [
      [14, false, undefined],
      [12, false, 'caution'],
      [6.5, false, 'stop'],
      [16, true, 'caution'],
      [10, true, 'stop'],
    ] as const)
      it(`at a wrist of ${wrist} cm${isArterial ? ' with arterial disease' : ''}: ${level ?? 'nothing to say'}`, () => {
        const plan = planFile(
          changedExample('volar-slab', (file) => {
            file.patient = { ageYears: 40, flags: isArterial ? ['arterial-disease'] : [] }
            file.measurements = file.measurements
              .filter((measurement) => !/girth/.test(String(measurement['id'])) || measurement['id'] === 'thumb-girth')
              .concat(cm('wrist-girth', wrist, 'left'), cm('wrist-girth', wrist, 'right'))
            file['stock'] = [{ item: 'elastic-bandage', widthCm: 7.5, lengthCm: 450 }]
          }),
        )
        expect(levelOf(plan, 'bandage-pressure')).to.equal(level)
      })
  })

  describe('a hinge off its turning point', () => {
    it('is said beyond a centimetre and a half of sliding', () => {
      // At the ordered 60° the brace slides by the offset itself: 2·d·sin(30°).
      expect(levelOf(replaced('hinged-knee-brace', cm('hinge-forward', 1.45, 'right'), cm('hinge-up', 0, 'right')), 'pistoning')).to.equal(
        undefined,
      )
      expect(levelOf(replaced('hinged-knee-brace', cm('hinge-forward', 1.6, 'right'), cm('hinge-up', 0, 'right')), 'pistoning')).to.equal(
        'caution',
      )
    })
    it('names the limit that it was held against', () => {
      const plan = replaced('hinged-knee-brace', cm('hinge-forward', 2.2, 'right'), cm('hinge-up', 0, 'right'))
      expect(plan.cautions.find((caution) => caution.code === 'pistoning')?.why).to.match(/slides 2\.2 cm on the leg; 1\.5 cm is the limit/)
    })
  })

  describe('a walker boot', () => {
    it('says the smaller boot when it is far too long, the larger when toes go over', () => {
      const wordsAt = (sole: number): string | undefined =>
        replaced('walker-boot', cm('boot-sole-length', sole)).cautions.find((caution) => caution.code === 'toe-margin')?.text
      expect(wordsAt(25.5)).to.equal('Take the larger boot.')
      expect(wordsAt(27)).to.equal('A little long: mind the stairs.')
      expect(wordsAt(27.5)).to.equal('Take the smaller boot.')
    })
    it('takes the wedges of the week: the first row before it begins and without a week, the last one after', () => {
      const wedges = [
        { week: 5, count: 1 },
        { week: 1, count: 3 },
      ]
      const at = (week: number | undefined): unknown =>
        decisionOf(
          planFile(changedExample('walker-boot-wedges', (file) => void (file['orders'] = { ...orders(file), week, wedges }))),
          'wedges',
        ).value
      expect([undefined, 0, 1, 4.9, 5, 30].map(at)).to.deep.equal([3, 3, 3, 3, 1, 1])
    })
    const orders = (file: CaseFile): object => file['orders'] as object
  })

  describe('strength of a long cast at the knee', () => {
    it('is a caution below twice the weight of the leg', () => {
      const of = (massKg: number): { factor: number; level: string | undefined } => {
        const plan = planFile(
          changedExample('leg-cast', (file) => {
            file.options['extent'] = 'long'
            file.patient['massKg'] = massKg
          }),
        )
        return { factor: Number(decisionOf(plan, 'knee-strength').value), level: levelOf(plan, 'knee-strength') }
      }
      const seen = [40, 80, 160, 240, 290, 310, 330, 400].map(of)
      for (const { factor, level } of seen) expect(level, `factor ${factor}`).to.equal(factor < 2 ? 'caution' : undefined)
      expect(new Set(seen.map((one) => one.level)).size, 'both sides of the limit were tried').to.equal(2)
    })
  })

  describe('rounds', () => {
    const applied = '2026-01-10T08:00:00Z'
    const doneAt = (minute: number): readonly (string | null)[] =>
      liveRounds(
        { startedAt: applied, zone: 'UTC', isAtRisk: false },
        [{ at: new Date(Date.parse(applied) + minute * 60_000).toISOString(), isComplete: true, isUrgent: false }],
        defaultProtocol,
      )
        .slice(0, 3)
        .map((liveRound) => liveRound.doneAt)
    it('count from half an interval before they fall due, and not a minute sooner', () => {
      expect(doneAt(7)[0]).to.equal(null)
      expect(doneAt(7.5)[0]).to.equal('2026-01-10T08:07:30.000Z')
      expect(doneAt(22)[1], 'the second round falls due at 30').to.equal(null)
      expect(doneAt(22.5)[1]).not.to.equal(null)
    })
    it('cover seventy-two hours, the last shift change included', () => {
      const minutes = roundMinutes(false, '2026-01-10T07:29:00Z', 'UTC', 72 * 60, defaultProtocol)
      expect(minutes.at(-1)).to.equal(2 * 1440 + 15 * 60 + 1)
      expect(roundMinutes(true, undefined, undefined, 72 * 60, defaultProtocol).at(-1)).to.equal(72 * 60)
    })
  })

  describe('an angle and a pull', () => {
    it('are held on the very edge of the band', () => {
      const band = { lowDeg: 85, highDeg: 95 }
      expect([84.9, 85, 90, 95, 95.1].map((deg) => judgeAngle(band, deg))).to.deep.equal(['below', 'held', 'held', 'held', 'above'])
    })
    it('are near within a tenth, and over only beyond the most', () => {
      const pull = { expectedKg: 6, mostKg: 7 }
      expect([5.39, 5.4, 6.6, 6.61, 7, 7.01].map((kg) => judgePull(pull, kg))).to.deep.equal([
        'short',
        'near',
        'near',
        'beyond',
        'beyond',
        'over',
      ])
    })
  })
})

describe('neck and spine', () => {
  const nothing = { last: () => undefined, first: () => undefined, isTold: () => false }
  const adult = { ageYears: 40, isColumn: true }
  for (const block of ['neck', 'spine'] as const) {
    for (const item of wordItemsOf[block]) {
      const [well = '', ...ill] = item.words
      it(`${block}, ${item.label}: "${well}" says nothing, anything else does`, () => {
        const levelOf = (word: string): string | undefined => lookAtBlock(block, { [item.id]: word }, nothing, adult)[0]?.level
        expect(levelOf(well)).to.equal('none')
        for (const word of [...ill, 'something nobody listed']) expect(levelOf(word)).to.equal(item.level)
      })
      it(`${block}, ${item.label}: what could not be judged is kept with its reason`, () => {
        const [one] = lookAtBlock(block, { [item.id]: { cannotAssess: true, reason: 'asleep' } }, nothing, adult)
        expect(one).to.include({ cannot: 'asleep', code: 'cannot-assess' })
      })
    }
  }

  it('rank a level of feeling from the foot to the neck', () => {
    const severities = ['normal', 'S5', 'L2', 'T10', 'C2'].map(
      (level) => lookAtBlock('spine', { level }, nothing, adult)[0]?.severity ?? NaN,
    )
    expect(severities).to.deep.equal([...severities].sort((a, b) => a - b))
    expect(new Set(severities).size).to.equal(5)
  })

  // A hair on either side of each limit, by age.
  const limits: readonly (readonly [years: number | null, sign: string, value: number, level: string])[] = [
    ...bandRows([0, 0.9], 'breathingRate', 20, 50, 60),
    ...bandRows([1, 4.9], 'breathingRate', 15, 40, 45),
    ...bandRows([5, 11.9], 'breathingRate', 12, 28, 35),
    ...bandRows([12, 80, null], 'breathingRate', 10, 24, 29),
    ...bandRows([0, 0.9], 'heartRate', 90, 170, 190),
    ...bandRows([1, 4.9], 'heartRate', 75, 150, 170),
    ...bandRows([5, 11.9], 'heartRate', 60, 130, 150),
    ...bandRows([12, 80, null], 'heartRate', 40, 120, 140),
    ...pressureRows([0.5], 70),
    ...pressureRows([3], 76),
    ...pressureRows([10, 11.9], 90),
    ...pressureRows([12, 64, null], 90),
    ...pressureRows([65, 90], 100),
  ]
  for (const [ageYears, sign, value, level] of limits) {
    it(`${sign} ${value} at ${ageYears ?? 'unknown'} years: ${level}`, () => {
      const [look] = lookAtBlock('vital', { [sign]: value }, nothing, { ageYears, isColumn: false })
      expect(look?.level).to.equal(level)
    })
  }

  it('judge heart rate over pressure from 12 years, as a finding of the pressure', () => {
    const look = (heartRate: number, systolic: number, ageYears: number | null = 40) =>
      lookAtBlock('vital', { heartRate, systolic }, nothing, { ageYears, isColumn: false }).find((one) => one.item === 'systolic')
    expect(look(115, 115)).to.deep.include({ level: 'urgent', code: 'shock-index' })
    expect(look(107, 118)).to.deep.include({ level: 'warn', code: 'shock-index' })
    expect(look(104, 118)).to.deep.include({ level: 'none' })
    expect(look(115, 115, 11)).to.deep.include({ level: 'none' })
    expect(look(115, 115, null)).to.deep.include({ level: 'urgent', code: 'shock-index' })
    expect(look(100, 85)).to.deep.include({ level: 'urgent', code: 'vital-systolic' })
  })

  it('ask for bleeding first where a hurt spine goes with a low pressure and a slow heart', () => {
    const look = (heartRate: number, systolic: number, isColumn: boolean) =>
      lookAtBlock('vital', { heartRate, systolic }, nothing, { ageYears: 40, isColumn }).find((one) => one.item === 'systolic')
    expect(look(59, 99, true)).to.deep.include({ level: 'urgent', code: 'cord-shock' })
    expect(look(59, 99, true)?.text).to.include('Look for bleeding first')
    expect(look(60, 99, true)?.code).to.equal('vital-systolic')
    expect(look(59, 100, true)?.level).to.equal('warn')
    expect(look(59, 99, false)?.code).to.equal('vital-systolic')
  })
})

function bandRows(ages: readonly (number | null)[], sign: string, low: number, warn: number, high: number) {
  return ages.flatMap((years) => [
    [years, sign, low - 1, 'urgent'] as const,
    [years, sign, low, 'none'] as const,
    [years, sign, warn, 'none'] as const,
    [years, sign, warn + 1, 'warn'] as const,
    [years, sign, high, 'warn'] as const,
    [years, sign, high + 1, 'urgent'] as const,
  ])
}

function pressureRows(ages: readonly (number | null)[], least: number) {
  return ages.flatMap((years) => [
    [years, 'systolic', least - 1, 'urgent'] as const,
    [years, 'systolic', least, 'warn'] as const,
    [years, 'systolic', least + 10, 'warn'] as const,
    [years, 'systolic', least + 11, 'none'] as const,
  ])
}
