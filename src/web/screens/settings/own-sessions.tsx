import { useMoment } from '../../sync/use-moment'
import { useState } from 'react'
import { paths } from '#contract/api/paths'
import type { OwnSession, OwnSessionsAnswer } from '#contract/api/people'
import { Button } from '../../parts/button'
import { Notice } from '../../parts/notice'
import { callApi, describeNoAnswer } from '../../sync/api'
import { useAnswer } from '../../sync/use-answer'

/** Where one is signed in, and the way to end it there: a tablet that was left in a bay. */
export function OwnSessions() {
  const moment = useMoment()
  const { answer, reload } = useAnswer<OwnSessionsAnswer>(paths.ownSessions)
  const [wrong, setWrong] = useState<string | null>(null)
  const others = (answer?.sessions ?? []).filter((session) => !session.isThis)
  const end = async ({ id }: OwnSession): Promise<void> => {
    const result = await callApi('POST', paths.endOwnSession, { session: id })
    setWrong(result.kind === 'ok' ? null : result.kind === 'refused' ? result.problem.detail : `${describeNoAnswer(result)}: try again.`)
    await reload()
  }
  return (
    <section aria-labelledby="own-sessions" className="grid gap-2">
      <h2 id="own-sessions" className="font-bold">
        Where you are signed in
      </h2>
      {wrong ? <Notice tone="caution" lead={wrong} role="alert" /> : null}
      <p className="text-soft">
        {answer === null
          ? 'Only the server knows, and it has not answered.'
          : others.length === 0
            ? 'Here, and nowhere else.'
            : 'Here, and in other browsers. End what you left: nothing entered there is lost.'}
      </p>
      <ul className="grid gap-2">
        {others.map((session) => (
          <li key={session.id} className="flex flex-wrap items-center gap-3 rounded-2xl border border-line bg-sheet px-4 py-2">
            <span className="min-w-0 flex-1">
              since {moment(Date.parse(session.since))}, last used {moment(Date.parse(session.lastSeenAt))}
              {session.isLocked ? ', locked' : ''}
            </span>
            <Button look="danger" aria-label={`End the one since ${moment(Date.parse(session.since))}`} onClick={() => void end(session)}>
              End it
            </Button>
          </li>
        ))}
      </ul>
    </section>
  )
}
