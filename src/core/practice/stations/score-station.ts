import type { Decision } from '../../model/decision'
import type { Plan } from '../../model/plan'
import type { Step } from '../../model/step'
import { findOrderBreaks, mustsOfStep, type OrderBreak } from '../../runs/check-order'
import { leftUndone } from './left-undone'
import type { CriticalError, Station, StationRun } from './station'

/** What each part is worth; the parts of every station are worth the same. */
export const partWorth = { order: 40, completeness: 30, numbers: 20, time: 10 } as const
/** Without a doubt of its own a figure may be this share off. */
const usualTolerance = 0.05
/** A figure is worth nothing this many tolerances off. */
const worthlessAt = 3
/** Time is worth nothing from this share of the limit on. */
const lateShare = 1.5

/** A pair that must come in order, both done. */
export interface OrderPair {
  readonly before: string
  readonly after: string
  readonly isBroken: boolean
  /** What comes of it when they are crossed. */
  readonly why: string
}

export interface NumberMark {
  readonly decision: string
  readonly label: string
  readonly unit: string | null
  /** Null where nothing was given. */
  readonly given: number | string | null
  readonly right: number | string
  /** Null for a word: it is right or wrong. */
  readonly tolerance: number | null
  /** 0 to 1. */
  readonly share: number
  readonly formula: string
}

export interface StationScore {
  /** 0 to 100, to one place. */
  readonly total: number
  /** Shares from 0 to 1. */
  readonly parts: Readonly<Record<keyof typeof partWorth, number>>
  /** False where anything critical happened. */
  readonly hasPassed: boolean
  readonly criticals: readonly CriticalError[]
  readonly pairs: readonly OrderPair[]
  /** Steps done in another order than is usual here: no point is lost by them. */
  readonly another: readonly { readonly before: string; readonly after: string }[]
  /** Required steps that were not done. */
  readonly missing: readonly string[]
  readonly numbers: readonly NumberMark[]
  /** Every step done, in the order done, with how long it took from the one before, ms. */
  readonly steps: readonly { readonly stepId: string; readonly atMs: number; readonly tookMs: number }[]
  readonly tookMs: number
}

/**
 * Scores a run: 40·order + 30·completeness + 20·numbers + 10·time, order and time for as much
 * as was done of what is required; anything critical fails it whatever the score. A run is scored by the rules of its station's copy.
 * @param plan of the station's patient: its steps and its right figures
 * @param run ended, or as far as it is: an open one is scored to its last tick
 */
export function scoreStation(station: Station, plan: Plan, run: StationRun): StationScore {
  const procedure = plan.procedure.steps
  const known = new Set(procedure.map((step) => step.id))
  const done = inOrder(run).filter((one) => known.has(one.stepId))
  const ids = done.map(({ stepId }) => stepId)
  const breaks = findOrderBreaks(procedure, ids).filter(({ isMissing }) => !isMissing)
  const pairs = pairsOf(procedure, breaks, ids)
  const broken = pairs.filter((pair) => pair.isBroken).length
  const doneIds = new Set(done.map((one) => one.stepId))
  const missing = station.required.filter((id) => !doneIds.has(id))
  const numbers = station.asked.flatMap(({ decision, tolerance }): readonly NumberMark[] => {
    const right = plan.decisions.find((one) => one.id === decision)
    return right ? [markOf(right, tolerance, run.answers.findLast((answer) => answer.decision === decision)?.given ?? null)] : []
  })
  const tookMs = run.endedMs ?? done.at(-1)?.atMs ?? 0
  const completeness = station.required.length === 0 ? 1 : (station.required.length - missing.length) / station.required.length
  const isFair = (station.rules ?? 1) >= 2
  // Who ends after four of sixteen steps has put four in order, and needed no time for the rest.
  const weight = isFair ? completeness : 1
  const parts = {
    order: weight * (pairs.length === 0 ? 1 : 1 - broken / pairs.length),
    completeness,
    numbers: numbers.length === 0 ? 1 : numbers.reduce((sum, one) => sum + one.share, 0) / numbers.length,
    time: weight * timeShare(tookMs / 1000, station.limitS),
  }
  const sum =
    partWorth.order * parts.order +
    partWorth.completeness * parts.completeness +
    partWorth.numbers * parts.numbers +
    partWorth.time * parts.time
  const criticals = [...new Set([...run.criticals.map((critical) => critical.id), ...(isFair ? leftUndone(station, plan, run) : [])])]
  return {
    total: Math.round(sum * 10) / 10,
    parts,
    hasPassed: criticals.length === 0,
    criticals,
    pairs,
    another: breaks.flatMap(({ before, step, harm }) => (harm === null ? [{ before, after: step }] : [])),
    missing,
    numbers,
    steps: done.map((one, index) => ({ ...one, tookMs: one.atMs - (done[index - 1]?.atMs ?? 0) })),
    tookMs,
  }
}

/** The ticks by time, each step once: the first counts, as a step is done when it is first done. */
function inOrder(run: StationRun): StationRun['ticks'] {
  const seen = new Set<string>()
  return run.ticks
    .map((tick, index) => ({ ...tick, index }))
    .sort((a, b) => a.atMs - b.atMs || a.index - b.index)
    .flatMap(({ stepId, atMs }) => {
      if (seen.has(stepId)) return []
      seen.add(stepId)
      return [{ stepId, atMs }]
    })
}

/** What must come in order, of steps that were both done: only these cost points. */
function pairsOf(procedure: readonly Step[], breaks: readonly OrderBreak[], done: readonly string[]): readonly OrderPair[] {
  const isDone = new Set(done)
  const broken = new Set(breaks.map(({ before, step }) => `${before} ${step}`))
  return procedure.flatMap((step) =>
    isDone.has(step.id)
      ? mustsOfStep(step, procedure)
          .filter(({ before }) => isDone.has(before))
          .map(({ before, harm }): OrderPair => ({ before, after: step.id, isBroken: broken.has(`${before} ${step.id}`), why: harm }))
      : [],
  )
}

function markOf(right: Decision, asked: number | null, given: number | string | null): NumberMark {
  const base = { decision: right.id, label: right.label, unit: right.unit, given, formula: right.formula }
  if (typeof right.value !== 'number') {
    const value = typeof right.value === 'string' ? right.value : right.display
    return {
      ...base,
      right: value,
      tolerance: null,
      share: given !== null && String(given).trim().toLowerCase() === value.toLowerCase() ? 1 : 0,
    }
  }
  const tolerance =
    asked ?? (right.sd !== null && right.sd !== undefined && right.sd > 0 ? right.sd : Math.abs(right.value) * usualTolerance)
  const figure = typeof given === 'number' ? given : given === null || given.trim() === '' ? Number.NaN : Number(given.replace(',', '.'))
  const off = Math.abs(figure - right.value)
  const share = Number.isFinite(figure) ? (off === 0 ? 1 : tolerance > 0 ? Math.max(0, 1 - off / (worthlessAt * tolerance)) : 0) : 0
  return { ...base, right: right.value, tolerance, share }
}

/** 1 up to the limit, falling evenly to 0 at one and a half times it. */
function timeShare(tookS: number, limitS: number): number {
  if (tookS <= limitS) return 1
  return Math.max(0, 1 - (tookS / limitS - 1) / (lateShare - 1))
}
