import { create } from 'zustand'
import { useSession } from './session-store'

/** `wipe` only keeps touches away while the glass is cleaned; `locked` wants PIN or password, and so does `ended`, a session that is over. */
export type LockMode = 'open' | 'wipe' | 'locked' | 'ended'

/** Whether the screen is locked. */
export const useLock = create<{ readonly mode: LockMode }>(() => ({ mode: 'open' }))

/** What the tabs of this browser tell each other. */
type Word = 'locked' | 'opened' | 'touched'
const channel = new BroadcastChannel('zesty-wren-lock')
const touched = new Set<() => void>()

channel.onmessage = ({ data }: MessageEvent<Word>) => {
  if (data === 'locked') useLock.setState({ mode: 'locked' })
  // Another tab was opened: this one asks the server whether it is, and as whom.
  if (data === 'opened' && useLock.getState().mode !== 'open') {
    void useSession
      .getState()
      .load()
      .then(() => useLock.setState({ mode: 'open' }))
  }
  if (data === 'touched') for (const listener of touched) listener()
}

/** Locks or opens the screen, in every tab of this browser; a lock is the server's too. */
export function setLock(mode: LockMode): void {
  const before = useLock.getState().mode
  useLock.setState({ mode })
  if (mode === 'locked' && before !== 'locked') {
    void useSession.getState().lock()
    say('locked')
  }
  if (mode === 'open' && (before === 'locked' || before === 'ended')) say('opened')
}

/** Tells the other tabs that somebody works here. */
export function sayTouched(): void {
  say('touched')
}

/** Calls back when somebody works in another tab; returns how to stop. */
export function onTouchedElsewhere(listener: () => void): () => void {
  touched.add(listener)
  return () => touched.delete(listener)
}

function say(word: Word): void {
  channel.postMessage(word)
}
