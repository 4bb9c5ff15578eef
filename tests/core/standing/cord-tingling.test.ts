import { expect } from 'chai'
import { judgeCheck, type PrintedRound } from '#core/files/judge-check'
import { readCheck } from '#core/files/read-check'
import type { LimbFindings } from '#core/model/observation'
import { exampleOf } from '../../harness/cases/example-cases'
import { fourLimbs, quietNeck } from '../../../src/server/demo/findings'

type Tingling = Readonly<Record<string, readonly string[]>>

/** A complete round of a hurt neck; what is named tingles, and only that. */
function round(atMin: number, tingling: Tingling = {}, change: Partial<LimbFindings> = {}): object {
  const found = fourLimbs({ neck: quietNeck })
  const limbs = found.limbs.map((limb) => {
    const at = tingling[`${limb.limb}-${limb.side}`]
    const feeling = at ? { ...limb.feeling, ...Object.fromEntries(at.map((nerve) => [nerve, 'tingling'])) } : limb.feeling
    return { ...limb, feeling, ...(at ? change : {}) }
  })
  return { ...found, limbs, atMin }
}

function judge(rounds: readonly object[], told: readonly object[] = []): readonly PrintedRound[] {
  const read = readCheck({ format: 'zesty-wren/check', version: 1, case: exampleOf('extrication-collar'), rounds, told })
  expect(read.problems).to.deep.equal([])
  return judgeCheck(read)!
}
const levels = (rounds: readonly PrintedRound[]): string => rounds.map((one) => one.level).join(' ')
const hand: Tingling = { 'arm-left': ['median'] }
const heard = [{ atMin: 1, to: 'Otto Marlowe-Pike' }]

describe('tingling of a hurt neck', () => {
  it('is urgent where it is new or there from the first, and known once a senior was told', () => {
    expect(levels(judge([round(0), round(15, hand)]))).to.equal('none urgent')
    expect(levels(judge([round(0, hand), round(15, hand)]))).to.equal('urgent urgent')
    expect(levels(judge([round(0, hand), round(15, hand)], heard))).to.equal('urgent known')
  })
  it('is a review where it comes back in the same place, alone', () => {
    expect(levels(judge([round(0, hand), round(15), round(30), round(60, hand)], heard))).to.match(/review$/)
  })
  it('is urgent where it spreads, on the other limb, or as numbness', () => {
    const spread = [{ 'arm-left': ['median', 'ulnar'] }, { 'arm-left': ['median'], 'arm-right': ['median'] }, { 'leg-left': ['tibial'] }]
    for (const more of spread) expect(levels(judge([round(0, hand), round(15), round(30), round(60, more)], heard))).to.match(/urgent$/)
    const numb = round(60, hand, { feeling: { radial: 'normal', median: 'none', ulnar: 'normal' } })
    expect(levels(judge([round(0, hand), round(15), round(30), numb], heard))).to.match(/urgent$/)
  })
  it('is urgent where any other sign of the cord is new beside it, in the same round', () => {
    const weak = round(60, hand, { movement: { radial: 'weak' } } as never)
    expect(levels(judge([round(0, hand), round(15), round(30), weak], heard))).to.match(/urgent$/)
  })
  it('is urgent where both hands that had it have it again', () => {
    const both: Tingling = { 'arm-left': ['median'], 'arm-right': ['median'] }
    expect(levels(judge([round(0, both), round(15), round(30), round(60, both)], heard))).to.match(/urgent$/)
  })
})
