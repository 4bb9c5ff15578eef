import { createHash } from 'node:crypto'
import { foldCase, foldEpisode, foldVersion } from '../../src/contract/events/fold'
import type { FoldableEvent } from '../../src/contract/event'
import { eventKinds, type EventKindId } from '../../src/contract/events/index'
import { newestVersion } from '../../src/contract/events/upcast'
import type { CaseRecord } from '../../src/contract/records/case'
import type { EpisodeRecord } from '../../src/contract/records/episode'

const kinds = Object.keys(eventKinds).sort() as EventKindId[]

/**
 * The version of the fold, and a hash of what the folds make of one event of each kind, each alone and all in turn: it changes when a fold
 * makes another record of the same events.
 */
export function foldedSample(): { readonly version: string; readonly hash: string } {
  const event = (kind: EventKindId, minute: number): FoldableEvent => ({
    id: `${kind}-${minute}`,
    kind,
    v: newestVersion(kind),
    body: eventKinds[kind].example,
    at: new Date(Date.UTC(2026, 0, 10, 8, minute)).toISOString(),
    actor: 'person',
    actorName: 'Ada',
  })
  const records: (CaseRecord | EpisodeRecord)[] = []
  const opened = foldCase(null, 'case', event('case-opened', 0))
  const stay = foldEpisode(null, 'stay', event('episode-opened', 0))
  let [lastCase, lastStay] = [foldCase(opened, 'case', event('run-started', 1)), stay]
  for (const kind of kinds) {
    const { stream, nature } = eventKinds[kind]
    if (nature === 'opening') continue
    if (stream === 'case') {
      records.push(foldCase(opened, 'case', event(kind, 2)))
      records.push((lastCase = foldCase(lastCase, 'case', event(kind, 3))))
    }
    if (stream === 'episode') {
      records.push(foldEpisode(stay, 'stay', event(kind, 2)))
      records.push((lastStay = foldEpisode(lastStay, 'stay', event(kind, 3))))
    }
  }
  return { version: String(foldVersion), hash: createHash('sha256').update(JSON.stringify(records)).digest('hex') }
}
