import { useEffect, useRef } from 'react'
import type { TimerKind } from '#contract/records/run'

/** Beeps by what has ended, as [pitch Hz, seconds]: limits and the setting clock are the most urgent. */
const tunes: Readonly<Record<TimerKind, readonly (readonly [number, number])[]>> = {
  wetting: [[660, 0.12]],
  hold: [[520, 0.2]],
  cooling: [[520, 0.2]],
  cure: [[440, 0.3]],
  wait: [[440, 0.3]],
  set: [
    [880, 0.18],
    [660, 0.18],
    [880, 0.18],
  ],
  limit: [
    [988, 0.2],
    [988, 0.2],
    [988, 0.2],
  ],
}

let audio: AudioContext | null = null

/** Browsers let a page sound only after somebody touched it: the first touch opens the way. */
export function useSoundUnlock(): void {
  useEffect(() => {
    const unlock = (): void => {
      if (typeof AudioContext === 'undefined') return
      audio ??= new AudioContext()
      void audio.resume()
    }
    window.addEventListener('pointerdown', unlock)
    window.addEventListener('keydown', unlock)
    return () => {
      window.removeEventListener('pointerdown', unlock)
      window.removeEventListener('keydown', unlock)
    }
  }, [])
}

function ring(kind: TimerKind): void {
  const tune = tunes[kind]
  if ('vibrate' in navigator) navigator.vibrate(tune.flatMap(([, seconds]) => [seconds * 1000, 90]))
  if (!audio || audio.state !== 'running') return
  let at = audio.currentTime
  for (const [pitch, seconds] of tune) {
    const tone = audio.createOscillator()
    const loudness = audio.createGain()
    tone.frequency.value = pitch
    loudness.gain.setValueAtTime(0.25, at)
    loudness.gain.exponentialRampToValueAtTime(0.001, at + seconds)
    tone.connect(loudness).connect(audio.destination)
    tone.start(at)
    tone.stop(at + seconds)
    at += seconds + 0.09
  }
}

/**
 * Rings once for each timer that has come to its end while the page was open.
 * @param ended what has ended so far: a key that tells one start of a timer from the next, and its kind
 */
export function useAlarm(ended: readonly { readonly key: string; readonly kind: TimerKind }[], isMuted: boolean): void {
  const rung = useRef<Set<string> | null>(null)
  useEffect(() => {
    if (rung.current === null) {
      // What had ended before this page was opened stands on the screen; it does not ring again.
      rung.current = new Set(ended.map((one) => one.key))
      return
    }
    for (const { key, kind } of ended) {
      if (rung.current.has(key)) continue
      rung.current.add(key)
      if (!isMuted) ring(kind)
    }
  }, [ended, isMuted])
}
