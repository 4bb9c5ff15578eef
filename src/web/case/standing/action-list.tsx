import { useState } from 'react'
import { firstAction, type Standing, type StandingAction } from '#core/model/standing'
import type { ActionId } from '#core/model/action'
import { Button } from '../../parts/button'
import { formatClock } from '../../parts/format-time'
import { writeEvent, type OpenCase } from '../../sync/case-store'
import { CallAct } from './call-act'
import { ReasonSheet } from '../run/reason-sheet'
import { useCalling, type Calling } from './use-calling'
import { openingIn, type OpenNow } from './use-open-now'

/** So many lines stand below the first one; the rest is folded away. */
const mostBelow = 4
const calls: readonly ActionId[] = ['call-senior', 'call-and-open']

/** What to do, in the order that saves: the first line in large, four more, the rest folded; each ticked with its time and who. */
export function ActionList({
  open,
  standing,
  opening,
}: {
  open: OpenCase
  standing: Pick<Standing, 'actions' | 'call'>
  opening: OpenNow | null
}) {
  const [undone, setUndone] = useState<StandingAction | null>(null)
  const calling = useCalling(open, standing)
  const { actions } = standing
  const first = firstAction(standing)
  const opens = opening ? openingIn(actions) : null
  const line = (action: StandingAction, index: number) => (
    <ActionLine
      key={action.id}
      action={action}
      number={index + 1}
      isFirst={action === first}
      opening={action.id === opens ? opening : null}
      calling={calls.includes(action.id) ? calling : null}
      onNotDone={() => setUndone(action)}
    />
  )
  // What is next is always in sight, also where it is far down.
  const shown = Math.max(mostBelow + 1, first ? actions.indexOf(first) + 1 : 0)
  const rest = actions.slice(shown)
  return (
    <>
      <ol className="grid gap-2.5" aria-label="What to do, in this order">
        {actions.slice(0, shown).map(line)}
      </ol>
      {rest.length > 0 ? (
        <details>
          <summary className="min-h-12 cursor-pointer content-center font-semibold">{rest.length} more</summary>
          <ol className="grid gap-2.5" start={shown + 1} aria-label="What comes after">
            {rest.map((action, index) => line(action, shown + index))}
          </ol>
        </details>
      ) : null}
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

function ActionLine({
  action,
  number,
  isFirst,
  opening,
  calling,
  onNotDone,
}: {
  action: StandingAction
  number: number
  /** It is what is done now. */
  isFirst: boolean
  opening: OpenNow | null
  calling: Calling | null
  onNotDone: () => void
}) {
  const { response } = action
  // A call is done by who answered: a tick alone says nothing.
  const isTicked = calling === null || action.id === 'call-and-open'
  return (
    <li className="grid grid-cols-[2rem_1fr] gap-x-2 gap-y-1.5 sm:grid-cols-[2rem_1fr_auto]">
      <span className="numeral pt-0.5 text-lg sm:text-right">{number}</span>
      <div className="min-w-0">
        <p
          className={`font-semibold ${isFirst ? 'text-[1.45rem] leading-tight' : 'text-[1.05rem] leading-snug'} ${response ? 'text-soft' : ''}`}
        >
          {action.text}
        </p>
        {action.ownWay.length > 0 ? (
          <ul className="list-disc pl-5 text-[1.02rem]">
            {action.ownWay.map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
        ) : null}
        {opening ? (
          <Button look={isFirst ? 'next' : 'plain'} className="mt-2 min-h-14 text-lg" onClick={opening.begin}>
            {opening.isBegun
              ? 'Go on, step by step'
              : action.id === 'ease-pull'
                ? 'Ease it now, step by step'
                : 'Open it now, step by step'}
          </Button>
        ) : null}
        {calling ? <CallAct calling={calling} isNext={isFirst && opening === null} /> : null}
      </div>
      {response ? (
        <p className="col-start-2 font-semibold sm:col-start-3 sm:text-right">
          {response.outcome === 'done' ? '✓ Done' : 'Not done'} {formatClock(response.atMs)}
          <span className="block text-sm font-normal text-soft">{[response.by, response.why].filter(Boolean).join(': ')}</span>
        </p>
      ) : isTicked ? (
        <div className="col-start-2 flex items-start gap-2 sm:col-start-3">
          <Button
            look={isFirst && opening === null && calling === null ? 'next' : 'plain'}
            aria-label={`Done: ${action.text}`}
            onClick={() => void writeEvent('response', { action: action.id, outcome: 'done', why: '' })}
          >
            Done
          </Button>
          <Button look="quiet" aria-label={`Not done: ${action.text}`} onClick={onNotDone}>
            Not done
          </Button>
        </div>
      ) : null}
    </li>
  )
}
