import { expect } from 'chai'
import { judgeCheck, problemsOfCheck, type PrintedRound } from '#core/files/judge-check'
import { readCheck } from '#core/files/read-check'
import { ankleCase } from '../../harness/cases/leg-slab-cases'
import { exampleOf } from '../../harness/cases/example-cases'
import { legRound, type Limb } from '../../harness/cases/leg-rounds'

/** A round of a patient who cannot answer: only what is seen and felt. */
function unasked(atMin: number, change: Limb = {}, cannotAsk = 'unresponsive'): object {
  const round = legRound(atMin, change)
  const limbs = round.limbs.map(({ feeling, movement, restPain, stretchPain, ...seen }) => seen)
  return { ...round, limbs, cannotAsk }
}

function judge(rounds: readonly object[], file: object = ankleCase(), on = true): readonly PrintedRound[] {
  const read = readCheck({ format: 'zesty-wren/check', version: 1, case: file, rounds, on })
  expect(problemsOfCheck(read)).to.deep.equal([])
  return judgeCheck(read)!
}
const line = 'leg-left/cannot-be-asked'
const levels = (rounds: readonly PrintedRound[]): string => rounds.map((round) => round.level).join(' ')

describe('a patient who cannot be asked', () => {
  it('is one line, a warning with its reason, and the round is complete without answers', () => {
    const [only] = judge([unasked(0, { swelling: 'none' })])
    expect(only).to.include({ level: 'warn', complete: true })
    expect(only?.standing.map(({ id, level, state }) => `${id} ${level} ${state}`)).to.deep.equal([`${line} warn cannot-be-asked`])
  })
  it('is over once they answer, and ends no urgent finding', () => {
    const after = judge([legRound(0), legRound(15, { restPain: 8 }), unasked(30), legRound(45)])
    expect(levels(after)).to.equal('none urgent urgent review')
    expect(after.map((round) => round.standing.some(({ id }) => id === line))).to.deep.equal([false, false, true, false])
  })
  it('counts toward no review beside one warning, and no quiet round waits for it', () => {
    expect(levels(judge([unasked(0), unasked(15, { pulse: 'weak' })]))).to.equal('warn warn')
    const quiet = judge([unasked(0), unasked(10, { pulse: 'absent' }), unasked(20), unasked(40)])
    expect(levels(quiet)).to.equal('warn urgent review warn')
  })
  it('in a closed device: swelling a grade up, or tight, is a review; both or two grades are urgent and call', () => {
    const mild = unasked(0, { swelling: 'mild' })
    expect(judge([mild, unasked(15, { swelling: 'moderate' })])[1]).to.deep.include({
      level: 'review',
      actions: ['loosen', 'senior-30', 'again-15'],
    })
    expect(levels(judge([mild, unasked(15, { swelling: 'mild', tight: true })]))).to.equal('warn review')
    const marked = judge([mild, unasked(15, { swelling: 'marked' })])
    expect(marked[1]?.level).to.equal('urgent')
    expect(marked[1]?.actions.slice(0, 2)).to.deep.equal(['call-and-open', 'open-to-skin'])
    expect(marked[1]?.findings.find(({ item }) => item === 'swelling')?.text).to.include('nobody can say whether it hurts')
    expect(levels(judge([mild, unasked(15, { swelling: 'moderate', tight: true })]))).to.equal('warn urgent')
  })
  it('sees swelling that creeps, a grade at each look', () => {
    const creeping = ['none', 'mild', 'moderate'].map((swelling, index) => unasked(index * 15, { swelling }))
    expect(levels(judge(creeping))).to.equal('warn review urgent')
  })
  it('raises nothing where nothing is on, where it is not closed, or where they answer', () => {
    const swelling = (of: typeof unasked) => [of(0, { swelling: 'mild' }), of(15, { swelling: 'marked' })]
    expect(levels(judge(swelling(unasked), ankleCase(), false))).to.not.include('urgent')
    expect(levels(judge(swelling(unasked), exampleOf('frame-traction')))).to.not.include('urgent')
    expect(levels(judge([legRound(0, { swelling: 'mild' }), legRound(15, { swelling: 'marked' })]))).to.equal('none warn')
  })
  it('says which reasons there are', () => {
    const read = readCheck({ format: 'zesty-wren/check', version: 1, case: ankleCase(), rounds: [unasked(0, {}, 'asleep')] })
    expect(read.problems.map(({ code, path }) => `${code} ${path}`)).to.deep.equal(['format rounds/0/cannotAsk'])
  })
})
