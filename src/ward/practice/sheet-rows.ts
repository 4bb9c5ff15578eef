import type { StationScore } from '#core/practice/stations/score-station'
import { stepName } from '#core/runs/step-name'
import type { StepBand } from '#contract/api/practice-overview'
import type { ExaminerSheet } from './sitting-sheets'

/** A step of a sheet as a row: what it is, when, how long, against others. */
export interface SheetRow {
  readonly step: string
  readonly atS: number | null
  readonly tookS: number | null
  readonly others: StepBand | null
  /** What went wrong with it, in words; empty for nothing. */
  readonly wrong: string
}

/** The steps in the order in which they were done, then those that were left out. */
export function sheetRows(score: StationScore, bands: readonly StepBand[]): readonly SheetRow[] {
  const bandOf = (id: string): StepBand | null => bands.find((band) => band.stepId === id) ?? null
  const broken = score.pairs.filter((pair) => pair.isBroken)
  return [
    ...score.steps.map(({ stepId, atMs, tookMs }) => ({
      step: stepName({ id: stepId }),
      atS: atMs / 1000,
      tookS: tookMs / 1000,
      others: bandOf(stepId),
      wrong: broken
        .filter((pair) => pair.after === stepId)
        .map((pair) => `before ${stepName({ id: pair.before })}`)
        .join(', '),
    })),
    ...score.missing.map((id) => ({ step: stepName({ id }), atS: null, tookS: null, others: bandOf(id), wrong: 'left out' })),
  ]
}

/** Columns of the sheet as a table; every row says that it is practice. */
export const sheetColumns = [
  'practice',
  'examiner',
  'total',
  'passed',
  'step',
  'at s',
  'took s',
  'others low s',
  'others median s',
  'others high s',
  'wrong',
  'given',
  'right',
] as const

/** Every examiner's sheet as rows of one table: its steps, then its figures. */
export function sheetTable(sheets: readonly ExaminerSheet[], bands: readonly StepBand[]): readonly (readonly (string | number)[])[] {
  const seconds = (ms: number | undefined): string => (ms === undefined ? '' : (ms / 1000).toFixed(1))
  return sheets.flatMap(({ by, score }) => {
    const head = ['no patient', by.name, score.total.toFixed(1), score.hasPassed ? 'yes' : 'no'] as const
    const steps = sheetRows(score, bands).map((row) => [
      ...head,
      row.step,
      row.atS?.toFixed(1) ?? '',
      row.tookS?.toFixed(1) ?? '',
      seconds(row.others?.lowMs),
      seconds(row.others?.medianMs),
      seconds(row.others?.highMs),
      row.wrong,
      '',
      '',
    ])
    const figures = score.numbers.map((mark) => [...head, mark.label, '', '', '', '', '', '', mark.given ?? '', mark.right])
    return [...steps, ...figures]
  })
}
