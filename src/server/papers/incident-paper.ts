import { DateTime } from 'luxon'
import { spoken } from '#core/model/vocabulary'
import { findTechnique } from '#core/techniques/registry'
import type { SheetId } from '#contract/api/papers'
import type { CaseRecord } from '#contract/records/case'
import { harmWords } from '#contract/records/incident'
import { patientIdentity, patientLabel, type EpisodeRecord } from '#contract/records/episode'
import { printFlow, type FlowBlock } from './flow-paper'

/** What went wrong with a case, for whoever looks into it, with room to go on by hand. */
export function printIncident(record: CaseRecord, episode: EpisodeRecord, printedAt: string, sheet: SheetId): Promise<Buffer> {
  const title = `Incident report: ${patientLabel(episode)}`
  const injury = episode.injuries[record.injuryId]
  const part = [injury?.side?.toUpperCase(), injury?.region ? spoken(injury.region) : ''].filter(Boolean).join(' ')
  const room = { kind: 'table', shares: [1, 3] } as const
  const blocks: readonly FlowBlock[] = [
    { kind: 'title', text: title },
    {
      kind: 'line',
      text: `${patientIdentity(episode)}. ${episode.place}. ${findTechnique(record.technique)?.name ?? record.technique}, ${part || 'side not set'}.`,
    },
    ...incidentBlocks(record, episode.zone),
    { kind: 'heading', text: 'Looked into' },
    {
      ...room,
      rows: ['Why it happened', 'What is done so that it does not again', 'Who was told, and when', 'Name, date'].map((one) => [
        one,
        '\n\n\n',
      ]),
    },
  ]
  return printFlow(blocks, { title, zone: episode.zone, printedAt }, sheet)
}

/** Incidents of a case in words, the earliest first; nothing without any. */
export function incidentBlocks(record: CaseRecord, zone: string): readonly FlowBlock[] {
  const at = (iso: string): string => DateTime.fromISO(iso, { zone }).toFormat('d LLL yyyy, HH:mm')
  return (record.incidents ?? []).map((incident): FlowBlock => ({
    kind: 'together',
    blocks: [
      { kind: 'heading', text: `Incident, ${at(incident.at)}: ${harmWords[incident.harm]}` },
      { kind: 'line', text: incident.what },
      { kind: 'line', text: `Lot ${incident.lot || 'not known'}. Reported by ${incident.by}.` },
    ],
  }))
}
