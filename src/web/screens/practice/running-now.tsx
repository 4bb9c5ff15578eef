import { Link } from 'react-router'
import type { SittingsAnswer } from '#contract/api/practice'
import { paths } from '#contract/api/paths'
import { useAnswer } from '../../sync/use-answer'
import { usePerson } from '../../sync/session-store'

/** How often it is asked whether a run was begun: a candidate stands by. */
const everyMs = 3_000

/** Runs that are going on: their own tablet for a candidate, a second tablet for an examiner. */
export function RunningNow() {
  const { id } = usePerson()
  const { answer } = useAnswer<SittingsAnswer>(paths.practiceSittings, everyMs)
  const running = (answer?.sittings ?? []).filter((sitting) => sitting.result === null && sitting.way !== 'alone')
  if (running.length === 0) return null
  return (
    <ul aria-label="Going on now" className="grid gap-2">
      {running.map((one) => (
        <li key={one.id}>
          <Link
            to={`/practice/run/${one.id}`}
            className="flex min-h-14 flex-wrap items-center gap-x-3 rounded-2xl border-2 border-ink bg-sheet px-4 py-2"
          >
            <strong>{one.candidates.some((candidate) => candidate.id === id) ? 'You are examined now' : 'Going on now'}</strong>
            <span>
              {one.stationName}: {one.candidates.map((candidate) => candidate.name).join(', ')}
            </span>
            <span className="text-soft">by {one.examiners.map((examiner) => examiner.name).join(', ') || 'nobody yet'}</span>
          </Link>
        </li>
      ))}
    </ul>
  )
}
