import { useLayoutEffect, useRef, useState, type ReactNode } from 'react'
import { createPortal } from 'react-dom'
import { sheetHost } from '../parts/sheet-host'

/**
 * A page that leaves the document while the screen is locked, with the sheets over it. It goes on as it is: what was typed in it is there when it
 * comes back, where it was read too.
 * @param isOut whether it is out of the document
 */
export function BehindLock({ isOut, children }: { isOut: boolean; children: ReactNode }) {
  const [host] = useState(() => Object.assign(document.createElement('div'), { className: 'contents' }))
  const place = useRef<HTMLDivElement>(null)
  const scrolledTo = useRef(0)
  useLayoutEffect(() => {
    if (isOut) return
    place.current?.append(host)
    document.body.append(sheetHost)
    window.scrollTo(0, scrolledTo.current)
    return () => {
      scrolledTo.current = window.scrollY
      host.remove()
      sheetHost.remove()
    }
  }, [isOut, host])
  return (
    <>
      <div ref={place} className="contents" />
      {createPortal(children, host)}
    </>
  )
}
