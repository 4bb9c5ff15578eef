import { Worker } from 'node:worker_threads'
import type { ClinicalCase } from '#core/case/clinical-case'
import type { Problem } from '#core/case/problem'
import { catalogue } from '#core/catalogue/catalogue'
import { createMemo, type PlanContext } from '#core/plan/context'
import { applySlowResult } from '#core/plan/finish-plan'
import type { Plan } from '#core/plan/plan'
import { planCase } from '#core/plan/plan-case'
import { slowKey, type SlowResult, type SlowTask } from '#core/plan/slow-task'
import { defaultProtocol } from '#core/quantities/defaults'
import type { Clock } from '../clock'

/** Plans on the server: at once without the slow decisions, or whole with a worker thread. */
export interface Planner {
  planNow(clinicalCase: ClinicalCase, problems?: readonly Problem[]): Plan | null
  planWhole(clinicalCase: ClinicalCase, problems?: readonly Problem[]): Promise<Plan | null>
  close(): Promise<void>
}

/**
 * A planner with its own worker thread, started on first need.
 * @param workerFile the built slow worker
 */
export function createPlanner(clock: Clock, workerFile: URL): Planner {
  const memo = createMemo(500)
  const waiting = new Map<number, { resolve: (result: SlowResult) => void; reject: (error: Error) => void }>()
  let worker: Worker | null = null
  let nextKey = 1

  const context = (): PlanContext => ({
    catalogue,
    protocol: defaultProtocol,
    seed: 1,
    now: new Date(clock()).toISOString(),
    zone: 'UTC',
    memo,
  })

  const ensureWorker = (): Worker => {
    if (worker) return worker
    worker = new Worker(workerFile)
    worker.on('message', ({ key, result }: { key: number; result: SlowResult }) => {
      waiting.get(key)?.resolve(result)
      waiting.delete(key)
    })
    worker.on('error', (error) => {
      for (const one of waiting.values()) one.reject(error instanceof Error ? error : new Error(String(error)))
      waiting.clear()
      worker = null
    })
    worker.unref()
    return worker
  }

  const solve = async (task: SlowTask): Promise<SlowResult> => {
    const known = memo.get(slowKey(task)) as SlowResult | undefined
    if (known) return known
    const key = nextKey++
    const result = await new Promise<SlowResult>((resolve, reject) => {
      waiting.set(key, { resolve, reject })
      ensureWorker().postMessage({ key, task })
    })
    memo.set(slowKey(task), result)
    return result
  }

  return {
    planNow: (clinicalCase, problems) => planCase(clinicalCase, context(), problems),
    async planWhole(clinicalCase, problems) {
      const started = planCase(clinicalCase, context(), problems)
      if (!started) return null
      const results = await Promise.all(started.pending.map(async (task) => ({ task, result: await solve(task) })))
      return results.reduce((plan, { task, result }) => applySlowResult(plan, task, result, clinicalCase.overrules), started)
    },
    async close() {
      await worker?.terminate()
      worker = null
    },
  }
}
