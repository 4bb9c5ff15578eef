import type { ClinicalCase } from '#core/model/clinical-case'
import type { Plan } from '#core/model/plan'
import type { Clock } from '../ground/clock'
import type { WorkerPool } from '../workers/pool'
import type { Protocol } from '#core/quantities/defaults'
import type { Doubts, EffectInput, JudgedFile, PlannedFile } from '../workers/worker'

/** Plans on the server, each in a worker thread within its time; every call throws ApiError 503 `too-heavy` beyond it. */
export interface Planner {
  /** Problems and cautions of a case's plan. */
  doubts(clinicalCase: ClinicalCase, protocol: Protocol): Promise<Doubts>
  /** A plan whose slow decisions may be pending; null for a technique that is not known. */
  planNow(clinicalCase: ClinicalCase, protocol: Protocol): Promise<Plan | null>
  planWhole(clinicalCase: ClinicalCase, protocol: Protocol): Promise<Plan | null>
  /** What a protocol would change of each of some cases, in words. */
  protocolEffects(cases: EffectInput['cases'], to: Protocol): Promise<readonly (readonly string[])[]>
  /** Plans a case file of unknown shape. */
  planFile(data: unknown): Promise<PlannedFile>
  /** Judges a check file of unknown shape. */
  judgeFile(data: unknown): Promise<JudgedFile>
}

/** A thread that has to be started first counts in: on a slow machine that alone takes seconds. */
const quickMs = 8_000
const wholeMs = 15_000

/** A planner on a pool of worker threads. */
export function createPlanner(clock: Clock, pool: WorkerPool): Planner {
  const now = (): string => new Date(clock()).toISOString()
  return {
    doubts: (clinicalCase, protocol) => pool.run('doubts', { clinicalCase, protocol, now: now() }, quickMs),
    planNow: (clinicalCase, protocol) => pool.run('planNow', { clinicalCase, protocol, now: now() }, quickMs),
    planWhole: (clinicalCase, protocol) => pool.run('planWhole', { clinicalCase, protocol, now: now() }, wholeMs),
    protocolEffects: (cases, to) => pool.run('protocolEffects', { cases, to, now: now() }, wholeMs),
    planFile: (data) => pool.run('planFile', { data, now: now() }, wholeMs),
    judgeFile: (data) => pool.run('judgeFile', { data, now: now() }, quickMs),
  }
}
