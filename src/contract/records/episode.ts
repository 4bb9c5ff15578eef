import type { InjuryFlag, PatientFlag, Pattern, Region, Side, Swelling } from '#core/case/vocabulary'
import type { RoundInput } from '#core/observations/observation'
import type { EventMark, FoldableEvent } from '../event'
import { upcast } from '../upcast'

/** Who the patient is, as far as it is known. Nothing here is needed to take a reading. */
export interface PatientDetails {
  /** Name, or a temporary one while the patient is unknown. */
  readonly name: string
  readonly isTemporary: boolean
  /** Date of birth, hospital number: two of them are read aloud. */
  readonly born: string
  readonly number: string
  readonly ageYears: number | null
  readonly isAgeEstimated: boolean
  readonly sex: string
  readonly heightCm: number | null
  readonly massKg: number | null
  readonly isMassEstimated: boolean
}

export interface InjuryRecord {
  readonly region: Region | null
  readonly side: Side | null
  readonly pattern: Pattern
  readonly flags: readonly InjuryFlag[]
  readonly swelling: Swelling
  readonly levelCm: number | null
}

export const roundOutcomes = ['done', 'asleep', 'refused', 'off-ward', 'not-done'] as const
export type RoundOutcome = (typeof roundOutcomes)[number]

/** One look at the patient, naming the cases that it serves. */
export interface RoundRecord {
  readonly id: string
  readonly at: string
  readonly by: string
  /** Said of its time: it came late, or its device's clock was wrong. */
  readonly mark?: EventMark
  readonly cases: readonly string[]
  readonly isBaseline: boolean
  readonly outcome: RoundOutcome
  readonly reason: string
  readonly findings: Omit<RoundInput, 'atMin' | 'baseline'>
}

/** One stay of one patient: place, injuries, flags, rounds. A fold of the episode's events. */
export interface EpisodeRecord {
  readonly id: string
  readonly patientId: string
  readonly openedAt: string
  readonly place: string
  readonly zone: string
  readonly patient: PatientDetails
  readonly flags: readonly PatientFlag[]
  readonly injuries: Readonly<Record<string, InjuryRecord>>
  readonly rounds: readonly RoundRecord[]
}

export interface EpisodeOpenedBody {
  readonly patientId: string
  readonly place: string
  readonly zone: string
  readonly patient?: PatientDetails
}
export interface InjuryBody {
  readonly injuryId: string
  readonly injury: InjuryRecord
}
export type RoundBody = Omit<RoundRecord, 'id' | 'by' | 'at' | 'mark'>

export const unknownPatient: PatientDetails = {
  name: '',
  isTemporary: true,
  born: '',
  number: '',
  ageYears: null,
  isAgeEstimated: false,
  sex: '',
  heightCm: null,
  massKg: null,
  isMassEstimated: false,
}
export const unknownInjury: InjuryRecord = { region: null, side: null, pattern: 'other', flags: ['fresh'], swelling: 'none', levelCm: null }

/**
 * Applies one event to an episode. Unknown kinds leave it as it is, so that an older reader survives newer data.
 * @param record null only for the opening event
 */
export function foldEpisode(record: EpisodeRecord | null, streamId: string, stored: FoldableEvent): EpisodeRecord {
  const event = upcast(stored)
  if (event.kind === 'episode-opened') {
    const body = event.body as EpisodeOpenedBody
    return {
      id: streamId,
      patientId: body.patientId,
      openedAt: event.at,
      place: body.place,
      zone: body.zone,
      patient: body.patient ?? unknownPatient,
      flags: [],
      injuries: {},
      rounds: [],
    }
  }
  if (!record) throw new Error(`An episode cannot begin with ${event.kind}`)
  switch (event.kind) {
    case 'patient':
      return { ...record, patient: event.body as PatientDetails }
    case 'flags':
      return { ...record, flags: (event.body as { flags: readonly PatientFlag[] }).flags }
    case 'injury': {
      const { injuryId, injury } = event.body as InjuryBody
      return { ...record, injuries: { ...record.injuries, [injuryId]: injury } }
    }
    case 'place':
      return { ...record, place: (event.body as { place: string }).place }
    case 'round': {
      const round: RoundRecord = {
        id: event.id,
        at: event.at,
        by: event.actorName,
        ...(event.mark ? { mark: event.mark } : {}),
        ...(event.body as RoundBody),
      }
      const rounds = [...record.rounds, round].sort((a, b) => Date.parse(a.at) - Date.parse(b.at))
      return { ...record, rounds }
    }
    default:
      return record
  }
}

/** What to call the patient: the name, or what is known instead. */
export function patientLabel(patient: PatientDetails): string {
  if (patient.name) return patient.name
  const age = patient.ageYears === null ? '' : `, about ${patient.ageYears}`
  return `Unnamed${age}`
}
