import { measurementLabel, measurementWords } from '#core/techniques/measurement-ids'
import { tasksOf } from '#core/rounds/live-tasks'
import { taskFormOf } from '#core/rounds/task-form-of'
import { findTechnique } from '#core/techniques/registry'
import type { CaseRecord } from '#contract/records/case'

/** One look of a series. */
export interface TrendPoint {
  /** ISO 8601. */
  readonly at: string
  /** The figure, or the place of the word among its grades, 0 the best. */
  readonly value: number
  /** As it is read. */
  readonly words: string
}

/** The same look, over hours and days. */
export interface Trend {
  readonly id: string
  readonly label: string
  /** Grades by their words, the best first; null for figures. */
  readonly grades: readonly string[] | null
  readonly unit: string
  /** The earliest first; two at least. */
  readonly points: readonly TrendPoint[]
  /** Of grades: whether the last is worse than the one before. */
  readonly isWorse: boolean
}

/**
 * What was looked at more than once since the device went on: skin by area, liners, load, stops, girths; from answers to owed work and from
 * readings alike. What is getting worse comes first.
 */
export function trendsOf(record: CaseRecord): readonly Trend[] {
  return [...answerTrends(record), ...readingTrends(record)]
    .filter((series) => series.points.length > 1)
    .map((series) => ({ ...series, isWorse: series.grades !== null && series.points.at(-1)!.value > series.points.at(-2)!.value }))
    .sort((a, b) => Number(b.isWorse) - Number(a.isWorse))
}

type Series = Omit<Trend, 'isWorse'>

function answerTrends(record: CaseRecord): readonly Series[] {
  const technique = findTechnique(record.technique)
  return tasksOf(record.accepted?.plan.schedule ?? []).flatMap((task) => {
    const done = (record.tasks ?? []).filter((one) => one.taskId === task.id && one.outcome === 'done')
    return taskFormOf(technique, task).flatMap((ask): Series[] => {
      if (ask.kind !== 'choice' && ask.kind !== 'figure') return []
      const points = done.flatMap(({ at, answers }): TrendPoint[] => {
        const answer = answers[ask.id]
        if (answer === undefined) return []
        if (ask.kind === 'figure') return [{ at, value: Number(answer), words: `${answer} ${ask.unit}` }]
        const place = ask.choices.findIndex((choice) => choice.value === answer)
        return place < 0 ? [] : [{ at, value: place, words: ask.choices[place]!.label }]
      })
      return [
        {
          id: `${task.id}/${ask.id}`,
          label: ask.label,
          grades: ask.kind === 'choice' ? ask.choices.map((choice) => choice.label) : null,
          unit: ask.kind === 'figure' ? ask.unit : '',
          points,
        },
      ]
    })
  })
}

function readingTrends(record: CaseRecord): readonly Series[] {
  const onMs = record.appliedAt === null ? Infinity : Date.parse(record.appliedAt)
  const series = new Map<string, Series>()
  for (const one of record.measurements) {
    if (one.at === undefined || Date.parse(one.at) < onMs) continue
    const grades = measurementWords(one.id)
    const place = typeof one.value === 'string' ? (grades ?? []).indexOf(one.value) : one.value
    if (place < 0 && grades) continue
    const id = `${one.id}/${one.side ?? ''}`
    const unit = one.unit ?? ''
    const words = typeof one.value === 'string' ? one.value.replaceAll('-', ' ') : `${one.value} ${unit}`.trim()
    const label = [measurementLabel(one.id), one.side ?? ''].filter(Boolean).join(', ')
    const before = series.get(id)
    const points = [...(before?.points ?? []), { at: one.at, value: place, words }].sort((a, b) => Date.parse(a.at) - Date.parse(b.at))
    series.set(id, { id, label, grades: grades && grades.map((grade) => grade.replaceAll('-', ' ')), unit, points })
  }
  return [...series.values()]
}
