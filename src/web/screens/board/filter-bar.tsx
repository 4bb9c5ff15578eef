import { useEffect, useRef, useState } from 'react'
import type { BoardRow } from '#contract/api/board'
import { knownAreas } from '../../case/run/places'
import type { BoardFilter, BoardView } from './board-filter'

const views: readonly { readonly value: BoardView; readonly label: string }[] = [
  { value: 'cards', label: 'Cards' },
  { value: 'rows', label: 'Rows' },
  { value: 'wall', label: 'Wall' },
]
const typingMs = 150
const field = 'min-h-11 rounded-xl border-[1.5px] border-line bg-sheet px-3'
const choice =
  'min-h-11 rounded-xl border-[1.5px] border-line bg-sheet px-3 aria-pressed:border-ink aria-pressed:bg-ink aria-pressed:font-bold aria-pressed:text-paper'

/** Whether not all of the Board is shown. */
export function isFiltering(filter: BoardFilter): boolean {
  return filter.words !== '' || filter.area !== '' || filter.technique !== '' || filter.isPressing || filter.isMine
}

/** What of the Board is shown, and how; it stands in the address. */
export function FilterBar({
  rows,
  filter,
  onChange,
}: {
  rows: readonly BoardRow[]
  filter: BoardFilter
  onChange: (change: Partial<BoardFilter>) => void
}) {
  const [typed, setTyped] = useState(filter.words)
  const latest = useRef(onChange)
  useEffect(() => {
    latest.current = onChange
  }, [onChange])
  useEffect(() => {
    // The address follows the typing: it is slower than a hand.
    if (typed === filter.words) return
    const timer = setTimeout(() => latest.current({ words: typed }), typingMs)
    return () => clearTimeout(timer)
  }, [typed, filter.words])
  const techniques = [...new Map(rows.map((row) => [row.technique, row.techniqueName]))].sort((a, b) => a[1].localeCompare(b[1]))
  return (
    <search className="mb-3 flex gap-1.5 sm:flex-wrap">
      <input
        type="search"
        aria-label="Find on the Board"
        placeholder="Name or bed"
        value={typed}
        maxLength={80}
        onChange={(event) => setTyped(event.target.value)}
        className={`${field} min-w-0 max-sm:flex-1 sm:w-40`}
      />
      <select
        aria-label="Place"
        value={filter.area}
        onChange={(event) => onChange({ area: event.target.value })}
        className={`${field} max-sm:w-24`}
      >
        <option value="">All places</option>
        {knownAreas(rows).map((area) => (
          <option key={area} value={area}>
            {area}
          </option>
        ))}
      </select>
      <select
        aria-label="Technique"
        value={filter.technique}
        onChange={(event) => onChange({ technique: event.target.value })}
        className={`${field} max-w-44 max-sm:hidden`}
      >
        <option value="">All techniques</option>
        {techniques.map(([id, name]) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </select>
      <button
        type="button"
        aria-pressed={filter.isPressing}
        onClick={() => onChange({ isPressing: !filter.isPressing })}
        className={`${choice} toggle-box max-sm:hidden`}
      >
        Pressing
      </button>
      <button
        type="button"
        aria-pressed={filter.isMine}
        onClick={() => onChange({ isMine: !filter.isMine })}
        className={`${choice} toggle-box`}
      >
        Mine
      </button>
      <span role="group" aria-label="How it is shown" className="ml-auto flex gap-1.5 max-sm:hidden">
        {views.map(({ value, label }) => (
          <button
            key={value}
            type="button"
            aria-pressed={filter.view === value}
            onClick={() => onChange({ view: value })}
            className={choice}
          >
            {label}
          </button>
        ))}
        <button
          type="button"
          aria-pressed={!filter.isInitials}
          onClick={() => onChange({ isInitials: !filter.isInitials })}
          className={`${choice} toggle-box`}
        >
          Names on the wall
        </button>
      </span>
    </search>
  )
}
