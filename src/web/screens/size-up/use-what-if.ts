import { useEffect, useMemo, useSyncExternalStore } from 'react'
import type { WhatIf } from '#core/techniques/what-if'
import { protocolOf } from '#contract/records/case'
import { toClinicalCase } from '#ward/case/clinical-case'
import { questionsOf } from '#ward/case/questions'
import type { OpenCase } from '../../sync/case-store'
import { serverNow } from '../../sync/server-clock'
import type { QuestionAnswer, QuestionJob } from '../../workers/question-worker'

const mostKept = 24
const kept = new Map<string, readonly WhatIf[]>()
const listeners = new Set<() => void>()
let worker: Worker | null = null

/**
 * What the answer to each open question of a case would change, worst first; worked out in a worker and remembered.
 * @returns null until it is known
 */
export function useWhatIf({ record, episode }: OpenCase): readonly WhatIf[] | null {
  const job = useMemo((): QuestionJob => {
    const clinicalCase = toClinicalCase(record, episode)
    const protocol = protocolOf(record)
    const { open } = questionsOf(record, episode)
    const key = JSON.stringify([protocol.name, protocol.version, open, clinicalCase])
    return { key, clinicalCase, protocol, questions: open, now: new Date(serverNow()).toISOString() }
  }, [record, episode])
  useEffect(() => {
    if (!kept.has(job.key)) ask(job)
  }, [job])
  return useSyncExternalStore(
    (changed) => {
      listeners.add(changed)
      return () => listeners.delete(changed)
    },
    () => kept.get(job.key) ?? null,
  )
}

function ask(job: QuestionJob): void {
  worker ??= startWorker()
  worker.postMessage(job)
}

function startWorker(): Worker {
  const started = new Worker(new URL('../../workers/question-worker.ts', import.meta.url), { type: 'module' })
  started.onmessage = ({ data }: MessageEvent<QuestionAnswer>) => {
    if (kept.size >= mostKept) kept.delete(kept.keys().next().value ?? '')
    kept.set(data.key, data.results)
    listeners.forEach((listener) => listener())
  }
  // One that could not be fetched, or died, is started anew with the next question.
  started.onerror = () => {
    worker = null
  }
  return started
}
