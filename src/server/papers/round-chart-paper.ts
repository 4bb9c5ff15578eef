import { DateTime } from 'luxon'
import { spoken } from '#core/model/vocabulary'
import { findTechnique } from '#core/techniques/registry'
import type { SheetId } from '#contract/api/papers'
import type { CaseRecord } from '#contract/records/case'
import { patientIdentity, patientLabel, type EpisodeRecord } from '#contract/records/episode'
import { chartOf } from '#ward/rounds/round-chart'
import { printFlow, type FlowBlock } from './flow-paper'

/** Columns that stay empty for the hours without the application, and how many there are with those that are filled. */
const emptyColumns = 4
const mostColumns = 7

/** Rounds on paper: what was entered last, and room to go on by hand. */
export function printRoundChart(record: CaseRecord, episode: EpisodeRecord, printedAt: string, sheet: SheetId): Promise<Buffer> {
  const title = `Rounds: ${patientLabel(episode)}`
  return printFlow(blocksOf(record, episode, title), { title, zone: episode.zone, printedAt }, sheet)
}

/**
 * The chart of one case, for a paper of its own or in a pack.
 * @param room columns that stay empty
 */
export function roundChartBlocks(record: CaseRecord, episode: EpisodeRecord, room = emptyColumns): readonly FlowBlock[] {
  const injury = episode.injuries[record.injuryId]
  const part = [injury?.side?.toUpperCase(), injury?.region ? spoken(injury.region) : ''].filter(Boolean).join(' ')
  const { times, by, isUrgent, rows } = chartOf(record, episode)
  const clock = (at: string): string => DateTime.fromISO(at, { zone: episode.zone }).toFormat('d LLL HH:mm')
  const empty = Array.from({ length: Math.min(room, mostColumns - times.length) }, () => '')
  return [
    { kind: 'strong', text: patientIdentity(episode) },
    { kind: 'line', text: `${episode.place}. ${findTechnique(record.technique)?.name ?? record.technique}, ${part || 'side not set'}.` },
    {
      kind: 'table',
      head: ['', ...times.map((at, index) => `${clock(at)}${isUrgent[index] ? ' urgent' : ''}`), ...empty.map(() => '        :')],
      rows: [...rows.map((row) => [row.label, ...row.values, ...empty]), ['By', ...by, ...empty]],
      shares: [2.4, ...times.map(() => 1), ...empty.map(() => 1)],
    },
  ]
}

function blocksOf(record: CaseRecord, episode: EpisodeRecord, title: string): readonly FlowBlock[] {
  return [{ kind: 'title', text: title }, ...roundChartBlocks(record, episode)]
}
