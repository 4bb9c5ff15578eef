import { isPressing, type StandingLevel } from '#core/model/standing'
import { actionTexts } from '#core/model/action'
import { spoken, type Region, type Side } from '#core/model/vocabulary'
import { findTechnique } from '#core/techniques/registry'
import type { CaseRecord } from '../records/case'
import { patientLabel, type EpisodeRecord } from '../records/episode'
import type { Recorded } from '../records/run'
import { callsOf } from './calls-of'
import { sideLines } from './side-lines'
import { standingOf } from './standing-of-case'
import { workOwed } from './work-owed'

/** Something that was done about what stands. */
export interface DoneAbout extends Recorded {
  readonly text: string
}

/** One patient's device as one shift tells the next of it. Times are ISO 8601 UTC. */
export interface HandOverLine {
  readonly caseId: string
  readonly place: string
  readonly patient: string
  readonly number: string
  readonly technique: string
  readonly region: Region | null
  readonly side: Side | null
  /** Since when it is on; null where it is not on yet. */
  readonly onSince: string | null
  readonly isOff: boolean
  /** The worst that stands. */
  readonly level: StandingLevel
  readonly headline: string
  /** Everything above known, worst first. */
  readonly stands: readonly { readonly level: StandingLevel; readonly text: string; readonly sinceAt: string }[]
  /** What was done in the last hours, the newest first. */
  readonly done: readonly DoneAbout[]
  /** What falls due in the next hours, the earliest first, what is overdue before it. */
  readonly owed: readonly { readonly text: string; readonly dueAt: string; readonly isOverdue: boolean }[]
  readonly worry: (Recorded & { readonly text: string }) | null
  /** Who took the patient over in this shift, and when; null where nobody did yet. */
  readonly takenOver: Recorded | null
}

export const aheadHours = 8
const backHours = 12
/** A shift and its hand-over: who took a patient over longer ago has gone home. */
const shiftHours = 10
const hourMs = 3_600_000

/**
 * What the next shift has to know of a case: read from what stands and what is owed, nothing of its own.
 * @param nowMs the server's time
 */
export function handOverOf(record: CaseRecord, episode: EpisodeRecord, nowMs: number): HandOverLine {
  const standing = standingOf(record, episode, null, nowMs)
  const injury = episode.injuries[record.injuryId]
  const stands = standing.items.filter((one) => isPressing(one) && one.from !== 'task')
  const iso = (ms: number): string => new Date(ms).toISOString()
  return {
    caseId: record.id,
    place: episode.place,
    patient: patientLabel(episode),
    number: episode.patient.number,
    technique: findTechnique(record.technique)?.name ?? record.technique,
    region: injury?.region ?? null,
    side: injury?.side ?? null,
    onSince: record.appliedAt,
    isOff: record.removedAt !== null,
    level: standing.level,
    headline: standing.headline,
    stands: stands.map(({ level, text, sinceMs }) => ({ level, text, sinceAt: iso(sinceMs) })),
    done: doneSince(record, nowMs - backHours * hourMs),
    owed: workOwed(record, episode, nowMs)
      .filter((one) => one.dueAt <= nowMs + aheadHours * hourMs)
      .map(({ text, dueAt, graceMin }) => ({ text, dueAt: iso(dueAt), isOverdue: dueAt + graceMin * 60_000 < nowMs })),
    worry: record.worry?.text ? record.worry : null,
    takenOver: record.takenOver && nowMs - Date.parse(record.takenOver.at) < shiftHours * hourMs ? record.takenOver : null,
  }
}

function doneSince(record: CaseRecord, fromMs: number): readonly DoneAbout[] {
  const all: readonly DoneAbout[] = [
    ...(record.responses ?? []).map(({ action, outcome, why, at, by }) => ({
      text: `${actionTexts[action]}${outcome === 'done' ? '' : ` NOT done: ${why}`}`,
      at,
      by,
    })),
    ...callsOf(record).map(({ to, isReached, said, at, by }) => ({
      text: `Called ${to}: ${isReached ? said || 'reached' : 'not reached'}`,
      at,
      by,
    })),
    ...(record.seniorDecisions ?? []).map((one) => ({ text: `${one.by} decided: ${one.what}`, at: one.at, by: one.enteredBy })),
    ...sideLines(record),
    ...(record.changes ?? []).map(({ what, at, by }) => ({ text: spoken(what), at, by })),
    ...(record.tasks ?? []).map(({ text, outcome, reason, at, by }) => ({
      text: outcome === 'done' ? text : `${text} ${spoken(outcome)}: ${reason}`,
      at,
      by,
    })),
  ]
  return all.filter((one) => Date.parse(one.at) >= fromMs).sort((a, b) => Date.parse(b.at) - Date.parse(a.at))
}

/** The order in which a shift is told: the worst first, then what is most overdue, then by place. */
export function orderHandOver(lines: readonly HandOverLine[], levels: readonly StandingLevel[]): readonly HandOverLine[] {
  const overdue = (line: HandOverLine): number => (line.owed[0]?.isOverdue ? Date.parse(line.owed[0].dueAt) : Infinity)
  return [...lines].sort(
    (a, b) =>
      levels.indexOf(a.level) - levels.indexOf(b.level) ||
      (overdue(a) === overdue(b) ? 0 : overdue(a) - overdue(b)) ||
      a.place.localeCompare(b.place, undefined, { numeric: true }),
  )
}
