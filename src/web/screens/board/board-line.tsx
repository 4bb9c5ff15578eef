import { useMoment } from '../../sync/use-moment'
import { Link } from 'react-router'
import { spoken } from '#core/model/vocabulary'
import { isPlaced } from '#ward/case/is-placed'
import type { BoardRow, Stage } from '#contract/api/board'
import { formatClock, formatDue, formatSpan } from '../../parts/format-time'
import { LevelMark } from '../../parts/level-mark'
import { ToneShape, type Tone } from '../../parts/tone-shape'
import { latenessMin, toneOfRow } from './board-order'
import { hasRight } from '#contract/rights'
import { ButtonLink } from '../../parts/button'
import { lateWork, workDoor, workVerb } from '../../case/frame/work-door'
import { usePerson } from '../../sync/session-store'
import { runWords, timerWords } from './device-state'

const nextWords: Record<Stage, string> = {
  'size-up': 'Size up',
  measure: 'Measure',
  choose: 'Choose',
  'make-ready': 'Make ready',
  apply: 'Applying',
  check: 'Check the fit',
  watch: 'Watch',
}

const edges: Readonly<Record<Tone, string>> = {
  stop: 'border-l-stop',
  caution: 'border-l-caution',
  blank: 'border-l-soft',
  known: 'border-l-known',
  note: 'border-l-line',
  calm: 'border-l-line',
}

/** One case on the Board: who and where, what was found, what is due. */
export function BoardLine({ row, now }: { row: BoardRow; now: number }) {
  const moment = useMoment()
  const edge = edges[toneOfRow(row, now)]
  const late = lateWork(row, now)
  const mayAnswer = hasRight(usePerson().roles, 'decide') && row.answer?.at === null
  const hasPress = mayAnswer || late.length > 0
  return (
    <li className={`grid items-center rounded-2xl border border-l-[10px] border-line bg-sheet lg:grid-cols-[minmax(0,1fr)_13rem] ${edge}`}>
      <Link
        to={`/case/${row.caseId}/${row.stage}`}
        className={`grid min-h-20 items-center gap-x-5 gap-y-1 rounded-2xl px-4 py-3 sm:grid-cols-[1fr_auto] lg:grid-cols-[1.2fr_1fr_14rem] ${hasPress ? '' : 'lg:col-span-2'}`}
      >
        <span className="min-w-0">
          <span className="block text-[1.12rem] leading-snug wrap-anywhere font-bold">
            {row.patient}
            {row.isTemporaryName ? (
              <span className="ml-2 rounded-md bg-well px-1.5 py-0.5 text-sm font-semibold text-soft">temporary name</span>
            ) : null}
            {row.unattributed && !row.unattributed.claimed ? (
              <span className="ml-2 rounded-md bg-caution-wash px-1.5 py-0.5 text-sm font-semibold text-caution">not claimed</span>
            ) : null}
          </span>
          <span className="block text-soft">
            {row.place} ·{' '}
            {row.region && isPlaced(row) ? (
              <strong className="text-ink">{[row.side?.toUpperCase(), spoken(row.region)].filter(Boolean).join(' ')}</strong>
            ) : (
              'side not set'
            )}{' '}
            · {row.techniqueName}
            {row.castOpenedAt ? `, opened ${moment(Date.parse(row.castOpenedAt))}` : ''}
            {row.ended ? ', at home with it' : row.isOff ? ', off' : ''}
          </span>
          <InHand row={row} now={now} />
        </span>
        {/* On a tablet what was found has a row of its own: in a third of the width the action would be cut. */}
        <span className="min-w-0 sm:max-lg:order-last sm:max-lg:col-span-2">
          <LevelMark level={row.level} word={levelWord(row, now)} />
          {row.finding ? <span className="block text-soft">{row.finding}</span> : null}
          {row.first ? <span className="block font-bold text-stop">First: {row.first}</span> : null}
          <Said row={row} />
          <Answered row={row} now={now} />
        </span>
        <span className="sm:text-right">
          <Due row={row} now={now} />
        </span>
      </Link>
      {hasPress ? (
        <div className="flex flex-wrap gap-2 px-4 pb-3 lg:py-2 lg:pr-3 lg:pl-0 lg:flex-col lg:flex-nowrap">
          {late.map((work) => (
            <ButtonLink key={work.id} to={workDoor(row.caseId, work.id)} label={`${workVerb(work)}: ${row.patient}`}>
              {workVerb(work)}
            </ButtonLink>
          ))}
          {mayAnswer ? (
            <ButtonLink to={`/case/${row.caseId}/watch?answer`} label={`Answer as a senior: ${row.patient}`}>
              Answer as a senior
            </ButtonLink>
          ) : null}
        </div>
      ) : null}
    </li>
  )
}

