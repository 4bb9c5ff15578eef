import { expect } from 'chai'
import { wetNow } from '#core/runs/wet-now'
import { planFile } from '../../harness/cases/leg-slab-cases'
import { changedExample, exampleOf } from '../../harness/cases/example-cases'

const start = Date.parse('2026-01-10T08:00:00Z')
const started = (id: string, afterMin: number, minutes: number, kind: 'set' | 'cure' = 'set') => ({
  id,
  label: id,
  kind,
  startedAt: new Date(start + afterMin * 60_000).toISOString(),
  minutes,
})
const long = planFile(
  changedExample('leg-cast', (file) => {
    file.options = { ...file.options, extent: 'long', order: 'lower-part-first' }
    file.measurements.push(
      { id: 'inside-leg', side: 'right', value: 78, unit: 'cm' },
      { id: 'mid-thigh-girth', side: 'left', value: 50, unit: 'cm' },
    )
  }),
).procedure.steps

describe('what is workable now', () => {
  it('goes by the clock of each part, the most pressing first', () => {
    const parts = wetNow(long, [started('part-ankle', 0, 5), started('set', 3, 5)], start + 4 * 60_000)
    expect(parts.map((part) => part.id)).to.deep.equal(['part-ankle', 'set'])
    expect(parts.map((part) => part.state)).to.deep.equal(['setting', 'workable'])
    expect(parts[0]?.leftMs).to.equal(60_000)
    expect(parts[0]?.bands).to.deep.equal(['cast-foot', 'roll-1'])
    expect(parts[1]?.bands).to.deep.equal(['cast-thigh', 'roll-8'])
  })

  it('lets the later wetting speak for a band that is covered again', () => {
    const bonds = long.flatMap((step) => (step.moreTimers ?? []).map((timer) => ({ id: timer.id, where: step.where ?? [] })))
    const [first, second] = bonds.filter((bond) => bond.where.includes('cast-lower'))
    const timers = [started(first?.id ?? '', 0, 4), ...(second ? [started(second.id, 2, 4)] : [started('part-ankle', 2, 5)])]
    const parts = wetNow(long, timers, start + 3 * 60_000)
    expect(parts.find((part) => part.id === first?.id)?.bands, 'the roll itself').to.deep.equal(['roll-3'])
    expect(parts.filter((part) => part.bands.includes('cast-lower'))).to.have.length(1)
  })

  it('says set at the end of its time, not before', () => {
    const at = (minute: number) => wetNow(long, [started('set', 0, 5)], start + minute * 60_000)[0]?.state
    expect([0, 3.7, 3.8, 4.99, 5, 9].map(at)).to.deep.equal(['workable', 'workable', 'setting', 'setting', 'set', 'set'])
  })

  it('counts only what sets, and a strip wetted beside the patient as the slab', () => {
    const slab = planFile(exampleOf('leg-slab')).procedure.steps
    expect(wetNow(slab, [started('cure', 0, 20, 'cure')], start)).to.deep.equal([])
    expect(wetNow(slab, [started('set', 0, 5)], start)[0]?.bands).to.deep.equal(['slab'])
  })
})
