import { readCase } from '#core/case/read-case'
import { createMemo } from '#core/plan/context'
import { finishPlan } from '#core/plan/finish-plan'
import { planCase } from '#core/plan/plan-case'
import { ankleCase, testContext } from '../core/leg-slab-cases'
import { percentiles, type Figure } from './figure'

/** Plans without the two slow decisions, and whole for the first time. */
export function benchPlans(): readonly Figure[] {
  const { clinicalCase } = readCase(ankleCase())
  if (!clinicalCase) throw new Error('the bench case cannot be read')
  const ctx = testContext()
  const time = (work: () => void): number => {
    const start = performance.now()
    work()
    return performance.now() - start
  }
  for (let warm = 0; warm < 200; warm++) planCase(clinicalCase, ctx)
  const quick = percentiles(Array.from({ length: 500 }, () => time(() => planCase(clinicalCase, ctx))))
  const whole = percentiles(
    Array.from({ length: 20 }, () =>
      time(() => {
        const fresh = { ...ctx, memo: createMemo() }
        const plan = planCase(clinicalCase, fresh)
        if (plan) finishPlan(plan, fresh, [])
      }),
    ),
  )
  return [
    { name: 'plan without the slow two, median', value: quick.median, unit: 'ms', limit: 2 },
    { name: 'plan without the slow two, 95th percentile', value: quick.p95, unit: 'ms', limit: 6 },
    { name: 'plan whole for the first time, median', value: whole.median, unit: 'ms', limit: 60 },
  ]
}
