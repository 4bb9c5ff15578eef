/// <reference lib="webworker" />
import { catalogue } from '#core/catalogue/catalogue'
import { createMemo, type PlanContext } from '#core/model/plan-context'
import type { BenchAnswer, BenchState } from '#core/practice/bench'
import { findBench } from '#core/practice/benches'
import { defaultProtocol } from '#core/quantities/defaults'

/** One state of a bench to work out, or one of its unknowns to solve for. */
export interface BenchJob {
  readonly key: string
  readonly bench: string
  readonly state: BenchState
  readonly solver?: string
}
export type BenchReply =
  | { readonly kind: 'answer'; readonly key: string; readonly answer: BenchAnswer }
  | { readonly kind: 'solved'; readonly key: string; readonly state: BenchState | null }
  | { readonly kind: 'failed'; readonly key: string }

const scope = self as unknown as DedicatedWorkerGlobalScope
const waiting = new Map<string, BenchJob>()
const memo = createMemo()

/** Of what waits under one key only the newest is worked out: the states that a slider passed by are never drawn. */
scope.onmessage = ({ data }: MessageEvent<BenchJob>) => {
  if (waiting.size === 0) setTimeout(work)
  waiting.set(data.key, data)
}

function work(): void {
  const jobs = [...waiting.values()]
  waiting.clear()
  for (const job of jobs) scope.postMessage(replyTo(job))
}

function replyTo({ key, bench: id, state, solver }: BenchJob): BenchReply {
  const bench = findBench(id)
  const ctx: PlanContext = { catalogue, protocol: defaultProtocol, seed: 1, now: new Date().toISOString(), zone: 'UTC', memo }
  try {
    if (!bench) return { kind: 'failed', key }
    if (solver === undefined) return { kind: 'answer', key, answer: bench.work(state, ctx) }
    return { kind: 'solved', key, state: bench.solvers?.find((one) => one.id === solver)?.solve(state, ctx) ?? null }
  } catch {
    return { kind: 'failed', key }
  }
}
