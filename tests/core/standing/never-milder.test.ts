import { expect } from 'chai'
import fc from 'fast-check'
import { readCase } from '#core/files/read-case'
import type { ClinicalCase } from '#core/model/clinical-case'
import { blockNames, colours, feelings, movements, nerves, pulses, warmths, watchedOf, type RoundInput } from '#core/model/observation'
import { alsoAskedSigns, confusionItem, keyMovements, neckItems, skinWords, spineItems, type WordItem } from '#core/model/round-items'
import { isCaseAtRisk, situationOf } from '#core/standing/case-facts'
import { findingsAfterRounds } from '#core/standing/fold-rounds'
import type { ActionId } from '#core/model/action'
import { techniques } from '#core/techniques/registry'
import { exampleOf } from '../../harness/cases/example-cases'
import { isLong, longSeed } from '../../harness/long'

const draws = isLong ? 4_000 : 400

/**
 * What each item asks for when it is urgent, written down a second time, by item and by what is on, and not by the table that is tested: the
 * least that must be among the actions. `null`: nothing that the test could name.
 */
function leastFor(item: string, part: string, of: ClinicalCase, holds: string, isWorn: boolean): readonly ActionId[] {
  const isColumn = ['neck', 'spine'].includes(watchedOf(of.injury.region))
  const group = item.split('/')[0] ?? ''
  if (group === 'skin') return isWorn ? ['uncover'] : []
  if (['voice', 'swallowing', 'breathing', 'veins', 'breathlessness', 'breathingRate'].includes(item))
    return holds === 'head'
      ? ['hold-head', 'open-collar-held', 'oxygen', 'airway']
      : holds === 'spine'
        ? ['in-line', 'open-front', 'oxygen']
        : ['oxygen']
  if (['saddle', 'bladder', 'bowel', 'level'].includes(item) || (isColumn && ['feeling', 'movement', 'power'].includes(group)))
    return [holds === 'head' ? 'hold-head' : 'in-line']
  if (item === 'confusion') return ['airway', 'oxygen', 'sugar']
  if (part === 'vital' || (isColumn && ['colour', 'warmth', 'refill', 'pulse'].includes(group)))
    return ['look-for-bleeding', 'oxygen', 'pressure-5']
  if (!isWorn) return []
  if (holds === 'break') return ['call-and-open', 'open-to-skin', 'heart-level']
  return holds === 'pull' && !['movement/deep-peroneal', 'power/foot-up'].includes(item) ? ['ease-pull', 'check-again'] : []
}

const some = <T>(list: readonly T[]): fc.Arbitrary<T> => fc.constantFrom(...list)
/** Mostly well, so that one thing wrong stands alone as often as many together. */
const mostly = <T>(list: readonly T[]): fc.Arbitrary<T> =>
  fc.oneof({ weight: 6, arbitrary: fc.constant(list[0] as T) }, { weight: 1, arbitrary: some(list) })
const words = (items: readonly WordItem[]) => fc.record(Object.fromEntries(items.map((item) => [item.id, mostly(item.words)])))

function limb(limbId: 'arm' | 'leg', side: 'left' | 'right') {
  const each = <T>(one: fc.Arbitrary<T>, ids: readonly string[]) => fc.record(Object.fromEntries(ids.map((id) => [id, one])))
  const nerveIds = nerves[limbId].map((nerve) => nerve.id)
  return fc.record({
    limb: fc.constant(limbId),
    side: fc.constant(side),
    colour: mostly(colours),
    warmth: mostly(warmths),
    refillS: mostly([1, 3, 5]),
    pulse: mostly(pulses),
    movement: each(mostly(movements), nerveIds),
    feeling: each(mostly(feelings), nerveIds),
    power: each(
      mostly([5, 4, 0]),
      keyMovements[limbId].map((one) => one.id),
    ),
    restPain: mostly([2, 5, 8]),
    stretchPain: mostly([false, true]),
    tight: mostly([false, true]),
    skin: mostly(skinWords),
    also: fc.subarray([...alsoAskedSigns], { maxLength: 1 }),
  })
}

const round = fc.record({
  analgesia: fc.boolean(),
  limbs: fc.tuple(limb('arm', 'left'), limb('arm', 'right'), limb('leg', 'left'), limb('leg', 'right')),
  neck: words(neckItems),
  spine: words(spineItems),
  vital: fc.record({
    heartRate: mostly([80, 160, 30]),
    systolic: mostly([120, 80]),
    breathingRate: mostly([14, 7, 40]),
    confusion: mostly(confusionItem.words),
  }),
})

describe('what to do, whatever was found', () => {
  for (const { id } of techniques) {
    it(`${id}: nothing is milder than the table, and nobody opens a collar for the cord`, () => {
      const { clinicalCase } = readCase(exampleOf(id))
      if (!clinicalCase) throw new Error(id)
      const situation = situationOf(clinicalCase, { isOn: true, people: 2, posture: 'lying', isWarm: false, pullKg: null })
      const holds = situation.on?.holds ?? ''
      const isMet = { urgent: 0 }
      fc.assert(
        fc.property(fc.array(round, { minLength: 1, maxLength: 3 }), (all) => {
          const rounds = all.map((one, index) => ({ ...one, atMin: 15 * index }) as unknown as RoundInput)
          const { verdicts } = findingsAfterRounds(
            { clinicalCase, rounds, situationAt: () => situation, startMin: 0, isAtRisk: isCaseAtRisk(clinicalCase) },
            Infinity,
          )
          for (const verdict of verdicts) {
            const urgent = verdict.standing.filter((finding) => finding.level === 'urgent')
            if (urgent.length === 0) continue
            isMet.urgent++
            for (const one of urgent) {
              const isOfColumn = one.part === 'neck' || one.part === 'spine'
              const isWorn = situation.on?.part == null ? isOfColumn : one.part === situation.on.part
              for (const action of leastFor(one.item, one.part, clinicalCase, holds, isWorn))
                expect(verdict.actions, `${one.id} (${one.text})`).to.include(action)
            }
            expect(new Set(verdict.actions).size).to.equal(verdict.actions.length)
            const isCalled = verdict.actions.some((action) => action === 'call-senior' || action === 'call-and-open')
            expect(isCalled, 'nobody is called').to.equal(urgent.some((finding) => finding.danger !== 'pain') || situation.on !== null)
            if (urgent.every((finding) => finding.danger === 'cord')) expect(verdict.actions).to.not.include.members(['open-collar-held'])
            if (urgent.some((finding) => ['breathing', 'slow-breathing'].includes(finding.danger)))
              expect(verdict.actions).to.not.include('lie-flat')
          }
        }),
        { numRuns: Math.ceil(draws / techniques.length), seed: isLong ? longSeed : 11 },
      )
      expect(isMet.urgent).to.be.greaterThan(0)
    })
  }

  it('knows every block that a round may hold', () => {
    expect(blockNames).to.deep.equal(['neck', 'spine', 'vital'])
  })
})
