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
 * Reads a case and the stay that it belongs to.
 * @throws ApiError 404
 */
export async function openCase(streams: StreamRepository, id: string): Promise<OpenedCase> {
  const found = await streams.findCase(id)
  const stay = found && (await streams.findEpisode(found.record.episodeId))
  if (!found || !stay) throw new ApiError(404, 'not-found', 'There is no case with this id: look on the Board.')
  return { case: found, stay, record: found.record, episode: stay.record }
}
