import { useEffect, useRef } from 'react'
import { useReadAloud } from './use-read-aloud'
import type { ShownTimer } from './timer-store'

const lastMinuteMs = 60_000

/** What is said of a timer at a moment; null while there is nothing to say. */
export function timerWords({ timer, endsAt }: Pick<ShownTimer, 'timer' | 'endsAt'>, nowMs: number): string | null {
  const leftMs = endsAt - nowMs
  if (leftMs <= 0) return `${timer.label}: over.`
  return leftMs <= lastMinuteMs ? `${timer.label}: one minute left.` : null
}

/** Says the last minute and the end of each timer of the case in hand, once each, after what is being read. */
export function useSpokenTimers(shown: readonly ShownTimer[], heldCase: string | null, nowMs: number): void {
  const { isOn, hasVoice, sayNext } = useReadAloud()
  const said = useRef(new Set<string>())
  const isSpeaking = isOn && hasVoice === true
  useEffect(() => {
    for (const one of shown.filter(({ caseId }) => caseId === heldCase)) {
      const words = timerWords(one, nowMs)
      const key = `${one.timer.id} ${one.timer.startedAt} ${words ?? ''}`
      if (words === null || said.current.has(key)) continue
      said.current.add(key)
      // What ended before anybody listened is no news.
      if (isSpeaking && nowMs - one.endsAt < lastMinuteMs) sayNext([words])
    }
  })
}
