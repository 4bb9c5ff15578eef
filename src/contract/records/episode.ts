import type { AskedFlag } from '#core/model/flag-words'
import type { InjuryFlag, PatientFlag, Pattern, Region, Side, Swelling } from '#core/model/vocabulary'
import type { RoundInput } from '#core/model/observation'
import type { EventMark } from '../event'
import type { CrewHandOver } from './crew-hand-over'

export const skinTones = ['neutral', 'light', 'medium', 'deep'] as const
export type SkinTone = (typeof skinTones)[number]

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
  /** In what tone drawings show the skin: what is asked is pink, pale or dusky of this skin. Neutral where it is left out. */
  readonly skinTone?: SkinTone
}

/** What can be answered by no: a flag, or whether it is swollen. */
export type AskedQuestion = AskedFlag | 'swelling'

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
  /** The id of whoever entered it: two may have one name. */
  readonly byId?: string
  /** Said of its time: it came late, or its device's clock was wrong. */
  readonly mark?: EventMark
  readonly cases: readonly string[]
  readonly isBaseline: boolean
  readonly outcome: RoundOutcome
  readonly reason: string
  readonly findings: Omit<RoundInput, 'atMin' | 'baseline'>
  /** When it was put right, and why; its time is that of the look. */
  readonly correctedAt?: string
  readonly why?: string
}

/** A round that was tried and not done. */
export interface TriedRound {
  readonly outcome: Exclude<RoundOutcome, 'done'>
  /** ISO 8601 UTC. */
  readonly at: string
}

/** A round as it was before it was put right: it counts for nothing, and stays readable. */
export interface CorrectedRound extends RoundRecord {
  readonly correctedBy: string
}

/** This stay was found to be of the patient of another one. */
export interface MergeRecord {
  readonly withEpisode: string
  readonly reason: string
  readonly at: string
  readonly by: string
  /** Who it was before. */
  readonly before: { readonly patientId: string; readonly patient: PatientDetails }
  readonly undone?: { readonly reason: string; readonly at: string; readonly by: string }
}

/** A question that was asked, and is not so; without an injury it is of the patient. */
export interface AnsweredNo {
  readonly question: AskedQuestion
  readonly injuryId: string | null
  readonly at: string
  readonly by: string
}

/** Who begins without an account is kept under the name of the device. */
export const unattributedPrefix = 'unattributed@'

/** A stay that was begun without an account, by whoever stood at a paired device. */
export interface UnattributedStay {
  readonly actor: string
  /** `unattributed@Resus 2`. */
  readonly name: string
  /** Who answers for it since; left out while nobody does. */
  readonly claimed?: { readonly by: string; readonly at: string; readonly words: string }
  /** When both sides had said that it was handed over: the device sees it no more. */
  readonly letGoAt?: string
}

/** One stay of one patient: place, injuries, flags, rounds. A fold of the episode's events. */
export interface EpisodeRecord {
  readonly id: string
  readonly patientId: string
  readonly openedAt: string
  /** When what its plans are made of last changed, as the server heard of it. */
  readonly factsAt?: string
  readonly place: string
  readonly zone: string
  readonly patient: PatientDetails
  readonly flags: readonly PatientFlag[]
  readonly injuries: Readonly<Record<string, InjuryRecord>>
  readonly rounds: readonly RoundRecord[]
  readonly correctedRounds?: readonly CorrectedRound[]
  /** Left out while nothing was answered by no. */
  readonly asked?: readonly AnsweredNo[]
  /** Left out where somebody with an account began it. */
  readonly unattributed?: UnattributedStay
  /** How whoever brought the patient gave them over; left out while neither side has said so. */
  readonly crewHandOver?: CrewHandOver
  /** Its record is for the care team alone; left out where it is for everybody who may read. */
  readonly confidential?: { readonly at: string; readonly by: string; readonly reason: string }
  /** Merges with the record of the same patient, in the order of time; one that was undone says so. */
  readonly merges?: readonly MergeRecord[]
}

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

const clocks = new Map<string, Intl.DateTimeFormat>()

/** A formatter of the time of day in a zone: making one takes longer than everything else of a Board's line. */
function clockIn(zone: string): Intl.DateTimeFormat {
  const known = clocks.get(zone)
  if (known) return known
  const made = new Intl.DateTimeFormat('en-GB', { timeZone: zone, hour: '2-digit', minute: '2-digit' })
  clocks.set(zone, made)
  return made
}

/** What to call the patient: the name, or when an unknown one came in, by the clock there, and about how old. */
export function patientLabel({ patient, openedAt, zone }: Pick<EpisodeRecord, 'patient' | 'openedAt' | 'zone'>): string {
  if (patient.name) return patient.name
  const clock = clockIn(zone).format(new Date(openedAt))
  const age = patient.ageYears === null ? '' : `, about ${patient.ageYears}`
  return `Unnamed ${clock}${age}`
}

/** Birth date and number of a patient in words, and which of the two nobody knows. */
export function identifiersOf({ born, number }: Pick<PatientDetails, 'born' | 'number'>): string {
  return `${born ? `born ${born}` : 'birth date not known'}, ${number || 'number not known'}`
}

/** Who a patient is, as papers say it: what they are called, birth date and number. */
export function patientIdentity(episode: Pick<EpisodeRecord, 'patient' | 'openedAt' | 'zone'>): string {
  return `${patientLabel(episode)}, ${identifiersOf(episode.patient)}`
}

/**
 * Whom something is about where a whole name is too much: "A.P." of a name, and who has none as they are called.
 * @param label as `patientLabel` gives it
 */
export function initialsOf(label: string): string {
  if (/\d/.test(label)) return label
  const letters = label.split(/[\s-]+/).flatMap((word) => (word === '' ? [] : [`${word.charAt(0).toUpperCase()}.`]))
  return letters.slice(0, 3).join('')
}
