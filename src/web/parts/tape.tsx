/**
 * The tape that the product is known by: a ruler with its ticks, and a lime tape drawn out over it from left to right as far as something
 * has come. It says nothing of its own to a screen reader: words or figures stand beside it.
 * @param share how far it is drawn out, 0 to 1
 * @param ticks marks along it, as minutes of a clock
 * @param fill of the drawn part where it is another than the lime
 */
export function Tape({
  share,
  ticks,
  fill = 'var(--citrus)',
  heightPx = 14,
}: {
  share: number
  ticks: number
  fill?: string
  heightPx?: number
}) {
  const step = 100 / Math.max(1, ticks)
  const marks = `repeating-linear-gradient(to right, transparent 0 calc(${step}% - 1px), var(--ink) calc(${step}% - 1px) ${step}%)`
  return (
    <div aria-hidden className="relative overflow-hidden rounded-[3px] bg-well" style={{ height: heightPx }}>
      <div
        className="absolute inset-y-0 left-0 border-r-[3px] border-ink"
        style={{ width: `${Math.max(0, Math.min(1, share)) * 100}%`, background: fill }}
      />
      <div className="absolute inset-x-0 bottom-0 h-1/2 opacity-70" style={{ backgroundImage: marks }} />
    </div>
  )
}

/** The same while it is not known how long something takes: the tape runs out and back, and lies still where motion is not wanted. */
export function LoadingTape({ words }: { words: string }) {
  return (
    <div role="status" className="grid gap-2">
      <p className="font-semibold">{words}</p>
      <div aria-hidden className="relative h-3.5 max-w-sm overflow-hidden rounded-[3px] bg-well">
        <div className="tape-runs absolute inset-y-0 left-0 w-2/5 border-r-[3px] border-ink bg-citrus" />
        <div
          className="absolute inset-x-0 bottom-0 h-1/2 opacity-70"
          style={{ backgroundImage: 'repeating-linear-gradient(to right, transparent 0 11px, var(--ink) 11px 12px)' }}
        />
      </div>
    </div>
  )
}
