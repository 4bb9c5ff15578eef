import type { WetPart, WetState } from '#core/runs/wet-now'
import { formatLeft } from '../parts/format-left'

/** Fill of a wetted part on the lane, and of its chip under it. */
export const wetFill: Readonly<Record<WetState, string>> = {
  workable: 'var(--citrus)',
  setting: 'var(--caution)',
  set: 'var(--slab)',
}
const words: Readonly<Record<WetState, string>> = { workable: 'workable', setting: 'setting soon', set: 'set, in this estimate' }

/** The state of a band of the drawing; undefined where nothing wet lies. */
export function wetStateOf(wet: readonly WetPart[] | undefined, band: string): WetState | undefined {
  return wet?.find((one) => one.bands.includes(band))?.state
}

/** What a wet clock is about, without what its time says: `Roll 2 workable` is roll 2. */
export function wetName(label: string): string {
  return label.replace(/ (workable|setting)$/, '')
}

/** What is workable now, in words, each part with its own clock. */
export function WetLegend({ wet }: { wet: readonly WetPart[] }) {
  return (
    <ul aria-label="Workable now" className="flex flex-wrap gap-2">
      {wet.map((part) => (
        <li key={part.id} className="flex items-center gap-2 rounded-full border border-line bg-sheet px-3 py-1 font-semibold">
          <span aria-hidden className="size-3.5 rounded-full border border-ink" style={{ background: wetFill[part.state] }} />
          {wetName(part.label)}: {words[part.state]}
          {part.state === 'set' ? null : <span className="numeral font-bold">{formatLeft(part.leftMs)}</span>}
        </li>
      ))}
    </ul>
  )
}
