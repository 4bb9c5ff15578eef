import type { FitTest } from '#core/model/plan'
import type { StepAngle, StepPull } from '#core/model/step'
import { judgeAngle, judgePull } from '#core/runs/step-work'
import type { OtherItem } from '#core/standing/judge-standing'
import type { CaseRecord } from '#contract/records/case'
import type { AngleRecord, PullRecord } from '#contract/records/run'
import { countingRuns, isOpeningRun } from '#contract/records/run-kind'

const base = { from: 'reading', level: 'warn', part: null, binds: { stages: [], steps: [] }, isEndedByWord: false } as const

/** The angle that a test of fit was answered "yes" about and that nobody read; null where it was read, or no step of the plan reads it. */
export function answeredUnread(
  record: Pick<CaseRecord, 'runs' | 'accepted'>,
  test: Pick<FitTest, 'reads'>,
  isGood: boolean,
): StepAngle | null {
  const aims = (record.accepted?.plan.procedure.steps ?? []).flatMap((step) => step.angles ?? [])
  const aim = isGood ? aims.find((one) => one.id === test.reads) : undefined
  return aim && lastAngle(record, aim.id) === undefined ? aim : null
}

/** The last reading of an angle since the device was begun; undefined where nobody read it. */
function lastAngle(record: Pick<CaseRecord, 'runs'>, angleId: StepAngle['id']): AngleRecord | undefined {
  return ownRuns(record)
    .flatMap((run) => run.angles ?? [])
    .findLast((one) => one.angleId === angleId)
}

/**
 * What was measured on the device and lies beyond its limit: angles outside their band, a pull above what is expected or allowed.
 * A "yes" to a question of fit changes nothing about it.
 * @param isLookedAt whether a complete round came after a moment, ISO 8601
 */
export function measuredBeyond(record: CaseRecord, isLookedAt: (at: string) => boolean): readonly OtherItem[] {
  if (record.removedAt !== null) return []
  const steps = record.accepted?.plan.procedure.steps ?? []
  const aims = new Map(steps.flatMap((step) => (step.angles ?? []).map((aim) => [aim.id, aim] as const)))
  const pulled = ownRuns(record)
    .flatMap((run) => run.pulls ?? [])
    .findLast((one) => one.kg !== null)
  const limit = pulled && steps.find((step) => step.id === pulled.stepId)?.pull
  return [
    ...[...aims.values()].flatMap((aim) => angleItem(aim, lastAngle(record, aim.id)) ?? []),
    ...(pulled && limit && !isLookedAt(pulled.at) ? [pullItem(limit, pulled)].flatMap((one) => one ?? []) : []),
  ]
}

function ownRuns(record: Pick<CaseRecord, 'runs'>): CaseRecord['runs'] {
  return countingRuns(record).filter((run) => !isOpeningRun(run))
}

function angleItem(aim: StepAngle, read: AngleRecord | undefined): OtherItem | null {
  if (!read || judgeAngle(aim, read.deg) === 'held') return null
  return {
    ...base,
    id: `angle/${aim.id}`,
    text: `${aim.label} read ${read.deg}°, to be held at ${aim.lowDeg}° to ${aim.highDeg}°. Still soft: correct it. Set: make it again`,
    sinceMs: Date.parse(read.at),
    lookedAtMs: Date.parse(read.at),
    ends: 'The same angle, read within its band.',
  }
}

function pullItem(limit: StepPull, { kg, at, stepId }: PullRecord): OtherItem | null {
  if (kg === null) return null
  const state = judgePull(limit, kg)
  if (state !== 'over' && state !== 'beyond') return null
  return {
    ...base,
    id: `pull/${stepId}`,
    text:
      state === 'over'
        ? `Pull read ${kg} kg, never above ${limit.mostKg} kg: ease it`
        : `Pull read ${kg} kg, more than the ${limit.expectedKg?.toFixed(1)} kg expected: look for another injury`,
    sinceMs: Date.parse(at),
    lookedAtMs: Date.parse(at),
    ends: 'A pull read within its limit, or a complete round after it.',
  }
}
