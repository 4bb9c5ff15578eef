import { expect } from 'chai'
import type { CaseRecord } from '#contract/records/case'
import { answeredUnread, measuredBeyond } from '#ward/case/measured-beyond'
import type { Plan } from '#core/model/plan'
import { exampleOf } from '../harness/cases/example-cases'
import { planFile } from '../harness/cases/leg-slab-cases'

const slab = planFile(exampleOf('leg-slab'))
const traction = planFile(exampleOf('pole-traction'))
const never = (): boolean => false
const at = '2026-01-10T09:00:00Z'

type Read = { angleId: string; deg: number } | { kg: number | null }

/** A device on which this was read in turn, each at a step of its plan. */
function read(plan: Plan, ...readings: readonly Read[]): CaseRecord {
  const stepOf = (has: 'angles' | 'pull'): string => plan.procedure.steps.findLast((step) => step[has])?.id ?? ''
  const angles = readings.flatMap((reading) =>
    'angleId' in reading ? [{ ...reading, stepId: stepOf('angles'), tool: 'goniometer', at, by: 'Ada' }] : [],
  )
  const pulls = readings.flatMap((reading) => ('kg' in reading ? [{ ...reading, stepId: stepOf('pull'), at, by: 'Ada' }] : []))
  return {
    technique: plan.technique,
    accepted: { plan, at, by: 'Ada' },
    removedAt: null,
    runs: [{ id: 'r1', startedAt: at, by: 'Ada', steps: [], timers: [], angles, pulls }],
  } as unknown as CaseRecord
}

describe('what was measured beyond its limit', () => {
  const aim = slab.procedure.steps.flatMap((step) => step.angles ?? []).find((one) => one.id === 'foot-plane')!

  it('is an angle outside its band, on either side of it, until it is read within', () => {
    expect(measuredBeyond(read(slab), never)).to.deep.equal([])
    for (const deg of [aim.lowDeg - 1, aim.highDeg + 1]) {
      const [item, ...more] = measuredBeyond(read(slab, { angleId: aim.id, deg }), never)
      expect(more).to.deep.equal([])
      expect(item).to.include({ id: 'angle/foot-plane', level: 'warn' })
      expect(item?.text).to.include(`read ${deg}°`).and.include(`${aim.lowDeg}° to ${aim.highDeg}°`)
    }
    for (const deg of [aim.lowDeg, aim.targetDeg, aim.highDeg])
      expect(measuredBeyond(read(slab, { angleId: aim.id, deg: 40 }, { angleId: aim.id, deg }), never)).to.deep.equal([])
  })

  it('is a pull over the most or over what is expected, until a complete round', () => {
    const limit = traction.procedure.steps.find((step) => step.pull)!.pull!
    expect(measuredBeyond(read(traction, { kg: limit.expectedKg }), never)).to.deep.equal([])
    expect(measuredBeyond(read(traction, { kg: null }), never)).to.deep.equal([])
    const over = read(traction, { kg: limit.mostKg + 1 })
    expect(measuredBeyond(over, never)[0]?.text).to.include(`never above ${limit.mostKg} kg`)
    expect(measuredBeyond(over, () => true)).to.deep.equal([])
    expect(measuredBeyond(read(traction, { kg: limit.mostKg + 1 }, { kg: limit.expectedKg }), never)).to.deep.equal([])
  })

  it('stands no longer about what was taken off', () => {
    expect(measuredBeyond({ ...read(slab, { angleId: aim.id, deg: 40 }), removedAt: at }, never)).to.deep.equal([])
  })
})

describe('a "yes" about an angle', () => {
  const test = slab.fit.find((one) => one.reads === 'foot-plane')!

  it('is not read while the angle is not read', () => {
    expect(answeredUnread(read(slab), test, true)?.label).to.equal('Foot plane')
    expect(answeredUnread(read(slab, { angleId: 'foot-plane', deg: 0 }), test, true)).to.equal(null)
    expect(answeredUnread(read(slab), test, false), 'a no is a finding of its own').to.equal(null)
  })

  it('counts where no step of the plan reads that angle', () => {
    expect(answeredUnread(read(traction), test, true)).to.equal(null)
  })
})
