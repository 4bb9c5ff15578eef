import { expect } from 'chai'
import { readCase } from '#core/files/read-case'
import type { HeatResult } from '#core/figures/heat/solve-heat'
import { slowOutcome } from '#core/planner/slow-outcome'
import { planCase } from '#core/techniques/plan-case'
import { exampleOf } from '../../harness/cases/example-cases'
import { testContext } from '../../harness/cases/leg-slab-cases'

const { clinicalCase } = readCase(exampleOf('leg-slab'))
const task = planCase(clinicalCase!, testContext())?.pending.find(({ decision }) => decision === 'peak-skin-temp')
const cool = { peakC: 36, peakMin: 10, minutesAbove44: 0, omega: 0, skinC: [] } as unknown as HeatResult
const raised = (heat: Partial<HeatResult>): readonly string[] =>
  slowOutcome(task!, { decision: 'peak-skin-temp', result: { ...cool, ...heat } })!.cautions.map(({ level, code }) => `${level} ${code}`)

describe('what the heat of a setting slab raises', () => {
  it('is nothing while it stays cool, a caution from 44 °C, a stop from the burn integral of 0.53', () => {
    expect(raised({})).to.deep.equal([])
    expect(raised({ peakC: 43.9 })).to.deep.equal([])
    expect(raised({ peakC: 44 })).to.deep.equal(['caution hot-skin'])
    expect(raised({ omega: 0.529 })).to.deep.equal([])
    expect(raised({ omega: 0.53 })).to.deep.equal(['stop burn'])
    expect(raised({ omega: 1, peakC: 60 })).to.deep.equal(['stop burn', 'caution hot-skin'])
  })

  it('is no figure of another task', () => {
    expect(slowOutcome(task!, { decision: 'least-crew', result: {} as never })).to.equal(null)
  })

  it('stands where it is wetted and held, and outlasts the run', () => {
    const [burn] = slowOutcome(task!, { decision: 'peak-skin-temp', result: { ...cool, omega: 1 } })!.cautions
    expect(burn).to.deep.include({ at: ['wets', 'holds-to-set'], lasts: true })
  })
})
