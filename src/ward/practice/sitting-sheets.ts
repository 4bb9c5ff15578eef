import type { Plan } from '#core/model/plan'
import { agreementOn, type Agreement } from '#core/practice/stations/agreement'
import { runOf, type MarkedRun } from '#core/practice/stations/marks'
import { scoreStation, type StationScore } from '#core/practice/stations/score-station'
import type { PracticePerson, Sitting } from '#contract/records/practice'
import { isAbandoned } from './sitting-seen'

/** What one examiner saw, scored. */
export interface ExaminerSheet {
  readonly by: PracticePerson
  readonly run: MarkedRun
  readonly score: StationScore
}

export interface SittingSheets {
  /** One for each examiner who ended it, or whose tablet is gone, in the order of their names. */
  readonly sheets: readonly ExaminerSheet[]
  /** Of the first two; null with fewer. */
  readonly agreement: Agreement | null
  /** The result that counts: the mean of the sheets, passed where no examiner saw anything critical; null before anybody ended it. */
  readonly result: { readonly total: number; readonly hasPassed: boolean; readonly tookMs: number } | null
}

/**
 * The sheets of a sitting, each from its examiner's own marks.
 * @param plan of the station's patient
 * @param nowMs the server's time: a run that nobody ends is over once nobody can be marking it any more, at its last tick
 */
export function sheetsOf(sitting: Pick<Sitting, 'station' | 'examiners' | 'begunAt'>, plan: Plan, nowMs: number): SittingSheets {
  const isGone = isAbandoned(sitting, nowMs)
  const sheets = sitting.examiners
    .map(({ id, name, marks }): ExaminerSheet => {
      const run = runOf(marks)
      return { by: { id, name }, run, score: scoreStation(sitting.station, plan, run) }
    })
    .filter((sheet) => sheet.run.endedMs !== null || isGone)
    .sort((a, b) => a.by.name.localeCompare(b.by.name))
  const [first, second] = sheets
  const steps = plan.procedure.steps.map((step) => step.id)
  const mean = (of: (score: StationScore) => number): number => sheets.reduce((sum, one) => sum + of(one.score), 0) / sheets.length
  return {
    sheets,
    agreement: first && second ? agreementOn(steps, first.score, second.score) : null,
    result: first
      ? {
          total: Math.round(mean((score) => score.total) * 10) / 10,
          hasPassed: sheets.every((sheet) => sheet.score.hasPassed),
          tookMs: Math.round(mean((score) => score.tookMs)),
        }
      : null,
  }
}
