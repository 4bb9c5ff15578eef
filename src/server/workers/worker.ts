import { catalogue } from '#core/catalogue/catalogue'
import type { ClinicalCase } from '#core/model/clinical-case'
import { isMalformed, type Problem } from '#core/model/problem'
import { readCase } from '#core/files/read-case'
import { judgeCheck, problemsOfCheck, type PrintedRound } from '#core/files/judge-check'
import { readCheck } from '#core/files/read-check'
import type { Move } from '#core/practice/drill/drill-state'
import { finishDrill, type DrillOutcome } from '#core/practice/drill/finish-drill'
import type { Night } from '#core/practice/drill/nights'
import { createMemo, type PlanContext } from '#core/model/plan-context'
import { finishPlan } from '#core/techniques/finish-plan'
import type { Caution, Plan } from '#core/model/plan'
import { planCase } from '#core/techniques/plan-case'
import { defaultProtocol, type Protocol } from '#core/quantities/defaults'
import type { CaseRecord } from '#contract/records/case'
import type { EpisodeRecord } from '#contract/records/episode'
import { protocolEffect } from '#ward/owed/protocol-effect'
import { printers, type Printers } from '../papers/printers'
import { readStockCsv } from './read-stock-csv'

// What may take long or grow large runs here, in a thread of its own that can be ended.

const memo = createMemo(500)

function contextAt(now: string, protocol = defaultProtocol): PlanContext {
  return { catalogue, protocol, seed: 1, now, zone: 'UTC', memo }
}

export interface PlanInput {
  readonly clinicalCase: ClinicalCase
  readonly protocol: Protocol
  readonly now: string
}
export interface EffectInput {
  readonly cases: readonly { readonly record: CaseRecord; readonly episode: EpisodeRecord }[]
  readonly to: Protocol
  readonly now: string
}
export interface FileInput {
  readonly data: unknown
  readonly now: string
}
export interface PrintInput {
  readonly name: keyof Printers
  /** What its printer takes. */
  readonly args: readonly unknown[]
}
export interface DrillInput {
  readonly night: Night
  readonly seed: string
  readonly moves: readonly Move[]
  readonly endedAtMin?: number | undefined
}
export interface Doubts {
  readonly problems: readonly Problem[]
  readonly cautions: readonly Caution[]
}
export interface PlannedFile {
  readonly plan: Plan | null
  readonly problems: readonly Problem[]
}
export interface JudgedFile {
  /** Null when the file cannot be judged. */
  readonly rounds: readonly PrintedRound[] | null
  readonly problems: readonly Problem[]
}

/** The tasks by name, as the pool calls them. */
export const tasks = {
  /** What is doubtful about a case: problems and cautions of its plan, without the slow decisions. */
  doubts({ clinicalCase, protocol, now }: PlanInput): Doubts {
    const plan = planCase(clinicalCase, contextAt(now, protocol))
    return { problems: plan?.problems ?? [], cautions: plan?.cautions ?? [] }
  },
  planNow: ({ clinicalCase, protocol, now }: PlanInput): Plan | null => planCase(clinicalCase, contextAt(now, protocol)),
  planWhole({ clinicalCase, protocol, now }: PlanInput): Plan | null {
    const ctx = contextAt(now, protocol)
    const started = planCase(clinicalCase, ctx)
    return started && finishPlan(started, ctx, clinicalCase.overrules)
  },
  /** What a protocol would change of each of some cases, in words. */
  protocolEffects({ cases, to, now }: EffectInput): readonly (readonly string[])[] {
    return cases.map(({ record, episode }) => protocolEffect(record, episode, to, contextAt(now), Date.parse(now)))
  },
  planFile({ data, now }: FileInput): PlannedFile {
    const ctx = contextAt(now)
    const { clinicalCase, problems } = readCase(data)
    const started = clinicalCase && planCase(clinicalCase, ctx, problems)
    return { plan: started && finishPlan(started, ctx, clinicalCase.overrules), problems: started?.problems ?? problems }
  },
  judgeFile({ data }: FileInput): JudgedFile {
    const read = readCheck(data)
    return { rounds: read.problems.some(isMalformed) ? null : judgeCheck(read), problems: problemsOfCheck(read) }
  },
  /** One paper, as bytes. */
  print: ({ name, args }: PrintInput): Promise<Uint8Array> => (printers[name] as (...args: readonly unknown[]) => Promise<Buffer>)(...args),
  readStockCsv,
  /** Plays a night of the drill again, with the computed players beside it. */
  finishDrill({ night, seed, moves, endedAtMin }: DrillInput): DrillOutcome {
    return finishDrill(night, seed, moves, defaultProtocol, endedAtMin)
  },
}

export type Tasks = typeof tasks

/** Runs one task: what the pool asks for. */
export default function run<Name extends keyof Tasks>({ name, input }: { name: Name; input: Parameters<Tasks[Name]>[0] }): unknown {
  return (tasks[name] as (input: unknown) => unknown)(input)
}
