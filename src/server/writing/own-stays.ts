import type { EventInput } from '#contract/event'
import type { EventKind } from '#contract/events/kind'
import type { EpisodeOpenedBody } from '#contract/events/stay/episode-opened'
import { findEventKind } from '#contract/events/index'
import type { CaseOpenedBody } from '#contract/events/case/case-opened'
import type { EpisodeRecord, UnattributedStay } from '#contract/records/episode'
import type { Account } from '../repositories/people'
import type { StreamRepository } from '../repositories/streams'

type Who = Pick<Account, 'id'>

/** Whether somebody began a stay as an emergency entry: it takes what they add. */
export function beganStay({ id }: Who, stay: { readonly unattributed?: Pick<UnattributedStay, 'actor'> } | undefined): boolean {
  return stay?.unattributed?.actor === id
}

/** A crew that never says that it gave the patient over sees them for so long after the claim, and no longer. */
const longestAfterClaimMs = 12 * 3_600_000

/** What is looked at of who began a stay: of the record, or of a line of the Board. */
export interface BegunStay {
  readonly unattributed?: Pick<UnattributedStay, 'actor' | 'letGoAt'> & { readonly claimed?: { readonly by: string; readonly at: string } }
}

/** Whether they may see it too: until it is handed over on both sides. A claim adds a person, and takes nothing from the crew. */
export function ownsStay(who: Who, stay: BegunStay | undefined, nowMs: number): boolean {
  if (!beganStay(who, stay) || stay?.unattributed?.letGoAt !== undefined) return false
  const claimed = stay?.unattributed?.claimed
  return claimed === undefined || nowMs - Date.parse(claimed.at) < longestAfterClaimMs
}

/** The stay of a case that somebody began, whether or not they may see it still; null for any other. */
async function begunStayOf(streams: StreamRepository, who: Who, caseId: string): Promise<EpisodeRecord | null> {
  const episodeId = await streams.episodeOf(caseId)
  const stay = episodeId === null ? null : await streams.findEpisode(episodeId)
  return stay && beganStay(who, stay.record) ? stay.record : null
}

/** Whether a case belongs to a stay that they began, and that was not handed over. */
export async function ownsCase(streams: StreamRepository, who: Who, caseId: string, nowMs: number): Promise<boolean> {
  const stay = await begunStayOf(streams, who, caseId)
  return stay !== null && ownsStay(who, stay, nowMs)
}

/** Who has a case now that somebody began and may not see any more; null where they may, or never began it. */
export async function whoHasIt(streams: StreamRepository, who: Who, caseId: string, nowMs: number): Promise<WhoHasIt | null> {
  const stay = await begunStayOf(streams, who, caseId)
  if (!stay || ownsStay(who, stay, nowMs)) return null
  const { crewHandOver, unattributed, place } = stay
  const by = crewHandOver?.received?.by ?? unattributed?.claimed?.by
  const at = crewHandOver?.received?.at ?? unattributed?.claimed?.at
  return by === undefined || at === undefined ? null : { by, at, place }
}

/** Where a case went that is gone from the device on which it was begun. */
export interface WhoHasIt {
  readonly by: string
  readonly at: string
  readonly place: string
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
 * What an event without an account would touch beside its own stay; null where it keeps to it. It opens a stay only for a patient
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
