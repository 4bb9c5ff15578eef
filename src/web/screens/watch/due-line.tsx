import { formatClock, formatLate, formatSpan } from '../../parts/format-time'
import { dueState } from '#core/rounds/due-state'
import type { OwedWork } from '#ward/owed/work-owed'
import { ToneShape, type Tone } from '../../parts/tone-shape'

const looks: Record<ReturnType<typeof dueState>, { tone: Tone; word: string; box: string }> = {
  later: { tone: 'calm', word: 'Next round in', box: 'border-line bg-sheet' },
  due: { tone: 'caution', word: 'Round due in', box: 'border-caution bg-caution-wash' },
  grace: { tone: 'caution', word: 'Round', box: 'border-caution bg-caution-wash' },
  overdue: { tone: 'stop', word: 'Round', box: 'border-stop bg-stop-wash' },
}

/** When the next round falls due, large. */
export function DueLine({ round, now }: { round: Pick<OwedWork, 'dueAt' | 'graceMin'>; now: number }) {
  const minutes = (round.dueAt - now) / 60_000
  const look = looks[dueState(minutes, round.graceMin)]
  return (
    <p className={`flex flex-wrap items-center gap-x-4 rounded-3xl border-2 px-5 py-4 ${look.box}`}>
      <ToneShape tone={look.tone} size={24} />
      <span className="text-lg font-semibold">{look.word}</span>
      <span className="numeral text-3xl">{minutes < 0 ? formatLate(-minutes) : formatSpan(Math.round(minutes))}</span>
      <span className="text-soft">
        at {formatClock(round.dueAt)}, grace {Math.round(round.graceMin)} min
      </span>
    </p>
  )
}
