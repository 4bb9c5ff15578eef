import { formatDayAndClock } from '../../parts/format-time'
import type { LiveRound } from '#core/rounds/live-rounds'
import type { JudgedRound } from '#contract/views/case-rounds'
import type { RoundRecord } from '#contract/records/episode'
import { LevelMark } from '../../round/level-mark'
import { WholeRound } from './whole-round'

/** What is to be known of a round's time. */
function markWords({ mark }: RoundRecord): string {
  if (mark === 'clock-wrong') return 'device clock wrong, timed when it came'
  return mark === 'late' ? 'entered late' : ''
}

/** Rounds done, newest first, with the next ones due above them. */
export function RoundList({
  rounds,
  judged,
  notDone,
  now,
}: {
  rounds: readonly LiveRound[]
  judged: readonly JudgedRound[]
  notDone: readonly RoundRecord[]
  now: number
}) {
  const due = rounds.filter((round) => round.doneAt === null).slice(0, 4)
  const time = (at: number): string => formatDayAndClock(at)
  const past = [
    ...judged.map(({ round, verdict }) => ({
      id: round.id,
      at: round.at,
      by: round.by,
      line: <LevelMark level={verdict.level} />,
      note: [round.isBaseline ? 'baseline' : '', verdict.complete ? '' : 'incomplete', markWords(round)].filter(Boolean).join(', '),
      whole: <WholeRound judged={{ round, verdict }} />,
    })),
    ...notDone.map((round) => ({
      id: round.id,
      at: round.at,
      by: round.by,
      line: (
        <span className="font-semibold">
          {round.outcome.replaceAll('-', ' ')}: {round.reason}
        </span>
      ),
      note: ['stays due', markWords(round)].filter(Boolean).join(', '),
      whole: null,
    })),
  ].sort((a, b) => Date.parse(b.at) - Date.parse(a.at))
  return (
    <section aria-labelledby="rounds">
      <h2 id="rounds" className="mb-2 font-bold">
        Rounds
      </h2>
      <ol className="divide-y divide-line rounded-2xl border border-line bg-sheet">
        {[...due].reverse().map((round) => (
          <li key={round.id} className="flex min-h-11 flex-wrap items-center gap-x-4 px-4 py-1.5">
            <span className="numeral w-24">{time(round.dueAt)}</span>
            <span className={round.dueAt < now ? 'font-bold text-stop' : 'text-soft'}>{round.dueAt < now ? 'not done' : 'due'}</span>
          </li>
        ))}
        {past.map((one) => {
          const line = (
            <>
              <span className="numeral w-24">{time(Date.parse(one.at))}</span>
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
