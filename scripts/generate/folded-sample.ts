import { createHash } from 'node:crypto'
import { foldCase, foldEpisode, foldVersion } from '../../src/contract/events/fold'
import type { FoldableEvent } from '../../src/contract/event'
import { eventKinds, type EventKindId } from '../../src/contract/events/index'
import { newestVersion } from '../../src/contract/events/upcast'
import type { CaseRecord } from '../../src/contract/records/case'
import type { EpisodeRecord } from '../../src/contract/records/episode'

const kinds = Object.keys(eventKinds).sort() as EventKindId[]
/** Plans and cases of examples are hundreds of lines: of a text so long stand its beginning and its hash. */
const longestText = 400

type Folded = CaseRecord | EpisodeRecord | null

const textOf = (value: unknown): string => {
  const text = JSON.stringify(value) ?? 'nothing'
  if (text.length <= longestText) return text
  return `${text.slice(0, longestText)}… ${createHash('sha256').update(text).digest('hex').slice(0, 12)}`
}

/** The fields in which a record differs from the one before, a line each. */
function changedLines(before: Folded, after: Folded): readonly string[] {
  const [was, is] = [before ?? {}, after ?? {}] as [Record<string, unknown>, Record<string, unknown>]
  return [...new Set([...Object.keys(was), ...Object.keys(is)])]
    .sort()
    .filter((field) => JSON.stringify(was[field]) !== JSON.stringify(is[field]))
    .map((field) => `  ${field}: ${textOf(is[field])}`)
}

/**
 * What the folds make of one event of each kind, alone and after all that come before it in the list, field by field: it changes when a fold
 * makes another record of the same events.
 */
export function foldedSample(): { readonly version: string; readonly text: string } {
  const event = (kind: EventKindId, minute: number): FoldableEvent => ({
    id: `${kind}-${minute}`,
    kind,
    v: newestVersion(kind),
    body: eventKinds[kind].example,
    at: new Date(Date.UTC(2026, 0, 10, 8, minute)).toISOString(),
    actor: 'person',
    actorName: 'Ada',
  })
  const opened = foldCase(null, 'case', event('case-opened', 0))
  const stay = foldEpisode(null, 'stay', event('episode-opened', 0))
  let [lastCase, lastStay] = [foldCase(opened, 'case', event('run-started', 1)), stay]
  const lines = ['case-opened', ...changedLines(null, opened), '', 'episode-opened', ...changedLines(null, stay)]
  for (const kind of kinds) {
    const { stream, nature } = eventKinds[kind]
    if (nature === 'opening') continue
    if (stream === 'case') {
      lines.push('', `${kind}, alone`, ...changedLines(opened, foldCase(opened, 'case', event(kind, 2))))
      const before = lastCase
      lines.push('', `${kind}, after the others`, ...changedLines(before, (lastCase = foldCase(before, 'case', event(kind, 3)))))
    }
    if (stream === 'episode') {
      lines.push('', `${kind}, alone`, ...changedLines(stay, foldEpisode(stay, 'stay', event(kind, 2))))
      const before = lastStay
      lines.push('', `${kind}, after the others`, ...changedLines(before, (lastStay = foldEpisode(before, 'stay', event(kind, 3)))))
    }
  }
  return { version: String(foldVersion), text: `${lines.join('\n')}\n` }
}
