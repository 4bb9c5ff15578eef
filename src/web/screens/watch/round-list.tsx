import { useMoment } from '../../sync/use-moment'
import { spoken } from '#core/model/vocabulary'
import type { LiveRound } from '#core/rounds/live-rounds'
import type { JudgedRound } from '#ward/rounds/case-rounds'
import type { CorrectedRound, RoundRecord } from '#contract/records/episode'
import type { Correction } from '#ward/rounds/correction-words'
import { Button } from '../../parts/button'
import { LevelMark } from '../../parts/level-mark'
import { WholeRound } from './whole-round'

/** What is to be known of a round's time. */
function markWords({ mark }: RoundRecord): string {
  if (mark === 'clock-wrong') return 'device clock wrong, timed when it came'
  if (mark === 'unconfirmed') return 'not confirmed: sent when its author’s access had ended'
  return mark === 'late' ? 'entered late' : ''
}

function putRightWords({ correctedAt, why }: RoundRecord, moment: (atMs: number) => string): string {
  return correctedAt ? `put right ${moment(Date.parse(correctedAt))}: ${why ?? ''}` : ''
}

const mostOwed = 4
const mostToCome = 6

/** Rounds done, newest first; above them what is owed, and the times of those to come. */
export function RoundList({
  rounds,
  judged,
  notDone,
  corrected,
  corrections,
  now,
  mayCorrect,
  onCorrect,
}: {
  rounds: readonly LiveRound[]
  judged: readonly JudgedRound[]
  notDone: readonly RoundRecord[]
  /** Rounds as they were before they were put right. */
  corrected: readonly CorrectedRound[]
  /** What was put right, in words. */
  corrections: readonly Correction[]
  mayCorrect: (round: RoundRecord) => boolean
  onCorrect: (round: RoundRecord) => void
  now: number
}) {
  const moment = useMoment()
  const wordsOf = ({ at, correctedAt }: CorrectedRound): string => {
    const own = corrections.find((correction) => correction.lookAt === at && correction.correctedAt === correctedAt)
    return own ? `: ${own.text}` : ''
  }
  const open = rounds.filter((round) => round.doneAt === null)
  const owed = open.filter((round) => round.dueAt < now).slice(-mostOwed)
  const coming = open.filter((round) => round.dueAt >= now).slice(0, mostToCome)
  const past = [
    ...judged.map(({ round, verdict }) => ({
      id: round.id,
      at: round.at,
      by: round.by,
      line:
        verdict.level === 'none' && !verdict.complete ? (
          <LevelMark level={null} word="Not all looked at" />
        ) : (
          <LevelMark level={verdict.level} />
        ),
      note: [round.isBaseline ? 'baseline' : '', verdict.complete ? '' : 'incomplete', markWords(round), putRightWords(round, moment)]
        .filter(Boolean)
        .join(', '),
      whole: <WholeRound round={round} verdict={verdict} onCorrect={mayCorrect(round) ? () => onCorrect(round) : undefined} />,
    })),
    ...notDone.map((round) => ({
      id: round.id,
      at: round.at,
      by: round.by,
      line: (
        <span className="font-semibold">
          {spoken(round.outcome)}: {round.reason}
        </span>
      ),
      note: ['stays due', markWords(round), putRightWords(round, moment)].filter(Boolean).join(', '),
      whole: mayCorrect(round) ? (
        <div className="border-t border-line px-4 py-2.5">
          <Button onClick={() => onCorrect(round)}>Put it right</Button>
        </div>
      ) : null,
    })),
    ...corrected.map((round) => ({
      id: `${round.id} as it was`,
      at: round.at,
      by: round.by,
      line: (
        <span className="text-soft line-through">
          {round.outcome === 'done' ? 'as first entered' : `${spoken(round.outcome)}: ${round.reason}`}
        </span>
      ),
      note: `counts no longer: put right by ${round.correctedBy}${wordsOf(round)}`,
      whole: round.outcome === 'done' ? <WholeRound round={round} /> : null,
    })),
  ].sort((a, b) => Date.parse(b.at) - Date.parse(a.at))
  return (
    <section aria-labelledby="rounds">
      <h2 id="rounds" className="mb-2 font-bold">
        Rounds
      </h2>
      <ol className="divide-y divide-line rounded-2xl border border-line bg-sheet">
        {coming.length > 0 ? (
          <li className="flex min-h-11 flex-wrap items-center gap-x-4 px-4 py-1.5 text-soft">
            <span className="w-32">To come</span>
            <span className="numeral">{coming.map((round, index) => moment(round.dueAt, coming[index - 1]?.dueAt)).join(' · ')}</span>
          </li>
        ) : null}
        {[...owed].reverse().map((round) => (
          <li key={round.id} className="flex min-h-11 flex-wrap items-center gap-x-4 px-4 py-1.5">
            <span className="numeral w-32">{moment(round.dueAt)}</span>
            <span className="font-bold text-stop">not done</span>
          </li>
        ))}
        {past.map((one) => {
          const line = (
            <>
              <span className="numeral w-32">{moment(Date.parse(one.at))}</span>
              {one.line}
              <span className="ml-auto text-sm text-soft">{[one.note, one.by].filter(Boolean).join(' · ')}</span>
            </>
          )
          const row = 'flex min-h-11 flex-wrap items-center gap-x-4 px-4 py-1.5'
          return one.whole ? (
            <li key={one.id}>
              <details>
                <summary className={`${row} cursor-pointer`}>{line}</summary>
                {one.whole}
              </details>
            </li>
          ) : (
            <li key={one.id} className={row}>
              {line}
            </li>
          )
        })}
      </ol>
    </section>
  )
}
