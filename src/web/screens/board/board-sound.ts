import { useEffect, useRef } from 'react'
import type { PersonSettings } from '#contract/records/person'
import type { BoardRow, UrgentAnswer } from '#contract/api/board'
import { play, type Tune } from '../../parts/sound'
import { urgencyOf } from './board-order'

type BoardCall = 'urgent' | 'pressing'

interface CallOnBoard {
  readonly key: string
  readonly call: BoardCall
}

const tunes: Readonly<Record<BoardCall, Tune>> = {
  urgent: [
    [988, 0.25],
    [740, 0.25],
    [988, 0.25],
    [740, 0.4],
  ],
  pressing: [[587, 0.2]],
}

/** What of the Board calls for somebody: each thing with a key that is another one when it is raised anew. */
export function callsOnBoard(rows: readonly BoardRow[], nowMs: number): readonly CallOnBoard[] {
  return rows.flatMap((row): CallOnBoard[] => {
    const urgency = urgencyOf(row, nowMs)
    if (urgency === 0) return row.answer?.at ? [] : [{ key: `${row.caseId} urgent ${row.sinceAt}`, call: 'urgent' }]
    if (urgency > 2) return []
    const what = urgency === 1 ? `stands ${row.sinceAt}` : `late ${row.nextDueAt}`
    return [{ key: `${row.caseId} ${what}`, call: 'pressing' }]
  })
}

/**
 * Whether a call is heard: urgent always, whatever the hour; what else presses only where sound is on, outside of the quiet hours.
 * @param clock the local time of day, `HH:MM`
 */
export function isHeard(call: BoardCall, sound: PersonSettings['sound'], clock: string): boolean {
  if (call === 'urgent') return true
  if (!sound?.isOn) return false
  const { quietFrom, quietUntil } = sound
  if (quietFrom === '' || quietUntil === '' || quietFrom === quietUntil) return true
  const isQuiet =
    minuteOf(quietFrom) < minuteOf(quietUntil) ? isBetween(clock, quietFrom, quietUntil) : !isBetween(clock, quietUntil, quietFrom)
  return !isQuiet
}

function minuteOf(clock: string): number {
  return Number(clock.slice(0, 2)) * 60 + Number(clock.slice(3))
}

function isBetween(clock: string, from: string, until: string): boolean {
  return minuteOf(clock) >= minuteOf(from) && minuteOf(clock) < minuteOf(until)
}

/** The same of what goes on behind a lock. */
export function callsThroughLock({ urgent }: Pick<UrgentAnswer, 'urgent'>): readonly CallOnBoard[] {
  return urgent.map(({ caseId, sinceAt }) => ({ key: `${caseId} urgent ${sinceAt}`, call: 'urgent' }))
}

/**
 * Sounds once for each thing that comes to press while the Board is open; what stood before it was opened is in sight.
 * @param calls null while they are not known
 */
export function useBoardSound(calls: readonly CallOnBoard[] | null, nowMs: number, sound: PersonSettings['sound']): void {
  const known = useRef<Set<string> | null>(null)
  useEffect(() => {
    if (calls === null) return
    const before = known.current
    // What sounded once is known, also where a lock hid it meanwhile.
    known.current = new Set([...(before ?? []), ...calls.map((call) => call.key)])
    if (before === null) return
    const date = new Date(nowMs)
    const clock = `${String(date.getHours()).padStart(2, '0')}:${String(date.getMinutes()).padStart(2, '0')}`
    const fresh = calls.filter((call) => !before.has(call.key) && isHeard(call.call, sound, clock))
    const worst = fresh.find((one) => one.call === 'urgent') ?? fresh[0]
    if (worst) play(tunes[worst.call])
  }, [calls, nowMs, sound])
}
