import { expect } from 'chai'
import fc from 'fast-check'
import { readCase } from '#core/files/read-case'
import { levels, type Level } from '#core/model/finding'
import { colours, feelings, movements, pulses, warmths, type LimbFindings, type RoundInput } from '#core/model/observation'
import { skinWords } from '#core/model/round-items'
import { swellings } from '#core/model/vocabulary'
import { planCase } from '#core/techniques/plan-case'
import { foldRounds, readRounds, findingsAfterRounds } from '#core/standing/fold-rounds'
import type { StandingFinding } from '#core/standing/standing-finding'
import { isLong, longSeed } from '../../harness/long'
import { ankleCase, testContext } from '../../harness/cases/leg-slab-cases'
import { wearing } from '../../harness/cases/situations'

const { clinicalCase } = readCase(ankleCase())
if (!clinicalCase) throw new Error('no case')
const stand = (rounds: readonly RoundInput[]) =>
  findingsAfterRounds({ clinicalCase, rounds, situationAt: () => wearing('break'), startMin: 0, isAtRisk: false }, Infinity)
const rank = (level: Level | undefined): number => levels.indexOf(level ?? 'none')
const levelsOf = (findings: readonly StandingFinding[]): ReadonlyMap<string, Level> =>
  new Map(findings.map((finding) => [finding.id, finding.level]))

const draws = isLong ? 2_000 : 200

const maybe = <T>(arbitrary: fc.Arbitrary<T>): fc.Arbitrary<T | undefined> => fc.option(arbitrary, { nil: undefined, freq: 5 })
const nerves = (words: readonly string[]): fc.Arbitrary<Record<string, string>> =>
  fc.record({
    'deep-peroneal': fc.constantFrom(...words),
    'superficial-peroneal': fc.constantFrom(...words),
    tibial: fc.constantFrom(...words),
  })
const limb = (side: 'left' | 'right'): fc.Arbitrary<LimbFindings> =>
  fc
    .record({
      colour: maybe(fc.constantFrom(...colours)),
      warmth: maybe(fc.constantFrom(...warmths)),
      refillS: maybe(fc.constantFrom(1, 1.5, 2.5, 3, 3.5, 4.5, 6)),
      pulse: maybe(fc.constantFrom(...pulses)),
      movement: maybe(nerves(movements)),
      feeling: maybe(nerves(feelings)),
      swelling: maybe(fc.constantFrom(...swellings)),
      restPain: maybe(fc.integer({ min: 0, max: 10 })),
      stretchPain: maybe(fc.boolean()),
      tight: maybe(fc.boolean()),
      skin: maybe(fc.constantFrom(...skinWords)),
    })
    .map(
      (found) =>
        ({ limb: 'leg', side, ...Object.fromEntries(Object.entries(found).filter(([, one]) => one !== undefined)) }) as LimbFindings,
    )
const round: fc.Arbitrary<Omit<RoundInput, 'atMin'>> = fc.record({ analgesia: fc.boolean(), limbs: fc.tuple(limb('left'), limb('right')) })
/** Rounds a quarter of an hour apart. */
const rounds: fc.Arbitrary<readonly RoundInput[]> = fc
  .array(round, { minLength: 1, maxLength: 6 })
  .map((all) => all.map((one, index) => ({ ...one, atMin: index * 15 })))

/** A limb of which fewer things were looked at. */
function without(limb: LimbFindings, fields: readonly string[]): LimbFindings {
  return Object.fromEntries(Object.entries(limb).filter(([field]) => !fields.includes(field))) as unknown as LimbFindings
}

