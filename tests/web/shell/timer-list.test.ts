import { expect } from 'chai'
import type { TimerRecord } from '#contract/records/run'
import type { CaseTimers } from '../../../src/web/sync/durable'
import { foldTimers, listTimers } from '../../../src/web/case/timer-store'

const now = Date.parse('2026-03-28T23:58:00Z')
const timer = (id: string, minutes: number, agoMin = 0): TimerRecord => ({
  id,
  label: id,
  minutes,
  startedAt: new Date(now - agoMin * 60_000).toISOString(),
})
const entry = (caseId: string, ...timers: readonly TimerRecord[]): CaseTimers => ({
  caseId,
  runId: `run of ${caseId}`,
  patient: caseId,
  timers,
})
const list = (entries: readonly CaseTimers[], held: string | null = null): readonly string[] =>
  listTimers(Object.fromEntries(entries.map((one) => [one.caseId, one])), now, held).map((one) => `${one.caseId} ${one.timer.id}`)

describe('the timers that every screen shows', () => {
  it('are those of all cases, the one that ends first first', () => {
    expect(list([entry('a', timer('set', 5), timer('limit', 2)), entry('b', timer('set', 4))])).to.deep.equal(['a limit', 'b set', 'a set'])
  })

  it('stay for ten minutes past their end, over midnight, and then go', () => {
    expect(list([entry('a', timer('set', 5, 14.9))])).to.deep.equal(['a set'])
    expect(list([entry('a', timer('set', 5, 15.1))])).to.deep.equal([])
  })

  it('of other cases leave out a day of curing, of the case in hand nothing', () => {
    const entries = [entry('a', timer('cure', 1440), timer('convert', 120))]
    expect(list(entries, 'b')).to.deep.equal(['a convert'])
    expect(list(entries, 'a')).to.deep.equal(['a convert', 'a cure'])
  })

  it('are none without any', () => expect(list([])).to.deep.equal([]))

  describe('fold so that the header stays one line', () => {
    const inSight = (entries: readonly CaseTimers[], held: string | null): readonly string[] => {
      const shown = listTimers(Object.fromEntries(entries.map((one) => [one.caseId, one])), now, held)
      const folded = foldTimers(shown, held, now)
      expect([...folded.inSight, ...folded.folded]).to.have.members([...shown])
      return folded.inSight.map((one) => `${one.caseId} ${one.timer.id}`)
    }
    const others = ['b', 'c', 'd', 'e'].map((id, index) => entry(id, timer('set', 10 + index)))

    it('to those of the case in hand', () => {
      expect(inSight([entry('a', timer('set', 5), timer('cure', 1440)), ...others], 'a')).to.deep.equal(['a set', 'a cure'])
    })

    it('to what has ended or ends within a minute, wherever it runs', () => {
      const late = [entry('x', timer('limit', 0.5)), entry('y', timer('set', 5, 6))]
      expect(inSight([entry('a', timer('set', 5)), ...late, ...others], 'a')).to.deep.equal(['y set', 'x limit', 'a set'])
    })

    it('to one on a phone, and never to more than a line holds', () => {
      const shown = listTimers(
        { a: entry('a', ...['set', 'hold', 'limit', 'wait', 'cooling'].map((id, at) => timer(id, 5 + at))) },
        now,
        'a',
      )
      expect(foldTimers(shown, 'a', now, 1).inSight.map((one) => one.timer.id)).to.deep.equal(['set'])
      expect(foldTimers(shown, 'a', now).inSight).to.have.length(3)
    })

    it('to the first three where nothing presses', () => {
      expect(inSight(others, null)).to.deep.equal(['b set', 'c set', 'd set'])
      expect(inSight(others.slice(0, 2), null)).to.deep.equal(['b set', 'c set'])
    })
  })
})
