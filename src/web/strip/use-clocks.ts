import { useMemo } from 'react'
import type { TimerKind } from '#contract/records/run'
import { listTimers, useTimers, type ShownTimer } from './timer-store'
import { useWakeLock } from '../parts/use-wake-lock'
import { useCaseStore } from '../sync/case-store'
import { useNow } from '../sync/use-now'
import { useAlarm } from './use-alarm'
import { useSpokenTimers } from './use-spoken-timers'

const noTimers: readonly ShownTimer[] = []
/** Minutes of work keep the screen awake, a day of curing does not. */
const awakeMs = 30 * 60_000

/** Every running timer of every case on this device, and the time; it rings, is said and keeps the screen awake wherever it is shown. */
export function useClocks(): { readonly shown: readonly ShownTimer[]; readonly now: number } {
  const now = useNow(500)
  const byCase = useTimers((store) => store.byCase)
  const isMuted = useTimers((store) => store.isMuted)
  const heldCase = useCaseStore((store) => store.caseId)
  const shown = listTimers(byCase, now, heldCase)
  const endedKeys = shown
    .filter((timer) => timer.endsAt <= now)
    .map((timer) => `${timer.caseId} ${timer.timer.id} ${timer.timer.startedAt} ${timer.timer.kind ?? 'set'}`)
    .join('|')
  const ended = useMemo(
    () =>
      endedKeys
        .split('|')
        .filter(Boolean)
        .map((key) => ({ key, kind: key.slice(key.lastIndexOf(' ') + 1) as TimerKind })),
    [endedKeys],
  )
  useAlarm(ended, isMuted)
  useSpokenTimers(isMuted ? noTimers : shown, heldCase, now)
  useWakeLock(shown.some((timer) => timer.endsAt > now && timer.endsAt - now < awakeMs))
  return { shown, now }
}
