import { useEffect } from 'react'

/** Beeps one after the other, as [pitch Hz, seconds]. */
export type Tune = readonly (readonly [number, number])[]

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

/** Sounds a tune, and shakes the device where it can. */
export function play(tune: Tune): void {
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