describe('what stands, whatever the rounds', () => {
  it('a round that looks at fewer things never lowers anything', () => {
    const fields = fc.subarray([
      'colour',
      'refillS',
      'pulse',
      'movement',
      'feeling',
      'swelling',
      'restPain',
      'stretchPain',
      'tight',
      'skin',
    ])
    fc.assert(
      fc.property(rounds, fields, (all, left) => {
        const last = all.at(-1)!
        const before = levelsOf(stand(all.slice(0, -1)).findings)
        const [injured, sound] = last.limbs
        const fewer = { ...last, limbs: [without(injured!, left), sound!] }
        const after = levelsOf(stand([...all.slice(0, -1), fewer]).findings)
        const gone = left.flatMap((field) => (field === 'refillS' ? ['refill'] : [field]))
        for (const [id, level] of before) {
          const item = id.replace('leg-left/', '')
          if (!id.startsWith('leg-left/') || !gone.some((one) => item === one || item.startsWith(`${one}/`))) continue
          // Two warnings are a review together: the other one may have ended by its own look.
          const kept = level === 'review' ? 'warn' : level
          expect(rank(after.get(id)), `${id} was ${level}`).to.be.at.least(rank(kept))
        }
      }),
      { numRuns: draws, seed: isLong ? longSeed : 7 },
    )
  })

  it('the order in the file does not matter', () => {
    fc.assert(
      fc.property(rounds, fc.integer(), fc.boolean(), (all, seed, isPaired) => {
        const timed = isPaired ? all.map((one, index) => ({ ...one, atMin: Math.floor(index / 2) * 15 })) : all
        const mixed = [...timed].sort((a, b) => Math.sin(seed + timed.indexOf(a)) - Math.sin(seed + timed.indexOf(b)))
        expect(stand(mixed).findings).to.deep.equal(stand(timed).findings)
      }),
      { numRuns: draws, seed: isLong ? longSeed : 7 },
    )
  })

  it('a worse finding on the injured limb in the last round never improves the level', () => {
    const scales: Readonly<Record<string, readonly unknown[]>> = {
      warmth: warmths,
      refillS: [1, 1.5, 2.5, 3, 3.5, 4.5, 6],
      pulse: pulses,
      restPain: [0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10],
      stretchPain: [false, true],
      tight: [false, true],
      skin: skinWords,
      swelling: swellings,
    }
    fc.assert(
      fc.property(rounds, fc.constantFrom(...Object.keys(scales)), (all, field) => {
        const last = all.at(-1)!
        const [injured, sound] = last.limbs as [LimbFindings, LimbFindings]
        const scale = scales[field]!
        const now = scale.indexOf((injured as unknown as Record<string, unknown>)[field])
        if (now < 0) return
        const before = rank(stand(all).level)
        for (const worse of scale.slice(now + 1)) {
          const changed = { ...last, limbs: [{ ...injured, [field]: worse }, sound] }
          expect(rank(stand([...all.slice(0, -1), changed]).level), `${field} ${String(worse)}`).to.be.at.least(before)
        }
      }),
      { numRuns: draws, seed: isLong ? longSeed : 7 },
    )
  })

  it('rounds folded one by one onto what was known stand as those folded at once, late ones and acts too', () => {
    const told = fc.array(fc.record({ atMin: fc.integer({ min: 0, max: 90 }), to: fc.constant('Sorrel Vane') }), { maxLength: 2 })
    fc.assert(
      fc.property(rounds, told, fc.boolean(), (all, acts, isLate) => {
        const input = (some: readonly RoundInput[], known: typeof acts) => ({
          clinicalCase,
          rounds: some,
          situationAt: () => wearing('break'),
          situationKey: 'worn',
          startMin: 0,
          isAtRisk: false,
          told: known,
        })
        const arriving = isLate ? [...all].reverse() : all
        let folded = foldRounds(input([], []))
        arriving.forEach((_, index) => {
          const acted = acts.filter((act) => act.atMin <= index * 15)
          folded = foldRounds(input(arriving.slice(0, index + 1), acted), folded)
        })
        folded = foldRounds(input(arriving, acts), folded)
        const whole = foldRounds(input(arriving, acts))
        const plain = (one: typeof whole) => JSON.parse(JSON.stringify(readRounds(one, 120))) as unknown
        expect(plain(folded)).to.deep.equal(plain(whole))
      }),
      { numRuns: draws, seed: isLong ? longSeed : 7 },
    )
  })

  it('adding a flag never removes a stop', () => {
    const flags = [
      'open',
      'pulse-absent',
      'skin-tented',
      'numb',
      'high-energy',
      'part-amputation',
      'penetrating',
      'wound-under-device',
    ] as const
    const stopsOf = (some: readonly (typeof flags)[number][]): readonly string[] =>
      (planCase({ ...clinicalCase, injury: { ...clinicalCase.injury, flags: some } }, testContext())?.cautions ?? [])
        .filter((caution) => caution.level === 'stop')
        .map((caution) => caution.code)
    fc.assert(
      fc.property(fc.subarray([...flags]), fc.constantFrom(...flags), (some, flag) => {
        expect(stopsOf([...new Set([...some, flag])])).to.include.members([...stopsOf(some)])
      }),
      { numRuns: 60, seed: isLong ? longSeed : 7 },
    )
  })
})
