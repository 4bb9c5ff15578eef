import { useEffect, useMemo, useSyncExternalStore } from 'react'
import type { ClinicalCase, Measurement } from '#core/model/clinical-case'
import { catalogue } from '#core/catalogue/catalogue'
import { createMemo, type PlanContext } from '#core/model/plan-context'
import type { Plan } from '#core/model/plan'
import { takeKnown } from '#core/techniques/finish-plan'
import { planCase } from '#core/techniques/plan-case'
import { type SlowTask } from '#core/model/slow-task'
import { slowKey, type SlowResult } from '#core/planner/solve-slow-task'
import type { Protocol } from '#core/quantities/defaults'
import { caseOfRun } from '#ward/case/opening-run'
import { planInForce, planOfRun } from '#ward/case/plan-in-force'
import { protocolOf, type CaseRecord } from '#contract/records/case'
import type { EpisodeRecord } from '#contract/records/episode'
import type { RunRecord } from '#contract/records/run'
import type { OpenCase } from '../../sync/case-store'
import { serverNow } from '../../sync/server-clock'
import { askedOnce } from '../readings/asked-once'

const memo = createMemo()
let worker: Worker | null = null
const sent = new Set<string>()
const waiting = new Set<() => void>()
let solvedCount = 0

/** Calls back at each answer of the worker; returns how to stop. */
function onSolved(listener: () => void): () => void {
  waiting.add(listener)
  return () => waiting.delete(listener)
}

/**
 * The context of plans made in this browser.
 * @param protocol the one that the case goes by
 */
export function browserContext(protocol: Protocol): PlanContext {
  return { catalogue, protocol, seed: 1, now: new Date(serverNow()).toISOString(), zone: 'UTC', memo }
}

/** A plan, and the slow decisions that it asks for whether or not they are known by now. */
export interface PlanInHand {
  readonly plan: Plan
  readonly tasks: readonly SlowTask[]
}

/**
 * The plan of the open case, in the same frame as a reading changes; the two slow decisions follow from a
 * worker, the newest request first.
 * @param provisional a reading that is being typed, not entered yet
 * @param run the run that it is for: opening the cast that is on is planned as such
 */
export function usePlanInHand(open: OpenCase, provisional: Measurement | null = null, run?: RunRecord): PlanInHand {
  const solved = useSyncExternalStore(onSolved, () => solvedCount)
  const protocol = protocolOf(open.record)
  const asked = askedOf(open.record, open.episode, provisional, run)
  // Steps, timers and notes change the record but not what is planned: the plan changes only with its own inputs.
  const bare = planOnce(asked, protocol)
  const plan = planWithKnown(bare, asked, protocol, solved)
  useEffect(() => {
    if (!provisional) plan.pending.forEach(askWorker)
  }, [plan, provisional])
  return useMemo(() => ({ plan, tasks: bare.pending }), [plan, bare])
}

/** The case that is planned, as text: alike texts are one plan. */
const askedOf = askedOnce(
  (record: CaseRecord, episode: EpisodeRecord, provisional: Measurement | null, run: RunRecord | undefined): string => {
    const clinicalCase = caseOfRun(record, episode, run)
    return JSON.stringify(provisional ? { ...clinicalCase, measurements: [...clinicalCase.measurements, provisional] } : clinicalCase)
  },
)

/** A plan with what the worker has answered by now; `solved` counts its answers, each of which may finish a pending decision. */
const planWithKnown = askedOnce<[bare: Plan, asked: string, protocol: Protocol, solved: number], Plan>((bare, asked, protocol) =>
  bare.pending.length === 0 ? bare : takeKnown(bare, browserContext(protocol), (JSON.parse(asked) as ClinicalCase).overrules),
)

const made = new Map<string, Plan>()
const mostMade = 6

/** The plan of a case, worked out once however many ask for it: strip, stage and sheets read the same. */
function planOnce(asked: string, protocol: Protocol): Plan {
  const key = `${protocol.name}/${protocol.version} ${asked}`
  const known = made.get(key)
  if (known) return known
  const clinicalCase = JSON.parse(asked) as ClinicalCase
  // A memo that knows nothing leaves every slow decision open with its input.
  const plan = planCase(clinicalCase, { ...browserContext(protocol), memo: createMemo() })
  if (!plan) throw new Error(`Technique ${clinicalCase.technique} is not known here`)
  if (made.size >= mostMade) made.delete(made.keys().next().value ?? '')
  made.set(key, plan)
  return plan
}

/** The plan that is applied, drawn and watched: the accepted one, or what would be planned now. */
export function usePlanInForce(open: OpenCase): Plan {
  return planInForce(open.record, usePlan(open))
}

/** The plan that is applied, asked for once: where something is pressed, not where it is shown. */
export function planInForceNow({ record, episode }: OpenCase): Plan {
  return record.accepted?.plan ?? planInForce(record, planOnce(askedOf(record, episode, null, undefined), protocolOf(record)))
}

/** The plan of a run, as it was begun with or as it was accepted since. */
export function usePlanOfRun(open: OpenCase, run: RunRecord | undefined): Plan {
  return planOfRun(open.record, run, usePlan(open, null, run))
}

/** The plan alone, as `usePlanInHand` makes it. */
export function usePlan(open: OpenCase, provisional: Measurement | null = null, run?: RunRecord): Plan {
  return usePlanInHand(open, provisional, run).plan
}

function askWorker(task: SlowTask): void {
  const key = slowKey(task)
  if (sent.has(key)) return
  sent.add(key)
  worker ??= startWorker()
  worker.postMessage({ key, task })
}

function startWorker(): Worker {
  const started = new Worker(new URL('../../workers/slow-worker.ts', import.meta.url), { type: 'module' })
  started.onmessage = ({ data }: MessageEvent<{ key: string; result: SlowResult }>) => {
    memo.set(data.key, data.result)
    sent.delete(data.key)
    solvedCount++
    waiting.forEach((wake) => wake())
  }
  // A worker that could not be fetched, or died, is asked anew with the next plan.
  started.onerror = () => {
    worker = null
    sent.clear()
  }
  return started
}
