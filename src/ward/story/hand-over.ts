import type { DoneAbout, HandOverLine } from '#contract/api/hand-over'
import { flagLabel } from '#core/model/flag-words'
import { findingsOnLimb } from '#core/standing/findings-on-limb'
import type { Caution } from '#core/model/plan'
import { isPressing, type StandingItem, type StandingLevel } from '#core/model/standing'
import type { PatientFlag } from '#core/model/vocabulary'
import { actionTexts } from '#core/model/action'
import { spoken } from '#core/model/vocabulary'
import type { CaseRecord } from '#contract/records/case'
import { identifiersOf, patientLabel, type EpisodeRecord } from '#contract/records/episode'
import type { Recorded } from '#contract/records/run'
import { asBuilt } from '../body/as-built'
import { callsOf } from '../rounds/calls-of'
import { decisionWords } from '#contract/records/decision-words'
import { shiftStory } from './shift-story'
import { standingOf } from '../standing/standing-of-case'
import { whoHas } from './who-has'
import { workOwed } from '../owed/work-owed'

export const aheadHours = 8
const backHours = 12
/** A shift and its hand-over: who took a patient over longer ago has gone home. */
const shiftHours = 10
const hourMs = 3_600_000
/** A patient taken over so lately is still being told. */
const freshHours = 2
const carefulFlags = ['anticoagulated', 'latex-allergy', 'adhesive-allergy'] as const satisfies readonly PatientFlag[]

/**
 * What the next shift has to know of a case: read from what stands, what happened and what is owed, nothing of its own.
 * @param nowMs the server's time
 * @param live what the plan as it was last made warns of, as the Board has it; null where there is none
 */
export function handOverOf(record: CaseRecord, episode: EpisodeRecord, nowMs: number, live: readonly Caution[] | null): HandOverLine {
  const standing = standingOf(record, episode, live && { cautions: live }, nowMs)
  const built = asBuilt(record, episode, nowMs)
  const isUnassessed = (item: StandingItem): boolean => item.state === 'unknown' && item.from === 'round'
  const stands = standing.items.filter((item) => isPressing(item) && item.from !== 'task' && !isUnassessed(item))
  const takenOver = whoHas(record, episode)
  const iso = (ms: number): string => new Date(ms).toISOString()
  return {
    caseId: record.id,
    place: episode.place,
    patient: patientLabel(episode),
    identifiers: identifiersOf(episode.patient),
    technique: built.device,
    region: built.region,
    side: built.side,
    built,
    level: standing.level,
    headline: standing.headline,
    happened: shiftStory(record, episode, sinceMs(whoHas(record, episode), nowMs), nowMs),
    known: standing.items.filter((item) => item.level === 'known').map((item) => item.text),
    careful: carefulFlags.filter((flag) => episode.flags.includes(flag)).map(flagLabel),
    unassessed: standing.items.filter(isUnassessed).length,
    words: standing.words,
    stands: stands.map(({ level, text, typed, sinceMs }) => ({
      level,
      text: typed ? `${text}: “${typed}”` : text,
      sinceAt: iso(sinceMs),
    })),
    done: doneSince(record, nowMs - backHours * hourMs),
    owed: workOwed(record, episode, nowMs)
      .filter((work) => work.dueAt <= nowMs + aheadHours * hourMs)
      .map(({ text, dueAt, graceMin }) => ({ text, dueAt: iso(dueAt), isOverdue: dueAt + graceMin * 60_000 < nowMs })),
    drawing: drawingOf(record, standing.items),
    worry: record.worry?.text ? record.worry : null,
    takenOver: takenOver && nowMs - Date.parse(takenOver.at) < shiftHours * hourMs ? takenOver : null,
  }
}

function drawingOf({ accepted }: CaseRecord, items: readonly StandingItem[]): HandOverLine['drawing'] {
  const geometry = accepted?.plan.geometry
  const findings = geometry ? findingsOnLimb(geometry, items) : []
  return geometry && findings.length > 0 ? { geometry, findings } : null
}

/** From when on it is told: since somebody took the patient over at the start of this shift, else a shift and its hand-over back. */
function sinceMs(takenOver: Recorded | null, nowMs: number): number {
  const backMs = nowMs - backHours * hourMs
  if (!takenOver) return backMs
  const takenMs = Date.parse(takenOver.at)
  // Who takes over now has not been told yet.
  return nowMs - takenMs < freshHours * hourMs ? backMs : Math.max(backMs, takenMs)
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
    ...(record.seniorDecisions ?? []).map((seniorDecision) => ({
      text: `${seniorDecision.by}: ${decisionWords(seniorDecision)}`,
      at: seniorDecision.at,
      by: seniorDecision.enteredBy,
    })),
    ...(record.changes ?? []).map(({ what, at, by }) => ({ text: spoken(what), at, by })),
    ...(record.tasks ?? []).map(({ text, outcome, reason, at, by }) => ({
      text: outcome === 'done' ? text : `${text} ${spoken(outcome)}: ${reason}`,
      at,
      by,
    })),
  ]
  return all.filter((act) => Date.parse(act.at) >= fromMs).sort((a, b) => Date.parse(b.at) - Date.parse(a.at))
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
