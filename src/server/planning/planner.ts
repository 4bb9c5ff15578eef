import type { ClinicalCase } from '#core/model/clinical-case'
import type { Plan } from '#core/model/plan'
import type { Clock } from '../ground/clock'
import type { WorkerPool } from '../workers/pool'
import type { Doubts, JudgedFile, PlannedFile } from '../workers/worker'

/** Plans on the server, each in a worker thread within its time; every call throws ApiError 503 `too-heavy` beyond it. */
export interface Planner {
  /** Problems and cautions of a case's plan. */
  doubts(clinicalCase: ClinicalCase): Promise<Doubts>
  /** A plan whose slow decisions may be pending; null for a technique that is not known. */
  planNow(clinicalCase: ClinicalCase): Promise<Plan | null>
  planWhole(clinicalCase: ClinicalCase): Promise<Plan | null>
  /** Plans a case file of unknown shape. */
  planFile(data: unknown): Promise<PlannedFile>
  /** Judges a check file of unknown shape. */
  judgeFile(data: unknown): Promise<JudgedFile>
}

const quickMs = 3_000
const wholeMs = 15_000

/** A planner on a pool of worker threads. */
export function createPlanner(clock: Clock, pool: WorkerPool): Planner {
  const now = (): string => new Date(clock()).toISOString()
  return {
    doubts: (clinicalCase) => pool.run('doubts', { clinicalCase, now: now() }, quickMs),
    planNow: (clinicalCase) => pool.run('planNow', { clinicalCase, now: now() }, quickMs),
    planWhole: (clinicalCase) => pool.run('planWhole', { clinicalCase, now: now() }, wholeMs),
    planFile: (data) => pool.run('planFile', { data, now: now() }, wholeMs),
    judgeFile: (data) => pool.run('judgeFile', { data, now: now() }, quickMs),
  }
}
