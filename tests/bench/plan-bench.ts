import { readCase } from '#core/files/read-case'
import type { ClinicalCase } from '#core/model/clinical-case'
import { createMemo } from '#core/model/plan-context'
import { finishPlan } from '#core/techniques/finish-plan'
import { planCase } from '#core/techniques/plan-case'
import { techniques } from '#core/techniques/registry'
import { whatIf } from '#core/techniques/what-if'
import { askedFlags } from '#core/model/flag-words'
import { exampleOf } from '../harness/cases/example-cases'
import { testContext } from '../harness/cases/leg-slab-cases'
import { percentiles, timeOf, type Figure } from './figure'
import { sized } from './size'

/** Plans of every technique without the two slow decisions, and, for the slowest, its far end and whole for the first time. */
export function benchPlans(): readonly Figure[] {
  const rows = techniques.map(({ id }) => {
    const { clinicalCase } = readCase(exampleOf(id))
    if (!clinicalCase) throw new Error(`the example of ${id} cannot be read`)
    return { id, quick: benchQuick(clinicalCase), whole: benchWhole(clinicalCase), asked: benchQuestions(clinicalCase) }
  })
  const worst = (of: (row: (typeof rows)[number]) => number) => rows.reduce((a, b) => (of(b) > of(a) ? b : a))
  const figure = (name: string, of: (row: (typeof rows)[number]) => number, limit: number): Figure => {
    const row = worst(of)
    return { name: `${name}, slowest of ${rows.length} (${row.id})`, value: of(row), unit: 'ms', limit }
  }
  return [
    ...rows.map(({ id, quick }): Figure => ({
      name: `plan without the slow two, median, ${id}`,
      value: quick.median,
      unit: 'ms',
      limit: 0.6,
    })),
    figure('plan without the slow two, 95th percentile', (row) => row.quick.p95, 2),
    figure('plan whole for the first time, median', (row) => row.whole, 60),
    figure('what every open question could change, median', (row) => row.asked, 150),
  ]
}

function benchQuick(clinicalCase: ClinicalCase): { median: number; p95: number } {
  const ctx = testContext()
  for (let warm = 0; warm < sized(500, 1); warm++) planCase(clinicalCase, ctx)
  return percentiles(Array.from({ length: sized(500, 2) }, () => timeOf(() => planCase(clinicalCase, ctx))))
}

function benchWhole(clinicalCase: ClinicalCase): number {
  const times = Array.from({ length: sized(10, 1) }, () =>
    timeOf(() => {
      const fresh = { ...testContext(), memo: createMemo() }
      const plan = planCase(clinicalCase, fresh)
      if (plan) finishPlan(plan, fresh, [])
    }),
  )
  return percentiles(times).median
}

function benchQuestions(clinicalCase: ClinicalCase): number {
  const questions = [...askedFlags, 'swelling', 'level', 'position', 'age', 'height', 'mass'] as const
  const times = Array.from({ length: sized(12, 3) }, () => timeOf(() => void whatIf(clinicalCase, testContext(), questions)))
  return percentiles(times.slice(2)).median
}
