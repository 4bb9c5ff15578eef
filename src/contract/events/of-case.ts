import type { FoldableEvent } from '../event'
import type { CaseRecord } from '../records/case'
import type { EpisodeRecord } from '../records/episode'
import { findEventKind } from './index'
import type { EventKind, SaidOfCase } from './kind'
import { upcast } from './upcast'

/**
 * What an event of a stay says of one of its cases as well: the event that is written there with it.
 * @param stay as it was before
 * @param record the case as it was before
 * @returns null where it says nothing of this case
 */
export function ofCase(stored: FoldableEvent, stay: EpisodeRecord, record: CaseRecord): SaidOfCase | null {
  const event = upcast(stored)
  const kind = findEventKind(event.kind) as EventKind<object, 'episode'> | null
  return kind?.ofCase?.(stay, { ...event, body: event.body as object }, record) ?? null
}
