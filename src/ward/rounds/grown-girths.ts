import type { Measurement } from '#core/model/clinical-case'
import type { MeasurementDefinition } from '#core/model/measurement-definition'
import { toCm } from '#core/quantities/length'
import type { OtherItem } from '#core/standing/judge-standing'
import type { FindingsAfterRounds } from '#core/standing/standing-finding'
import { resolveOptions } from '#core/planner/resolve-options'
import { findTechnique } from '#core/techniques/registry'
import { protocolOf, type CaseRecord } from '#contract/records/case'
import type { EpisodeRecord } from '#contract/records/episode'
import { injuredPart } from './case-rounds'
import { toClinicalCase } from '../case/clinical-case'
import { onSinceMs, situationOfCase } from '../case/situation-of-case'

/** A girth that grew so much tells of a limb that swells under what is closed (an estimate). */
export const grownByCm = 1.5

/**
 * Girths of the injured limb that grew since the device is on, at a place that it leaves bare, while its patient cannot say whether it hurts:
 * one is a review, a second one or a sign of the rounds beside it is urgent, as a closed limb.
 */
export function grownGirths(record: CaseRecord, episode: EpisodeRecord, rounds: FindingsAfterRounds, nowMs: number): readonly OtherItem[] {
  const onMs = onSinceMs(record)
  const part = injuredPart(record, episode)
  if (onMs === null || !rounds.cannotAsk || part === null || situationOfCase(record, episode, nowMs).on?.holds !== 'break') return []
  const side = episode.injuries[record.injuryId]?.side ?? undefined
  const own = record.measurements.filter((measurement) => measurement.side === undefined || measurement.side === side)
  const grown = girthsOf(record, episode).flatMap((definition) => growthOf(definition, own, onMs) ?? [])
  const signs = rounds.findings.filter((finding) => finding.part === part && finding.code === 'cannot-say').length
  return grown.map(({ definition, beforeCm, nowCm, atMs }): OtherItem => ({
    id: `reading/${definition.id}-grown`,
    from: 'reading',
    level: grown.length + signs > 1 ? 'urgent' : 'review',
    danger: 'limb',
    text: `${definition.label} ${nowCm.toFixed(1)} cm, was ${beforeCm.toFixed(1)} cm; nobody can say whether it hurts`,
    part,
    sinceMs: atMs,
    lookedAtMs: atMs,
    binds: { stages: [], steps: [] },
    ends: 'The same girth, read again and no longer so much fuller, or a patient who answers.',
    isEndedByWord: false,
  }))
}

/** Girths that the technique asks for, each once. */
function girthsOf(record: CaseRecord, episode: EpisodeRecord): readonly MeasurementDefinition[] {
  const technique = findTechnique(record.technique)
  if (!technique) return []
  const clinicalCase = toClinicalCase(record, episode)
  const { values } = resolveOptions(technique, clinicalCase, protocolOf(record))
  return technique
    .measurements(clinicalCase, values)
    .map(({ definition }) => definition)
    .filter(({ kind }) => kind === 'girth')
}

interface Growth {
  readonly definition: MeasurementDefinition
  readonly beforeCm: number
  readonly nowCm: number
  readonly atMs: number
}

/** The last girth on the injured side since the device is on, held against the one before it was; null where it did not grow so much. */
function growthOf(definition: MeasurementDefinition, all: readonly Measurement[], onMs: number): Growth | null {
  const read = all
    .filter((reading) => reading.id === definition.id && typeof reading.value === 'number' && reading.at !== undefined)
    .map((reading) => ({ cm: toCm(Number(reading.value), reading.unit ?? 'cm', reading.breadthCm), atMs: Date.parse(reading.at ?? '') }))
    .toSorted((a, b) => a.atMs - b.atMs)
  const last = read.at(-1)
  const before = read.findLast(({ atMs }) => atMs <= onMs) ?? read[0]
  if (!last || !before || last === before || last.atMs <= onMs) return null
  return last.cm - before.cm >= grownByCm - 1e-9 ? { definition, beforeCm: before.cm, nowCm: last.cm, atMs: last.atMs } : null
}
