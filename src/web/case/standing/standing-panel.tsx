import { useMoment } from '../../sync/use-moment'
import { useEffect, useRef } from 'react'
import { isBedside, isPressing, type Standing, type StandingItem } from '#core/model/standing'
import { listOfNames } from '#core/standing/item-names'
import { unconfirmedBehind } from '#ward/rounds/unconfirmed'
import { LevelMark, toneOf } from '../../parts/level-mark'
import { toneWash } from '../../parts/tone-shape'
import { Wren } from '../../parts/wren'
import type { OpenCase } from '../../sync/case-store'
import { serverNow } from '../../sync/server-clock'
import { ChoiceRow } from '../../parts/choice-row'
import { ActionList } from './action-list'
import { setPeopleHere, usePeopleHere } from '../run/people-here'
import { SeniorAnswer } from './senior-answer'
import { SeniorWords } from './senior-words'
import { useOpenNow } from './use-open-now'
import { ItemEnding } from './item-ending'

/**
 * What stands about the case, worst first, with what to do about it and who was called.
 * @param isBedsideOnly what was seen at the bedside alone, where a step or a check asks for no more
 */
export function StandingPanel({ open, standing, isBedsideOnly = false }: { open: OpenCase; standing: Standing; isBedsideOnly?: boolean }) {
  const moment = useMoment()
  const { level, headline } = isBedsideOnly ? standing.bedside : standing
  const items = isBedsideOnly ? standing.items.filter(isBedside) : standing.items
  const pressing = items.filter(isPressing)
  const quiet = items.filter((item) => !isPressing(item))
  const isUrgent = level === 'urgent'
  const isQuiet = level === 'none' && standing.notLookedAt.length === 0
  const opening = useOpenNow(open)
  const unconfirmed = unconfirmedBehind(pressing, open.record, open.episode)
  const panel = useRef<HTMLElement>(null)
  const lastRound = open.episode.rounds.at(-1)
  useEffect(() => {
    // On a phone what was just judged comes to the top of the screen; an older verdict stays where it is.
    const isNew = lastRound !== undefined && serverNow() - Date.parse(lastRound.at) < 15_000
    if (isNew && window.innerWidth < 640) panel.current?.scrollIntoView({ block: 'start' })
  }, [lastRound])
  return (
    <section
      ref={panel}
      aria-label="What stands"
      role={isUrgent ? 'alert' : undefined}
      aria-live={isUrgent ? undefined : 'polite'}
      className={`grid min-w-0 gap-4 rounded-3xl border-2 p-4 sm:p-5 ${toneWash[level === 'none' && !isQuiet ? 'blank' : toneOf(level)]}`}
    >
      <div>
        <div className="flex items-start gap-3">
          {isUrgent || isQuiet ? <Wren size={34} pose={isUrgent ? 'alert' : 'listening'} /> : null}
          <h2 className="min-w-0 text-xl font-bold">
            {headline}
            {isUrgent && standing.headlineMs !== null ? (
              <span className="font-normal text-soft">, {moment(standing.headlineMs)}</span>
            ) : null}
          </h2>
        </div>
        {unconfirmed.length > 0 ? (
          <p className="mt-1 font-semibold">A device sent this for {unconfirmed.join(', ')}. Look at once, and act on what you see.</p>
        ) : null}
      </div>
      {isUrgent && standing.actions.length > 0 ? <WhoIsHere caseId={open.record.id} /> : null}
      <SeniorWords words={standing.words} />
      {standing.actions.length > 0 ? <ActionList open={open} standing={standing} opening={opening} /> : null}
      <SeniorAnswer open={open} standing={standing} />
      {pressing.length > 0 ? (
        <ul className="grid gap-3" aria-label="Findings, worst first">
          {pressing.map((item) => (
            <ItemLine key={item.id} open={open} item={item} isSaid={isIn(headline, item.text)} />
          ))}
        </ul>
      ) : null}
      <NotLookedAt standing={standing} />
      {quiet.length > 0 ? (
        <details>
          <summary className="min-h-11 cursor-pointer py-2 font-semibold">Was there before, {quiet.length}</summary>
          <ul className="grid gap-2">
            {quiet.map((item) => (
              <ItemLine key={item.id} open={open} item={item} />
            ))}
          </ul>
        </details>
      ) : null}
    </section>
  )
}

/** One alone opens an airway before the call, two share the work: the order below follows. */
function WhoIsHere({ caseId }: { caseId: string }) {
  const people = usePeopleHere((state) => state[caseId])
  return (
    <ChoiceRow
      label="Here now"
      value={people === undefined ? null : people > 1 ? 'two' : 'one'}
      choices={[
        { value: 'one', label: 'I am alone' },
        { value: 'two', label: 'Two or more' },
      ]}
      onChange={(value) => setPeopleHere(caseId, value === 'one' ? 1 : 2)}
    />
  )
}

/** Whether a headline says a finding word for word. */
function isIn(headline: string, text: string): boolean {
  return headline.toLowerCase().includes(text.replace(/\.$/, '').toLowerCase())
}

/** @param isSaid the headline says it already: only since when, and what ends it */
function ItemLine({ open, item, isSaid = false }: { open: OpenCase; item: StandingItem; isSaid?: boolean }) {
  const moment = useMoment()
  const times = [
    `since ${moment(item.sinceMs)}`,
    item.lookedAtMs !== null && item.lookedAtMs !== item.sinceMs ? `looked at ${moment(item.lookedAtMs)}` : '',
  ]
  return (
    <li className="grid gap-x-4 gap-y-1 sm:grid-cols-[8.5rem_1fr]">
      <LevelMark level={item.level} word={wordOf(item)} />
      <div className="min-w-0">
        {isSaid ? null : <p className="font-semibold">{item.text}</p>}
        {item.typed ? <p className="font-semibold break-words">“{item.typed}”</p> : null}
        <p className="text-sm text-soft">
          {times.filter(Boolean).join(', ')}
          {item.settled ? `. Settled by ${item.settled.by} until ${moment(item.settled.untilMs)}` : ''}. Ends with: {item.ends}
        </p>
        <ItemEnding open={open} item={item} />
      </div>
    </li>
  )
}

function wordOf(item: StandingItem): string | undefined {
  if (item.state === 'settled') return 'Urgent, settled'
  if (item.state === 'cannot-be-asked') return 'Cannot be asked'
  if (item.state === 'unknown' && item.from === 'round') return 'Not assessed'
  return undefined
}

/** What the last round left out, and since when nobody looked. */
function NotLookedAt({ standing }: { standing: Standing }) {
  const moment = useMoment()
  const { notLookedAt } = standing
  if (notLookedAt.length === 0) return null
  const looked = notLookedAt.flatMap((one) => one.lastMs ?? [])
  return (
    <p className="font-semibold">
      The last round was not complete, so it stays due. Not looked at: {listOfNames(notLookedAt.map((one) => one.id))}
      {looked.length > 0 ? `; last at ${moment(Math.min(...looked))}` : ''}.
    </p>
  )
}
