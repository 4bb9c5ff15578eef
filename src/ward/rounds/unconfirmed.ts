import type { StandingItem } from '#core/model/standing'
import { minuteMs } from '#core/standing/judge-standing'
import { isNotConfirmed } from '#contract/event'
import type { CaseRecord } from '#contract/records/case'
import type { EpisodeRecord } from '#contract/records/episode'
import { minuteOf } from './case-rounds'

/**
 * Whose entries, which nobody confirms, are behind what stands: a look or a trouble of the minute in which it began or was looked at last.
 * Whoever reads it looks at the patient first, and acts all the same.
 */
export function unconfirmedBehind(
  items: readonly Pick<StandingItem, 'sinceMs' | 'lookedAtMs'>[],
  record: Pick<CaseRecord, 'troubles'>,
  episode: Pick<EpisodeRecord, 'rounds'>,
): readonly string[] {
  const minutes = new Set(items.flatMap((item) => [item.sinceMs, item.lookedAtMs ?? item.sinceMs].map((ms) => Math.floor(ms / minuteMs))))
  const behind = [...episode.rounds, ...(record.troubles ?? [])].filter((one) => isNotConfirmed(one) && minutes.has(minuteOf(one.at)))
  return [...new Set(behind.map((one) => one.by))]
}
