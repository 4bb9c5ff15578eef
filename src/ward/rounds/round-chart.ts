import { nameOfId } from '#core/standing/item-names'
import { observationsOf } from '#contract/records/observations'
import type { CaseRecord } from '#contract/records/case'
import type { EpisodeRecord, RoundRecord } from '#contract/records/episode'
import { standCaseRounds } from './case-rounds'
import { casesServed } from './related-cases'

/** What rounds entered, item by item, as a table: a paper, a file. */
export interface RoundChart {
  /** Times of the rounds that are shown, ISO 8601, the earliest first. */
  readonly times: readonly string[]
  /** Who did each. */
  readonly by: readonly string[]
  /** Which of them found something urgent. */
  readonly isUrgent: readonly boolean[]
  readonly rows: readonly { readonly id: string; readonly label: string; readonly values: readonly string[] }[]
}

/** Rounds of a case that were done, the latest of them last. */
export function roundsDone(record: CaseRecord, episode: EpisodeRecord): readonly RoundRecord[] {
  const served = casesServed(record)
  return episode.rounds
    .filter((round) => round.outcome === 'done' && (round.isBaseline || round.cases.some((id) => served.includes(id))))
    .sort((a, b) => Date.parse(a.at) - Date.parse(b.at))
}

/** An urgent round is still shown beside newer ones for so long, and so many of them. */
const urgentForMs = 24 * 3_600_000
const mostUrgent = 2

/**
 * The last rounds of a case as a table, every item that any of them entered; urgent rounds of the last day stay beside newer ones.
 * @param most how many rounds are shown, urgent ones of before aside
 */
export function chartOf(record: CaseRecord, episode: EpisodeRecord, most = 3): RoundChart {
  const done = roundsDone(record, episode)
  const lastMs = Date.parse(done.at(-1)?.at ?? '')
  const urgent = new Set(
    done.length === 0
      ? []
      : standCaseRounds(record, episode, lastMs).judged.flatMap(({ round, verdict }) =>
          verdict.findings.some((finding) => finding.level === 'urgent') ? [round.at] : [],
        ),
  )
  const older = done.slice(0, -most).filter(({ at }) => urgent.has(at) && lastMs - Date.parse(at) <= urgentForMs)
  const rounds = [...older.slice(-mostUrgent), ...done.slice(-most)]
  const entered = rounds.map((round) => new Map(observationsOf(round).map(({ item, value }) => [item, value])))
  const ids = [...new Set(entered.flatMap((one) => [...one.keys()]))]
  return {
    times: rounds.map((round) => round.at),
    by: rounds.map((round) => round.by),
    isUrgent: rounds.map((round) => urgent.has(round.at)),
    rows: ids.map((id) => ({ id, label: nameOfId(id), values: entered.map((one) => one.get(id) ?? '') })),
  }
}
