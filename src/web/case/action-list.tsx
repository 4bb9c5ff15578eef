import { useState } from 'react'
import type { StandingAction } from '#core/model/standing'
import { Button } from '../parts/button'
import { formatClock } from '../parts/format-time'
import { writeEvent } from '../sync/case-store'
import { ReasonSheet } from './reason-sheet'
import { openingIn, type OpenNow } from './use-open-now'

/** What to do, in the order that saves: each ticked as done or not done, with its time and who. */
export function ActionList({ actions, opening }: { actions: readonly StandingAction[]; opening: OpenNow | null }) {
  const [undone, setUndone] = useState<StandingAction | null>(null)
  const next = actions.find((action) => action.response === null)
  const opens = opening ? openingIn(actions) : null
  return (
    <>
      <ol className="grid gap-2.5" aria-label="What to do, in this order">
        {actions.map((action, index) => (
          <li key={action.id} className="grid grid-cols-[2rem_1fr] gap-x-2 gap-y-1.5 sm:grid-cols-[2rem_1fr_auto]">
            <span className="numeral pt-0.5 text-lg sm:text-right">{index + 1}</span>
            <div className="min-w-0">
              <p className={`text-[1.05rem] leading-snug font-semibold ${action.response ? 'text-soft' : ''}`}>{action.text}</p>
              {action.ownWay.length > 0 ? (
                <ul className="list-disc pl-5 text-[1.02rem]">
                  {action.ownWay.map((line) => (
                    <li key={line}>{line}</li>
                  ))}
                </ul>
              ) : null}
              {opening && action.id === opens ? (
                <Button look={action === next ? 'next' : 'plain'} className="mt-2 min-h-14 text-lg" onClick={opening.begin}>
                  {opening.isBegun
                    ? 'Go on, step by step'
                    : action.id === 'ease-pull'
                      ? 'Ease it now, step by step'
                      : 'Open it now, step by step'}
                </Button>
              ) : null}
            </div>
            {action.response ? (
              <p className="col-start-2 font-semibold sm:col-start-3 sm:text-right">
                {action.response.outcome === 'done' ? '✓ Done' : 'Not done'} {formatClock(action.response.atMs)}
                <span className="block text-sm font-normal text-soft">
                  {[action.response.by, action.response.why].filter(Boolean).join(': ')}
                </span>
              </p>
            ) : (
              <div className="col-start-2 flex items-start gap-2 sm:col-start-3">
                <Button
                  look={action === next && action.id !== opens ? 'next' : 'plain'}
                  aria-label={`Done: ${action.text}`}
                  onClick={() => void writeEvent('response', { action: action.id, outcome: 'done', why: '' })}
                >
                  Done
                </Button>
                <Button look="quiet" aria-label={`Not done: ${action.text}`} onClick={() => setUndone(action)}>
                  Not done
                </Button>
              </div>
            )}
          </li>
        ))}
      </ol>
      {undone ? (
        <ReasonSheet
          title={`Not done: ${undone.text}`}
          draftKey={`response/${undone.id}`}
          submitLabel="Record it"
          backLabel="Back"
          onClose={() => setUndone(null)}
          onReason={(why) => {
            setUndone(null)
            void writeEvent('response', { action: undone.id, outcome: 'not-done', why })
          }}
        />
      ) : null}
    </>
  )
}
