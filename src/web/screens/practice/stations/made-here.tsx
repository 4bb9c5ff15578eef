import { useState } from 'react'
import { Link } from 'react-router'
import type { OwnStationsAnswer } from '#contract/api/practice'
import { paths } from '#contract/api/paths'
import { hasRight } from '#contract/rights'
import { Button, ButtonLink } from '../../../parts/button'
import { Notice } from '../../../parts/notice'
import { callApi, describeNoAnswer } from '../../../sync/api'
import { usePerson } from '../../../sync/session-store'
import { useAnswer } from '../../../sync/use-answer'

/** Stations that were made here; who may examine may change them and take them out. */
export function MadeHere() {
  const { roles } = usePerson()
  const { answer, reload } = useAnswer<OwnStationsAnswer>(paths.practiceStations)
  const [error, setError] = useState<string | null>(null)
  const takeOut = async (id: string): Promise<void> => {
    const result = await callApi('POST', paths.practiceStationDrop(id), {})
    setError(
      result.kind === 'ok' ? null : result.kind === 'refused' ? result.problem.detail : `${describeNoAnswer(result)}: take it out later.`,
    )
    await reload()
  }
  if (!answer || answer.stations.length === 0) return null
  return (
    <div className="grid gap-2">
      <h3 className="font-bold">Made here</h3>
      {error ? <Notice tone="caution" lead={error} role="alert" /> : null}
      <ul className="grid gap-2">
        {answer.stations.map(({ station, by }) => (
          <li key={station.id} className="flex flex-wrap items-center gap-x-3 gap-y-1 rounded-2xl border border-line bg-sheet px-4 py-2">
            <Link
              to={`/practice/station/${station.id}`}
              className="min-w-0 flex-1 py-2 font-semibold underline decoration-soft underline-offset-4"
            >
              {station.name}
            </Link>
            <span className="text-soft">by {by.name}</span>
            {hasRight(roles, 'decide') ? (
              <>
                <ButtonLink to={`/practice/make/${station.id}`}>Change</ButtonLink>
                <Button look="quiet" aria-label={`Take out ${station.name}`} onClick={() => void takeOut(station.id)}>
                  Take out
                </Button>
              </>
            ) : null}
          </li>
        ))}
      </ul>
    </div>
  )
}
