import { useLayoutEffect, useRef, useState, type RefObject } from 'react'
import { useNarrow, useUpright } from '../../parts/use-narrow'

/** On a tablet held upright the work stands under the drawing, and has to be in sight with it: so much of the page's height at most. */
const uprightShare = 0.26

/** Before it is measured a drawing is laid out for this width, px. */
const firstWidthPx = { narrow: 358, wide: 720 }

/**
 * The width a drawing may fill and the height it may take, px: known before it is painted, and again when the page changes.
 * @param strip how high where it is a strip, which is as low on every screen, and how wide before it is measured; null where it is none
 */
export function useBox(
  mostHeight: { readonly narrow: number; readonly wide: number },
  strip: { readonly heightPx: number; readonly widthPx?: number } | null,
): {
  readonly ref: RefObject<HTMLDivElement | null>
  readonly widthPx: number
  readonly mostHeightPx: number
} {
  const isNarrow = useNarrow()
  const isUpright = useUpright()
  const ref = useRef<HTMLDivElement>(null)
  const [widthPx, setWidth] = useState(0)
  useLayoutEffect(() => {
    const element = ref.current
    if (!element) return
    const measure = (): void => setWidth(Math.floor(element.getBoundingClientRect().width))
    measure()
    const observer = new ResizeObserver(measure)
    observer.observe(element)
    return () => observer.disconnect()
  }, [])
  const share = isNarrow ? mostHeight.narrow : isUpright ? Math.min(uprightShare, mostHeight.wide) : mostHeight.wide
  return {
    ref,
    widthPx: widthPx || strip?.widthPx || firstWidthPx[isNarrow ? 'narrow' : 'wide'],
    mostHeightPx: strip?.heightPx ?? Math.max(150, Math.round(window.innerHeight * share)),
  }
}
