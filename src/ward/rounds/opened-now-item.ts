import type { OtherItem } from '#core/standing/judge-standing'
import type { CaseRecord } from '#contract/records/case'
import { injuredPart } from './case-rounds'
import type { EpisodeRecord } from '#contract/records/episode'
import { countingRuns } from '#contract/records/run-kind'
import { heldBy } from '#core/standing/case-facts'

/**
 * An opening at once that nobody has looked at since: it calls by itself, also where no round had found anything yet.
 * @param isLookedAt whether a complete round came after a moment
 */
export function openedNowItems(record: CaseRecord, episode: EpisodeRecord, isLookedAt: (at: string) => boolean): readonly OtherItem[] {
  const run = countingRuns(record).findLast((countingRun) => countingRun.isOpenNow)
  if (!run || record.removedAt !== null || isLookedAt(run.startedAt)) return []
  const isOpen = record.openedNowAt !== undefined && Date.parse(record.openedNowAt) >= Date.parse(run.startedAt)
  const holds = heldBy(record.technique)
  return [
    {
      id: 'run/open-now',
      from: 'run',
      level: 'urgent',
      danger: holds === 'head' || holds === 'spine' ? 'breathing' : 'limb',
      text: isOpen ? 'Opened at once, and nobody has looked since' : 'Being opened at once',
      part: injuredPart(record, episode),
      sinceMs: Date.parse(run.startedAt),
      binds: { stages: [], steps: [] },
      ends: 'A complete round after it.',
      isEndedByWord: false,
    },
  ]
}
