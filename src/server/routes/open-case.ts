import type { CaseRecord } from '#contract/records/case'
import type { EpisodeRecord } from '#contract/records/episode'
import { ApiError } from '../ground/api-error'
import type { Snapshot, StreamRepository } from '../repositories/streams'

/** A case with its stay, each with where its stream stands. */
export interface OpenedCase {
  readonly case: Snapshot<CaseRecord>
  readonly stay: Snapshot<EpisodeRecord>
  readonly record: CaseRecord
  readonly episode: EpisodeRecord
}

/**
 * Reads a case and the stay that it belongs to. The stay first: what its events say of the case is written with them, so that a case that is
 * read after it knows of a changed side, and never the other way about.
 * @throws ApiError 404
 */
export async function openCase(streams: StreamRepository, id: string): Promise<OpenedCase> {
  const episodeId = await streams.episodeOf(id)
  const stay = episodeId === null ? null : await streams.findEpisode(episodeId)
  const found = stay && (await streams.findCase(id))
  if (!found || !stay) throw new ApiError(404, 'not-found', 'There is no case with this id: look on the Board.')
  return { case: found, stay, record: found.record, episode: stay.record }
}
