import { spoken } from '#core/model/vocabulary'
import { findTechnique } from '#core/techniques/registry'
import type { CaseRecord } from '#contract/records/case'
import { endingWords } from '#contract/records/ending'
import { patientLabel, type EpisodeRecord } from '#contract/records/episode'
import { standCaseRounds } from './case-rounds'

const most = 4_000

/**
 * Everything that a case is found by: who, number, date of birth, place, technique, part and side, pattern, how it ended, what rounds found, what went
 * wrong, and who wrote in it; lower case, each word once.
 */
export function searchWords(record: CaseRecord, episode: EpisodeRecord): string {
  const { patient } = episode
  const injury = episode.injuries[record.injuryId]
  const { judged } = standCaseRounds(record, episode, Date.parse(record.openedAt))
  const text = [
    patientLabel(episode),
    ...(episode.merges ?? []).map((merge) => merge.before.patient.name),
    patient.number,
    patient.born,
    episode.place,
    findTechnique(record.technique)?.name ?? record.technique,
    injury?.side ?? '',
    injury?.region ? spoken(injury.region) : '',
    injury ? spoken(injury.pattern) : '',
    record.ended ? endingWords[record.ended.how] : '',
    record.removedAt ? 'taken off' : '',
    ...judged.flatMap(({ round, verdict }) => [round.by, ...verdict.findings.map((finding) => `${finding.code} ${finding.text ?? ''}`)]),
    ...(record.troubles ?? []).map((trouble) => `${trouble.label} ${trouble.by}`),
    ...(record.incidents ?? []).map((incident) => `incident ${incident.lot} ${incident.by}`),
    ...(record.tasks ?? []).map((task) => task.by),
    record.accepted?.by ?? '',
    record.ended?.by ?? '',
  ].join(' ')
  const words = new Set(
    text
      .toLowerCase()
      .split(/[^\p{L}\p{N}/-]+/u)
      .filter(Boolean),
  )
  return [...words].join(' ').slice(0, most)
}
