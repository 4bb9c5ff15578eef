import { useCallback, useEffect, useRef, useState } from 'react'
import { currentDurable } from './session-store'

/**
 * Text that survives a closed tab: kept on the device at every keystroke until it is cleared.
 * @param key says what the text belongs to, such as `case/<id>/reading`
 * @returns the text, a setter, and whether the kept text has been read yet
 */
export function useDraft(key: string): readonly [string, (text: string) => void, boolean] {
  const [state, setState] = useState({ key: '', text: '', isRead: false })
  const isTouched = useRef(false)
  useEffect(() => {
    isTouched.current = false
    let isCurrent = true
    setState({ key, text: '', isRead: false })
    void currentDurable()
      ?.readDraft(key)
      .then((kept) => {
        if (isCurrent && !isTouched.current) setState({ key, text: kept ?? '', isRead: true })
      })
    return () => {
      isCurrent = false
    }
  }, [key])
  const write = useCallback(
    (text: string) => {
      isTouched.current = true
      setState({ key, text, isRead: true })
      void currentDurable()?.writeDraft(key, text)
    },
    [key],
  )
  return [state.key === key ? state.text : '', write, state.isRead]
}
