import { onSinceAt } from '../case/situation-of-case'
import type { Measurement } from '#core/model/clinical-case'
import type { CarriedReading } from '#contract/events/case/carried-in'
import type { CaseRecord } from '#contract/records/case'
import type { PullRecord } from '#contract/records/run'
import type { BoardRow } from '#contract/api/board'

/** How another case of the same patient stands to the one in hand. */
export type Relation = 'replaces' | 'replaced-by' | 'other'

/** Another device on the same patient, as it is shown beside the one in hand. */
export interface RelatedCase {
  readonly relation: Relation
  readonly row: BoardRow
  /** ISO 8601; null while it was never on. */
  readonly appliedAt: string | null
  /** Since when it is on, whether or not its run has ended; null where nothing is on yet. */
  readonly onSince: string | null
  readonly offAt: string | null
  /** The readings of its pull, in the order of time; empty for what pulls nothing. */
  readonly pulls: readonly PullRecord[]
}

/** Devices on the same patient, newest first. */
export interface RelatedAnswer {
  readonly cases: readonly RelatedCase[]
  /** Of how many more the reader is outside: they are read once a reason is said. */
  readonly shut: number
  readonly now: string
}

/** How `other` stands to `record`. */
export function relationOf(record: CaseRecord, other: CaseRecord): Relation {
  if (record.replaces === other.id) return 'replaces'
  return other.replaces === record.id ? 'replaced-by' : 'other'
}

/** What is said of another case of the patient beside the one in hand. */
export function relatedCase(record: CaseRecord, other: CaseRecord, row: BoardRow): RelatedCase {
  return {
    relation: relationOf(record, other),
    row: { ...row, search: '', live: null },
    appliedAt: other.appliedAt,
    onSince: onSinceAt(other),
    offAt: other.removedAt,
    pulls: other.runs.flatMap((run) => run.pulls ?? []),
  }
}

/**
 * How long a device was on, and what it pulled, in words: one story with the device that replaced it.
 * @param nowMs until when it counts while it is still on
 */
export function wearWords({ onSince, offAt, pulls }: Pick<RelatedCase, 'onSince' | 'offAt' | 'pulls'>, nowMs: number): string {
  if (onSince === null) return 'not put on'
  const minutes = Math.max(0, Math.round(((offAt === null ? nowMs : Date.parse(offAt)) - Date.parse(onSince)) / 60_000))
  const [first, last] = [pulls[0], pulls.at(-1)]
  const kg = last?.kg ?? null
  const under = pulls.length > 0 ? ` under pull${kg === null ? '' : `, ${kg} kg`}` : ' on'
  const pain = first && last ? `; pain ${first.painBefore ?? 'not asked'} before, ${last.painAfter ?? 'not asked'} after` : ''
  return `${minutes >= 60 ? `${Math.floor(minutes / 60)} h ` : ''}${minutes % 60} min${under}${pain}`
}

/** Readings that come along to another device of the same patient: all but those that a later one stands for. */
export function readingsToCarry({ measurements }: Pick<CaseRecord, 'measurements'>): readonly CarriedReading[] {
  const replaced = new Set(measurements.flatMap((measurement) => measurement.supersedes ?? []))
  return measurements.filter(
    (measurement): measurement is Measurement & { key: string } => measurement.key !== undefined && !replaced.has(measurement.key),
  )
}

/** Cases that a look at the limb of this one serves: its own, and that of the device which it replaced. */
export function casesServed({ id, replaces }: Pick<CaseRecord, 'id' | 'replaces'>): readonly string[] {
  return replaces === undefined ? [id] : [id, replaces]
}
