import { expect } from 'chai'
import fc from 'fast-check'
import { cohensKappa } from '#core/practice/stations/agreement'
import { lastOf, mergeMarks, runOf, standingMarks, type StationMark } from '#core/practice/stations/marks'
import { isLong } from '../../harness/long'

const mark = (id: string, atMs: number, what: StationMark['what']): StationMark => ({ id, atMs, what })
const tick = (id: string, atMs: number, stepId = id): StationMark => mark(id, atMs, { kind: 'tick', stepId })

const someMark = fc.record({
  id: fc.constantFrom(...'abcdefgh'),
  atMs: fc.integer({ min: 0, max: 9 }).map((one) => one * 100),
  what: fc.oneof(
    fc.constantFrom('one', 'two', 'three').map((stepId) => ({ kind: 'tick', stepId }) as const),
    fc.constantFrom(...'abcdefgh').map((of) => ({ kind: 'undo', of }) as const),
    fc.constant({ kind: 'end' } as const),
  ),
})
/** Marks as tablets make them: one for each id. */
const someMarks = fc.uniqueArray(someMark, { selector: (one) => one.id, maxLength: 8 })

describe('marks of a run', () => {
  it('come together in any order, as often as one likes, and are one run', () => {
    fc.assert(
      fc.property(someMarks, fc.array(fc.boolean(), { minLength: 8, maxLength: 8 }), (all, isHere) => {
        const here = all.filter((_, index) => isHere[index])
        const there = all.filter((_, index) => !isHere[index])
        const whole = mergeMarks(all, [])
        expect(mergeMarks(here, there)).to.deep.equal(whole)
        expect(mergeMarks(there, mergeMarks(here, all))).to.deep.equal(whole)
        expect(runOf([...there, ...here])).to.deep.equal(runOf(all))
      }),
      { numRuns: isLong ? 2_000 : 200 },
    )
  })

  it('never count what was undone, whether the undoing came before or after', () => {
    const slip = tick('slip', 300)
    const undo = mark('undo', 400, { kind: 'undo', of: 'slip' })
    for (const marks of [
      [tick('a', 100), slip, undo],
      [undo, slip, tick('a', 100)],
    ]) {
      expect(runOf(marks).ticks).to.deep.equal([{ stepId: 'a', atMs: 100 }])
      expect(lastOf(marks, 'tick')?.id).to.equal('a')
    }
    expect(standingMarks([undo])).to.deep.equal([])
  })

  it('take the first end: what was done after it does not count, what was judged after it does', () => {
    const run = runOf([
      tick('a', 100),
      tick('late', 900),
      mark('end1', 500, { kind: 'end' }),
      mark('end2', 700, { kind: 'end' }),
      mark('crit', 950, { kind: 'critical', error: 'wrong-side' }),
    ])
    expect(run.endedMs).to.equal(500)
    expect(run.ticks.map((one) => one.stepId)).to.deep.equal(['a'])
    expect(run.criticals).to.deep.equal([{ id: 'wrong-side', atMs: 950 }])
  })

  it('tell each question once, and the last answer counts', () => {
    const run = runOf([
      mark('t1', 10, { kind: 'told', ask: 2 }),
      mark('t2', 20, { kind: 'told', ask: 2 }),
      mark('a1', 30, { kind: 'answer', decision: 'load', given: '5' }),
      mark('a2', 40, { kind: 'answer', decision: 'load', given: '7' }),
    ])
    expect(run.told).to.deep.equal([2])
    expect(run.answers.at(-1)).to.deep.equal({ decision: 'load', given: '7' })
  })
})

describe('Cohen’s kappa', () => {
  const pairs = (yesYes: number, yesNo: number, noYes: number, noNo: number) => [
    ...Array.from({ length: yesYes }, () => [true, true] as const),
    ...Array.from({ length: yesNo }, () => [true, false] as const),
    ...Array.from({ length: noYes }, () => [false, true] as const),
    ...Array.from({ length: noNo }, () => [false, false] as const),
  ]
  it('is 0.4 where 70 of 100 are alike and half would be by chance', () => {
    const { observed, kappa } = cohensKappa(pairs(20, 5, 10, 15))
    expect(observed).to.be.closeTo(0.7, 1e-12)
    expect(kappa).to.be.closeTo(0.4, 1e-12)
  })
  it('is 1 for all alike, below 0 for less than chance, and nothing where nothing differs', () => {
    expect(cohensKappa(pairs(3, 0, 0, 3)).kappa).to.equal(1)
    expect(cohensKappa(pairs(0, 3, 3, 0)).kappa).to.equal(-1)
    expect(cohensKappa(pairs(6, 0, 0, 0))).to.deep.equal({ observed: 1, kappa: null })
    expect(cohensKappa([])).to.deep.equal({ observed: null, kappa: null })
  })
})