/** How many things stand, and that a senior has settled the worst for now; undefined for the level's own word. */
export function levelWord(row: BoardRow, now: number): string | undefined {
  if (row.level === 'unknown' && row.finding === null) return 'Not all looked at'
  const isSettled = row.settledUntilAt !== null && Date.parse(row.settledUntilAt) > now
  if (row.level === 'urgent' && isSettled) return `Urgent, settled until ${formatClock(row.settledUntilAt ?? '')}`
  const word =
    row.level === null ? undefined : { urgent: 'Urgent', stop: 'Stop', review: 'Review now', warn: 'Warning' }[row.level as string]
  return word && row.standingCount > 1 ? `${word}, ${row.standingCount} findings` : word
}

/** What somebody is in the middle of there, and the timers that run: whoever passes sees them too. */
function InHand({ row, now }: { row: BoardRow; now: number }) {
  const timers = timerWords(row.timers ?? [], now)
  if (!row.running && timers.length === 0) return null
  return (
    <span className="flex flex-wrap gap-x-3 text-sm font-semibold">
      {row.running ? <span>{runWords(row.running)}</span> : null}
      {timers.map(({ text, isOver }) => (
        <span key={text} className={isOver ? 'text-stop' : 'text-caution'}>
          {text}
        </span>
      ))}
    </span>
  )
}

/** What a senior said last about the alarm. */
function Said({ row: { said } }: { row: BoardRow }) {
  if (!said) return null
  return (
    <span className="block font-bold">
      {said.by}, {formatClock(said.at)}: {said.text}
      {said.comesAt ? `, there ${formatClock(said.comesAt)}` : ''}
    </span>
  )
}

/** Whether an alarm was answered, and by whom. */
function Answered({ row, now }: { row: BoardRow; now: number }) {
  if (!row.answer) return null
  if (row.answer.at !== null)
    return (
      <span className="block text-sm font-semibold">
        answered {formatClock(row.answer.at)}, {row.answer.by}
      </span>
    )
  const waited = formatSpan(Math.max(0, Math.floor((now - Date.parse(row.answer.sinceAt)) / 60_000)))
  return <span className="block text-sm font-bold text-stop">not answered, {waited}</span>
}

function Due({ row, now }: { row: BoardRow; now: number }) {
  const late = latenessMin(row, now)
  if (late === null)
    return <span className="inline-flex min-h-9 items-center rounded-xl bg-well px-3 font-semibold">{nextWords[row.stage]}</span>
  const named = row.nextWhat ?? 'Round'
  if (late > 0) {
    const isOver = late > row.graceMin
    return (
      <span className={`inline-flex items-center gap-2 font-bold ${isOver ? 'text-lg text-stop' : 'text-caution'}`}>
        <ToneShape tone={isOver ? 'stop' : 'caution'} />
        <span>
          {named}, <span className="whitespace-nowrap">{formatDue(late)}</span>
        </span>
      </span>
    )
  }
  return (
    <span className="font-semibold">
      {named} <span className="whitespace-nowrap">{formatDue(late)}</span>
    </span>
  )
}
