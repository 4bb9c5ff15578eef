import type { EventInput } from '#contract/event'
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
