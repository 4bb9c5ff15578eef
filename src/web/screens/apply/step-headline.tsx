/** What a step says to do: where its reading begins, for eyes and for a screen reader, which hears how far the run is behind it. */
export function StepHeadline({ text, number, of, className }: { text: string; number: number; of: number; className: string }) {
  return (
    <h2 data-headline tabIndex={-1} aria-label={`${text} Step ${number} of ${of}.`} className={`font-semibold outline-none ${className}`}>
      {text}
    </h2>
  )
}

/**
 * Begins a step at its sentence: it has the focus, and on a screen where work and picture stand under each other it is at the top of the view.
 * What speaks against the step stands above its sentence and comes first.
 * @param card the step
 * @param isArriving the page was just opened: it begins at its own top
 */
export function beginAtSentence(card: HTMLElement, isArriving: boolean): void {
  const headline = card.querySelector<HTMLElement>('[data-headline]')
  ;(headline ?? card).focus({ preventScroll: true })
  if (isArriving) return
  const first = card.querySelector<HTMLElement>('[role=alert]') ? card : (headline ?? card)
  const { top, bottom } = first.getBoundingClientRect()
  const isInView = top >= coveredPx() && bottom <= window.innerHeight
  const isBeside = window.matchMedia('(min-width: 64rem)').matches
  if (isBeside && isInView) return
  first.scrollIntoView({ block: 'start' })
}

/** How much of the view's top is covered by what sticks there, px: the page scrolls clear of it. */
function coveredPx(): number {
  return Number.parseFloat(getComputedStyle(document.documentElement).scrollPaddingTop) || 0
}
