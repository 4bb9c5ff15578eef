import { useEffect, useRef } from 'react'

/** Whether a key press is meant for the control that has the focus, so that shortcuts must leave it alone. */
export function isTypingTarget(target: EventTarget | null): boolean {
  return target instanceof HTMLElement && (target.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName))
}

/** Calls back for a key pressed outside fields and dialogs. */
export function useKey(keys: readonly string[], onKey: (event: KeyboardEvent) => void): void {
  const latest = useRef(onKey)
  const wanted = keys.join('|')
  useEffect(() => {
    latest.current = onKey
  }, [onKey])
  useEffect(() => {
    const listen = (event: KeyboardEvent): void => {
      if (event.defaultPrevented || event.ctrlKey || event.metaKey || event.altKey || isTypingTarget(event.target)) return
      if (document.querySelector('[role="dialog"]')) return
      if (wanted.split('|').includes(event.key)) latest.current(event)
    }
    document.addEventListener('keydown', listen)
    return () => document.removeEventListener('keydown', listen)
  }, [wanted])
}
