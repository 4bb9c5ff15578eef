import { create } from 'zustand'

/** `wipe` only keeps touches away while the glass is cleaned; `locked` wants the password, and so does `ended`, a session that is over. */
export type LockMode = 'open' | 'wipe' | 'locked' | 'ended'

/** Whether the screen is locked. */
export const useLock = create<{ readonly mode: LockMode }>(() => ({ mode: 'open' }))

/** Locks or opens the screen. */
export function setLock(mode: LockMode): void {
  useLock.setState({ mode })
}
