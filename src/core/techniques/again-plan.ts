import type { Measurement } from '../model/clinical-case'
import type { Plan } from '../model/plan'
import type { Step, StepReading } from '../model/step'
import { formatValue } from '../planner/format-decision'
import type { Technique } from '../planner/technique'
import { toCm } from '../quantities/length'

/** Readings that are judged in words have no figure to aim for. */
type Figure = Measurement & { readonly value: number }

/**
 * The short run of a device that its wearer had off: the steps that put it on, each with this patient's own figures from the last time.
 * @param worn the plan of what was put on, whose words stand
 * @param live the same plan made now, for what has been found since
 * @returns null where the device is never put on again
 */
export function againPlan(worn: Plan, live: Plan, technique: Technique, measurements: readonly Measurement[]): Plan | null {
  if (!technique.again) return null
  const { keeps } = technique.again
  const now = new Map(live.procedure.steps.map((step) => [step.id, step]))
  const steps = worn.procedure.steps
    .filter((step) => keeps.includes(step.id))
    .map((step): Step => {
      const reads = (now.get(step.id)?.reads ?? step.reads)?.map((asked) => asLastTime(asked, measurements))
      return {
        ...step,
        after: step.after.filter((id) => keeps.includes(id)),
        ...(step.musts ? { musts: step.musts.filter(({ before }) => keeps.includes(before)) } : {}),
        ...(reads ? { reads } : {}),
      }
    })
  const bites = (caution: Plan['cautions'][number]): boolean => caution.steps.some((id) => keeps.includes(id))
  return {
    ...worn,
    procedure: { steps },
    decisions: live.decisions,
    cautions: live.cautions.filter(bites),
    materials: [],
    problems: [],
    pending: [],
    schedule: [],
  }
}

/** What was read last where a device is put on, for who puts it on next: "Overlap, left: 3.2 cm". */
export function lastFigures(worn: Plan, technique: Technique, measurements: readonly Measurement[]): readonly string[] {
  return worn.procedure.steps
    .filter(({ id }) => technique.again?.keeps.includes(id))
    .flatMap(({ reads }) => reads ?? [])
    .flatMap((asked) => {
      const last = lastFigure(asked, measurements)
      return last ? [`${asked.label}: ${figureWords(last)}`] : []
    })
}

function asLastTime(asked: StepReading, measurements: readonly Measurement[]): StepReading {
  const last = lastFigure(asked, measurements)
  return last ? { ...asked, wanted: `${asked.wanted}; last time ${figureWords(last)}` } : asked
}

function lastFigure({ id, side }: StepReading, measurements: readonly Measurement[]): Figure | null {
  const gone = new Set(measurements.flatMap((measurement) => measurement.supersedes ?? []))
  const isSame = (reading: Measurement): reading is Figure =>
    reading.id === id &&
    (side === undefined || reading.side === side) &&
    typeof reading.value === 'number' &&
    !(reading.key && gone.has(reading.key))
  return measurements.findLast(isSame) ?? null
}

function figureWords({ value, unit, breadthCm }: Figure): string {
  return unit === 'deg' ? formatValue(value, 'deg') : formatValue(toCm(value, unit ?? 'cm', breadthCm), 'cm')
}
