import { forecastCrew } from '#core/figures/crew/crew-odds'
import { readCase } from '#core/files/read-case'
import { planCase } from '#core/techniques/plan-case'
import { forecastWard, nursesToClear, type DueTask } from '#core/rounds/ward-forecast'
import { techniques } from '#core/techniques/registry'
import { exampleOf } from '../harness/cases/example-cases'
import { testContext } from '../harness/cases/leg-slab-cases'
import { percentiles, timeOf, type Figure } from './figure'
import { sized } from './size'

/** Crew odds of every technique that wets something, and the forecast of a ward of sixty. */
export function benchPeople(): readonly Figure[] {
  const inputs = techniques.flatMap(({ id }) => {
    const { clinicalCase } = readCase(exampleOf(id))
    const pending = clinicalCase ? (planCase(clinicalCase, testContext())?.pending ?? []) : []
    return pending.flatMap((task) => (task.decision === 'least-crew' ? [{ id, input: task.input }] : []))
  })
  const crews = inputs.map(({ id, input }) => ({
    id,
    ms: percentiles(Array.from({ length: sized(10, 1) }, () => timeOf(() => void forecastCrew(input)))).median,
  }))
  const slowest = crews.reduce((a, b) => (b.ms > a.ms ? b : a))
  const levels = ['none', 'known', 'warn', 'review', 'urgent'] as const
  const tasks: readonly DueTask[] = Array.from({ length: 60 }, (_, index) => ({
    id: String(index),
    dueMin: ((index * 37) % 240) - 30,
    graceMin: 15,
    takesMin: 4 + (index % 5),
    level: levels[index % 5] ?? 'none',
    place: `Ward ${index % 3}, bed ${index}`,
  }))
  const ward = percentiles(
    Array.from({ length: sized(50, 1) }, () =>
      timeOf(() => {
        forecastWard(tasks, 3, 240)
        nursesToClear(tasks, 240)
      }),
    ),
  ).median
  return [
    { name: `crew odds, slowest of ${crews.length} (${slowest.id})`, value: slowest.ms, unit: 'ms', limit: 60 },
    { name: 'ward forecast of 60 and what would clear it', value: ward, unit: 'ms', limit: 20 },
  ]
}
