import { expect } from 'chai'
import { findingsAfterRounds } from '#core/standing/fold-rounds'
import type { RoundVerdict } from '#core/standing/standing-finding'
import type { ClinicalCase } from '#core/model/clinical-case'
import type { RoundInput } from '#core/model/observation'
import { readCase } from '#core/files/read-case'
import {
  cannot,
  columnItems,
  keyRows,
  roundItems,
  toColumnFindings,
  tickAlso,
  toFindings,
  type RoundEntries,
} from '../../../src/web/round/round-items'
import { exampleOf } from '../../harness/cases/example-cases'
import { wearing } from '../../harness/cases/situations'

const sides = ['left', 'right'] as const
const normalLimb = (limb: 'leg' | 'arm', side: 'left' | 'right'): RoundEntries =>
  Object.fromEntries(roundItems(limb).map((item) => [`${side}/${item.key}`, item.normal]))
const normalColumn = (watched: 'neck' | 'spine'): RoundEntries => ({
  ...Object.fromEntries(columnItems(watched).map((item) => [`column/${item.key}`, item.normal])),
  ...Object.fromEntries(
    (['arm', 'leg'] as const).flatMap((limb) =>
      sides.flatMap((side) => keyRows(limb).map((item) => [`${limb}-${side}/${item.key}`, item.normal])),
    ),
  ),
})
const caseOf = (technique: string) => {
  const { clinicalCase } = readCase(exampleOf(technique))
  if (!clinicalCase) throw new Error(technique)
  return clinicalCase
}
/** Verdicts of rounds on a case at risk: what cannot be assessed warns there. */
const judgeRounds = (clinicalCase: ClinicalCase, rounds: readonly RoundInput[], holds: 'break' | 'head'): readonly RoundVerdict[] =>
  findingsAfterRounds({ clinicalCase, rounds, situationAt: () => wearing(holds), startMin: 0, isAtRisk: true }, 1000).verdicts
const round = (limb: 'leg' | 'arm', entries: RoundEntries, baseline: boolean, atMin: number): RoundInput => ({
  baseline,
  atMin,
  analgesia: false,
  limbs: sides.map((side) => toFindings(limb, side, entries, 'block until noon')),
})

describe('what is tapped in a limb round', () => {
  for (const [limb, technique] of [
    ['leg', 'leg-slab'],
    ['arm', 'volar-slab'],
  ] as const) {
    const normal: RoundEntries = { ...normalLimb(limb, 'left'), ...normalLimb(limb, 'right') }

    it(`${limb}: "normal" for everything is a whole, quiet round`, () => {
      const [first, second] = judgeRounds(caseOf(technique), [round(limb, normal, true, 0), round(limb, normal, false, 30)], 'break')
      expect(first?.complete).to.equal(true)
      expect(second).to.include({ level: 'none', complete: true })
    })

    for (const item of roundItems(limb).filter((roundItem) => roundItem.injuredOnly !== true)) {
      it(`${limb}: without "${item.key}" the round is not called whole, or it needs no such answer`, () => {
        const { [`left/${item.key}`]: left, ...rest } = normal
        expect(left, 'the normal round answers it').to.be.a('string')
        const found = toFindings(limb, 'left', rest, '') as unknown as Record<string, unknown>
        const [group = '', nerve] = item.key.split('/')
        const kept = nerve ? (found[group] as Record<string, unknown> | undefined)?.[nerve] : found[group]
        expect(kept).to.equal(undefined)
      })

      it(`${limb}: "${item.key}" that could not be judged is never normal`, () => {
        const blind = { ...normal, [`left/${item.key}`]: cannot }
        const [, verdict] = judgeRounds(caseOf(technique), [round(limb, normal, true, 0), round(limb, blind, false, 30)], 'break')
        const text = JSON.stringify(toFindings(limb, 'left', blind, 'block until noon'))
        expect(text).to.include('"cannotAssess":true').and.to.include('block until noon')
        expect(verdict?.level).not.to.equal('none')
      })
    }

    it(`${limb}: words are those that the core knows`, () => {
      for (const item of roundItems(limb)) {
        for (const word of item.words) {
          const findings = toFindings(limb, 'left', { ...normal, [`left/${item.key}`]: word }, '')
          const [verdict] = judgeRounds(caseOf(technique), [{ baseline: false, atMin: 30, analgesia: false, limbs: [findings] }], 'break')
          expect(verdict, `${item.key} ${word}`).to.not.equal(undefined)
          expect(JSON.stringify(verdict)).not.to.include('NaN')
        }
      }
    })
  }

  it('keeps pain beyond the expected, one-spot pain and other signs apart', () => {
    const findings = toFindings('leg', 'left', { 'left/also': 'pain-beyond spot-pain smell stain', 'left/skin': 'broken' }, '')
    expect(findings).to.deep.include({ painBeyondExpected: true, spotPain: true, also: ['smell', 'stain'], skin: 'broken' })
    expect(toFindings('leg', 'left', { 'left/also': 'none' }, '')).to.deep.include({ painBeyondExpected: false, spotPain: false, also: [] })
    expect(toFindings('leg', 'left', {}, '')).not.to.have.any.keys('also', 'spotPain')
    expect(tickAlso(['smell'], ['smell', 'none'])).to.deep.equal(['none'])
    expect(tickAlso(['none'], ['none', 'wet'])).to.deep.equal(['wet'])
  })
})

describe('what is tapped in a round of neck or spine', () => {
  for (const [watched, technique] of [
    ['neck', 'care-collar'],
    ['spine', 'trunk-shell'],
  ] as const) {
    const input = (entries: RoundEntries, baseline: boolean, atMin: number): RoundInput => ({
      ...toColumnFindings(watched, entries, ''),
      baseline,
      atMin,
    })
    const normal = normalColumn(watched)
    const verdictOf = (entries: RoundEntries) =>
      judgeRounds(caseOf(technique), [input(normal, true, 0), input(entries, false, 60)], watched === 'neck' ? 'head' : 'break')[1]

    it(`${watched}: "the rest is normal" is a whole, quiet round of four limbs`, () => {
      expect(toColumnFindings(watched, normal, '').limbs).to.have.length(4)
      expect(verdictOf(normal)).to.include({ level: 'none', complete: true })
    })

    for (const item of columnItems(watched)) {
      for (const word of item.words.slice(1)) {
        it(`${watched}: ${item.key} "${word}" is not quiet`, () => {
          expect(verdictOf({ ...normal, [`column/${item.key}`]: word })?.level).not.to.equal('none')
        })
      }
    }

    it(`${watched}: nothing entered is nothing found, not "normal"`, () => {
      const empty = toColumnFindings(watched, {}, '')
      expect(empty.limbs).to.deep.equal([])
      expect(verdictOf({})?.complete).to.equal(false)
    })
  }
})
