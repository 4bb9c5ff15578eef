import { levels } from '#core/model/finding'
import { findTechnique } from '#core/techniques/registry'
import { nextRound } from '#core/rounds/live-rounds'
import { defaultProtocol } from '#core/quantities/defaults'
import type { BoardRow } from '#contract/views/board'
import { caseRounds, judgeCaseRounds, stageOf } from '#contract/views/case-progress'
import type { CaseRecord } from '#contract/records/case'
import { patientLabel, type EpisodeRecord } from '#contract/records/episode'

/** The Board's line for a case, worked out when something about it changes. */
export function boardRowOf(record: CaseRecord, episode: EpisodeRecord): BoardRow {
  const technique = findTechnique(record.technique)
  const judged = judgeCaseRounds(record, episode, technique?.onUrgent.device ?? 'shell')
  const latest = judged.at(-1)
  const worst = latest && [...latest.verdict.findings].sort((a, b) => levels.indexOf(b.level) - levels.indexOf(a.level))[0]
  const next = nextRound(caseRounds(record, episode, judged, defaultProtocol))
  const injury = episode.injuries[record.injuryId]
  return {
    caseId: record.id,
    episodeId: episode.id,
    patient: patientLabel(episode.patient),
    isTemporaryName: episode.patient.isTemporary,
    place: episode.place,
    technique: record.technique,
    techniqueName: technique?.name ?? record.technique,
    region: injury?.region ?? null,
    side: injury?.side ?? null,
    stage: stageOf(record, episode),
    level: latest?.verdict.level ?? null,
    finding: worst?.text ?? null,
    nextDueAt: next ? new Date(next.dueAt).toISOString() : null,
    graceMin: next?.graceMin ?? 0,
    nextWhat: next ? 'Round' : null,
    openedAt: record.openedAt,
  }
}
