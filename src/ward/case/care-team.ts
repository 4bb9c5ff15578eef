import type { OutsideReason } from '#contract/api/looks-in'
import { isInArea } from './at-place'
import type { EpisodeRecord } from '#contract/records/episode'
import { initialsOf } from '#contract/records/episode'
import type { PersonSettings } from '#contract/records/person'
import type { WardRecord } from '#contract/records/ward'

/** Who wants to read, and whether they began this stay, or have entered something of it after they had read it. */
export interface Reader {
  readonly name: string
  readonly settings: Pick<PersonSettings, 'places' | 'team'>
  readonly hasTakenPart: boolean
}

/**
 * Why a reader is outside of a patient's care team; null where they are in it. In it is whoever takes part in the stay, whose places
 * or team's places hold the patient, and whom the rota names there. A place that is in nobody's areas is everybody's. The record of a
 * confidential patient is only for those who take part in the stay.
 */
export function outsideOf(
  episode: Pick<EpisodeRecord, 'place' | 'confidential'>,
  ward: Pick<WardRecord, 'areas' | 'teams' | 'rotas'>,
  reader: Reader,
): OutsideReason | null {
  if (reader.hasTakenPart) return null
  if (episode.confidential) return 'confidential'
  const isIn = (area: string): boolean => isInArea(episode.place, area)
  const ofTeams = (ward.teams ?? []).flatMap((team) => team.areas)
  if (![...ward.areas.map((area) => area.name), ...ofTeams].some(isIn)) return null
  const own = [
    ...(reader.settings.places ?? []),
    ...(ward.teams ?? []).filter((team) => team.name === reader.settings.team).flatMap((team) => team.areas),
  ]
  const onRota = ward.rotas.some((rota) => (rota.area === '' || isIn(rota.area)) && rota.shifts.some((shift) => shift.name === reader.name))
  return onRota || own.some(isIn) ? null : 'outside'
}

/** A line about a confidential patient, as those outside of the care team see it: initials, and no number. */
export function maskedLine<Line extends { readonly patient: string; readonly number?: string }>(line: Line): Line {
  return { ...line, patient: initialsOf(line.patient), ...(line.number === undefined ? {} : { number: '' }) }
}

/** What an entry of such a patient says in a list. */
export const maskedWords = 'Open the record to read it: it is confidential'
