import { cannot, type RoundEntries, type RoundItem } from './round-items'

export interface RoundColumn {
  /** Prefix of the entries: `<key>/<item>`. */
  readonly key: string
  readonly head: string
  /** Said after the item's name for a screen reader. */
  readonly label: string
}

/** Items down, sides across; on a narrow screen each side under its item. */
export function RoundGrid({
  items,
  columns,
  entries,
  last = {},
  onPut,
}: {
  items: readonly RoundItem[]
  columns: readonly RoundColumn[]
  entries: RoundEntries
  /** What earlier rounds entered last. */
  last?: RoundEntries | undefined
  onPut: (changes: RoundEntries) => void
}) {
  return (
    <div className={`grid gap-x-4 gap-y-1 ${columns.length === 1 ? 'lg:grid-cols-[13rem_1fr]' : 'lg:grid-cols-[13rem_1fr_1fr]'}`}>
      <p className="hidden lg:block" aria-hidden />
      {columns.map((column) => (
        <p key={column.key} className="hidden font-bold lg:block">
          {column.head}
        </p>
      ))}
      {items.map((item) => (
        <div key={item.key} className="contents">
          <div className="border-t border-line pt-2 lg:self-center lg:py-2">
            <p className="font-semibold leading-tight">{item.label}</p>
            {item.how ? <p className="text-sm text-soft">{item.how}</p> : null}
          </div>
          {columns.map((column) => (
            <div key={column.key} className="min-w-0 py-1 lg:border-t lg:border-line lg:py-2">
              <p className="mb-0.5 text-sm font-semibold lg:hidden">{column.head}</p>
              <ItemCell
                item={item}
                label={column.label ? `${item.label}, ${column.label}` : item.label}
                value={entries[`${column.key}/${item.key}`] ?? ''}
                last={last[`${column.key}/${item.key}`]}
                onChange={(value) => onPut({ [`${column.key}/${item.key}`]: value })}
              />
            </div>
          ))}
        </div>
      ))}
    </div>
  )
}

function ItemCell({
  item,
  label,
  value,
  last,
  onChange,
}: {
  item: RoundItem
  label: string
  value: string
  last: string | undefined
  onChange: (value: string) => void
}) {
  const words = item.figure ? item.figure.quick.map(String) : item.words
  return (
    <div role="group" aria-label={label} className="flex flex-wrap items-center gap-1">
      {item.typed ? (
        <label className="inline-flex items-center gap-2">
          <input
            inputMode="numeric"
            aria-label={label}
            value={value === cannot ? '' : value}
            onChange={(event) => onChange(event.target.value.replace(/[^0-9]/g, '').slice(0, String(item.typed?.greatest).length))}
            className="min-h-11 w-24 rounded-lg border border-soft bg-sheet px-3 text-lg"
          />
          <span className="text-sm text-soft">{item.typed.unit}</span>
        </label>
      ) : null}
      {[...words, cannot].map((word) => (
        <button
          key={word}
          type="button"
          aria-pressed={value === word}
          onClick={() => onChange(value === word ? '' : word)}
          className={`min-h-11 min-w-11 rounded-lg border px-2.5 leading-none ${value === word ? 'border-ink bg-ink font-bold text-paper' : 'border-line bg-sheet'} ${word === cannot && value !== word ? 'text-soft' : ''}`}
        >
          {word === cannot ? 'can’t' : word}
          {item.figure?.unit && word !== cannot ? <span className="ml-0.5 opacity-75">{item.figure.unit}</span> : null}
        </button>
      ))}
      {last !== undefined && last !== '' ? <span className="px-1 text-sm text-soft">last: {last === cannot ? 'can’t' : last}</span> : null}
    </div>
  )
}
