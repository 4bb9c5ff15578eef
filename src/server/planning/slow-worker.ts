import { parentPort } from 'node:worker_threads'
import { createMemo } from '#core/plan/context'
import { solveSlowTask, type SlowTask } from '#core/plan/slow-task'

const memo = createMemo()

parentPort?.on('message', ({ key, task }: { key: number; task: SlowTask }) => {
  parentPort?.postMessage({ key, result: solveSlowTask(task, memo) })
})
