import { watchedOf } from '#core/model/observation'
import type { EpisodeRecord, InjuryRecord } from '#contract/records/episode'
import { ColumnRoundForm } from './column-round-form'
import { Notice } from '../parts/notice'
import { lastEntries } from './last-entries'
import { everEntered } from './rest-is-normal'
import { RoundForm } from './round-form'
import type { RoundProps } from './round-frame'

/** The round that this injury asks for: two limbs side by side, or neck or spine with all four. */
export function RoundEntry({ injury, episode, ...given }: RoundProps & { injury: InjuryRecord; episode: EpisodeRecord }) {
  const watched = watchedOf(injury.region ?? undefined)
  const isColumn = watched === 'neck' || watched === 'spine'
  const done = episode.rounds.filter((round) => round.outcome === 'done')
  const form = {
    ...given,
    last: lastEntries(done, isColumn),
    ever: everEntered(
      done.map((one) => one.findings),
      isColumn,
    ),
    asksVital: injury.region === 'thigh' || episode.flags.includes('several-injuries'),
  }
  if (watched === 'neck' || watched === 'spine') return <ColumnRoundForm watched={watched} {...form} />
  if (injury.side === null) {
    return (
      <Notice tone="caution" lead="The side is not set">
        Choose it in Size up.
      </Notice>
    )
  }
  return <RoundForm watched={watched} injured={injury.side} {...form} />
}

/** What a baseline or round compares, in words. */
export function comparedWords(injury: InjuryRecord): string {
  const watched = watchedOf(injury.region ?? undefined)
  return watched === 'leg' ? 'both legs' : watched === 'arm' ? 'both arms' : 'all four limbs'
}
