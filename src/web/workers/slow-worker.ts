/// <reference lib="webworker" />
import { createMemo } from '#core/model/plan-context'
import { type SlowTask } from '#core/model/slow-task'
import { solveSlowTask } from '#core/planner/solve-slow-task'

interface Job {
  readonly key: string
  readonly task: SlowTask
}

const scope = self as unknown as DedicatedWorkerGlobalScope
const memo = createMemo()
const newest = new Map<SlowTask['decision'], Job>()

/** Jobs that arrive while one is being worked on wait; only the newest of each decision is worked on. */
scope.onmessage = ({ data }: MessageEvent<Job>) => {
  if (newest.size === 0) setTimeout(drain)
  newest.set(data.task.decision, data)
}

function drain(): void {
  const [job] = newest.values()
  if (!job) return
  newest.delete(job.task.decision)
  scope.postMessage({ key: job.key, result: solveSlowTask(job.task, memo) })
  if (newest.size > 0) setTimeout(drain)
}
