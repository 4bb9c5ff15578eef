import type { ReactNode } from 'react'
import { RoundCell } from './round-cell'
import type { LastEntries } from './last-entries'
import type { RoundEntries, RoundItem } from './round-items'

export interface RoundColumn {
  /** Prefix of the entries: `<key>/<item>`. */
  readonly key: string
  readonly head: string
  /** Said after the item's name for a screen reader. */
  readonly label: string
  /** Only what every limb is asked, not what the injured one is. */
  readonly isSound?: boolean
}

/** Whether a column is asked for an item. */
export function isAsked(item: RoundItem, column: Pick<RoundColumn, 'isSound'>): boolean {
  return !(item.injuredOnly && column.isSound)
}

/** Items down, sides across; on a tablet under their item, on a narrower screen one under the other. */
export function RoundGrid({
  items,
  columns,
  entries,
  last = {},
  beside,
  onPut,
}: {
  items: readonly RoundItem[]
  columns: readonly RoundColumn[]
  entries: RoundEntries
  /** What earlier rounds entered last. */
  last?: LastEntries | undefined
  /** Stands where the sound side is asked nothing, on a desk. */
  beside?: ReactNode
  onPut: (changes: RoundEntries) => void
}) {
  const empty = items.filter((item) => item.injuredOnly)

  return (
    <div className={`grid gap-x-4 ${columns.length === 1 ? 'lg:grid-cols-[18rem_1fr]' : 'md:grid-cols-2 lg:grid-cols-[18rem_1.1fr_1fr]'}`}>
      <p className="hidden lg:block" aria-hidden />
      {columns.map((column) => (
        <p key={column.key} className={`hidden text-sm font-bold lg:block ${columns.length > 1 ? 'md:block' : ''}`}>
          {column.head}
        </p>
      ))}
      {items.map((item) => (
        <div key={item.key} className="contents">
          <div
            className={`min-w-0 border-t border-line pt-1 lg:self-stretch lg:py-0.5 ${columns.length > 1 ? 'md:max-lg:col-span-2' : ''}`}
          >
            <p className="truncate lg:contents" title={item.how}>
              <span className="font-semibold leading-tight lg:block lg:text-[0.88rem] lg:leading-[1.1]">{item.label}</span>{' '}
              {item.how ? <span className="text-sm leading-tight text-soft lg:block lg:truncate lg:text-[0.8rem]">{item.how}</span> : null}
            </p>
          </div>
          {columns.map((column) =>
            isAsked(item, column) ? (
              <div key={column.key} className="min-w-0 py-0.5 max-sm:pt-0 lg:border-t lg:border-line">
                {columns.length > 1 ? <p className="text-sm font-semibold md:hidden">{column.head}</p> : null}
                <RoundCell
                  cellKey={`${column.key}/${item.key}`}
                  item={item}
                  label={column.label ? `${item.label}, ${column.label}` : item.label}
                  value={entries[`${column.key}/${item.key}`] ?? ''}
                  last={last[`${column.key}/${item.key}`]}
                  onChange={(value) => onPut({ [`${column.key}/${item.key}`]: value })}
                />
              </div>
            ) : item === empty[0] ? (
              <div
                key={column.key}
                style={{ gridRow: `span ${empty.length}` }}
                className="min-w-0 py-1 max-lg:hidden lg:border-t lg:border-line"
              >
                {beside}
              </div>
            ) : null,
          )}
        </div>
      ))}
    </div>
  )
}
