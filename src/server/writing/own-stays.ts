import type { EventInput } from '#contract/event'
import type { EventKind } from '#contract/events/kind'
import type { EpisodeOpenedBody } from '#contract/events/stay/episode-opened'
import { findEventKind } from '#contract/events/index'
import type { CaseOpenedBody } from '#contract/events/case/case-opened'
import type { EpisodeRecord } from '#contract/records/episode'
import type { Account } from '../repositories/people'
import type { StreamRepository } from '../repositories/streams'

type Who = Pick<Account, 'id'>

/** Whether somebody began a stay as an emergency entry: it takes what they add. */
export function beganStay({ id }: Who, stay: Pick<EpisodeRecord, 'unattributed'> | undefined): boolean {
  return stay?.unattributed?.actor === id
}

/** Whether they may see it too: once somebody has claimed it, it is that person's. */
export function ownsStay(who: Who, stay: Pick<EpisodeRecord, 'unattributed'> | undefined): boolean {
  return beganStay(who, stay) && stay?.unattributed?.claimed === undefined
}

/** Whether a case belongs to a stay that they began, and that nobody has claimed. */
export async function ownsCase(streams: StreamRepository, who: Who, caseId: string): Promise<boolean> {
  const episodeId = await streams.episodeOf(caseId)
  const stay = episodeId === null ? null : await streams.findEpisode(episodeId)
  return ownsStay(who, stay?.record)
}

/** Whether an event opens a stay, or goes to one that they began. */
export async function isToOwnStay(streams: StreamRepository, who: Who, { stream, kind, body }: EventInput): Promise<boolean> {
  const isOpening = findEventKind(kind)?.nature === 'opening'
  if (stream.type === 'episode') return isOpening || beganStay(who, (await streams.findEpisode(stream.id))?.record)
  if (stream.type !== 'case') return false
  const opens = isOpening ? (body as CaseOpenedBody).episodeId : null
  const episodeId = opens ?? (await streams.episodeOf(stream.id))
  return episodeId !== null && beganStay(who, (await streams.findEpisode(episodeId))?.record)
}

/**
 * What an event without an account would touch beside its own stay; null where it keeps to it (HARDENING). It opens a stay only for a patient
 * whom nobody knows yet, ties nothing to what others did, and names no stream that is not of its own stay.
 */
export async function foreignOf(streams: StreamRepository, who: Who, { stream, kind, body }: EventInput): Promise<string | null> {
  const known = findEventKind(kind) as EventKind | null
  if (known?.isOfOthers?.(body as object)) return 'what others did'
  if (stream.type === 'episode' && known?.nature === 'opening') {
    const { patientId } = body as EpisodeOpenedBody
    return (await streams.knowsPatient(patientId)) ? 'a patient who is known here' : null
  }
  for (const id of known?.names?.(body as object) ?? []) {
    if (id === undefined) continue
    const episodeId = (await streams.episodeOf(id)) ?? id
    if (!beganStay(who, (await streams.findEpisode(episodeId))?.record)) return 'another stay'
  }
  return null
}
