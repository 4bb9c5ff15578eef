import { expect } from 'chai'
import type { TimerRecord } from '#contract/records/run'
import type { CaseTimers } from '../../../src/web/sync/durable'
import { listTimers, sortClocks, type ShownTimer } from '../../../src/web/strip/timer-store'
import { inSayingOrder } from '../../../src/web/strip/saying'
import { whoseClock } from '../../../src/web/strip/clock-face'

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
  listTimers(Object.fromEntries(entries.map((one) => [one.caseId, one])), now, held).map(
    (listTimer) => `${listTimer.caseId} ${listTimer.timer.id}`,
  )

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

  describe('in the strip below the header', () => {
    const sorted = (entries: readonly CaseTimers[], held: string | null): Record<'pressing' | 'own' | 'others', readonly string[]> => {
      const { pressing, own, others } = sortClocks(
        listTimers(Object.fromEntries(entries.map((one) => [one.caseId, one])), now, held),
        held,
        now,
      )
      const names = (clocks: readonly ShownTimer[]): readonly string[] => clocks.map((clock) => `${clock.caseId} ${clock.timer.id}`)
      return { pressing: names(pressing), own: names(own), others: names(others) }
    }
    const running = ['b', 'c', 'd'].map((id, index) => entry(id, timer('set', 10 + index)))

    it('stand those of the case in hand by themselves, and all others behind one mark', () => {
      expect(sorted([entry('a', timer('set', 5), timer('cure', 1440)), ...running], 'a')).to.deep.equal({
        pressing: [],
        own: ['a set', 'a cure'],
        others: ['b set', 'c set', 'd set'],
      })
    })

    it('what has ended and was not heard takes it, whosever it is; of other patients also what ends within a minute', () => {
      const late = [entry('x', timer('limit', 0.5)), entry('y', timer('set', 5, 6)), entry('z', timer('set', 1))]
      const { pressing, own } = sorted([entry('a', timer('hold', 2, 3), timer('set', 0.4)), ...late, ...running], 'a')
      expect(pressing).to.deep.equal(['a hold', 'y set', 'x limit'])
      expect(own, 'still running: it stands in the strip all the time').to.deep.equal(['a set'])
    })

    it('nothing is lost: each clock takes the strip, stands in it or is behind the mark', () => {
      const all = [entry('a', timer('set', 5), timer('hold', 1, 2)), entry('x', timer('limit', 0.5)), ...running]
      const { pressing, own, others } = sorted(all, 'a')
      expect(new Set([...pressing, ...own, ...others])).to.have.property('size', 6)
      expect(sorted(all, null).own).to.deep.equal([])
    })
  })

  it('say whose they are by initials and bed, and the sentences come by what they are about', () => {
    const [clock] = listTimers({ a: { ...entry('a', timer('set', 5)), patient: 'Jago Penrose-Lyle', place: 'Majors 2' } }, now, null)
    expect(clock && whoseClock(clock)).to.equal('J.P.L., Majors 2')
    expect(whoseClock({ ...(clock as ShownTimer), patient: '', place: '' })).to.equal('another patient')
    const ranks = ['line', 'review', 'urgent', 'entry', 'clock', 'not-sent'] as const
    expect(inSayingOrder(ranks.map((rank) => ({ rank }))).map(({ rank }) => rank)).to.deep.equal([
      'urgent',
      'clock',
      'not-sent',
      'entry',
      'review',
      'line',
    ])
  })
})
