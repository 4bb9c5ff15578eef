import { useState, type CSSProperties, type ReactNode } from 'react'
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
  limb,
  under,
  onPut,
}: {
  items: readonly RoundItem[]
  columns: readonly RoundColumn[]
  entries: RoundEntries
  /** What earlier rounds entered last. */
  last?: LastEntries | undefined
  /** Stands where the sound side is asked nothing, on a desk. */
  beside?: ReactNode
  /** Stands beside the grid on a desk, with how the row in hand is looked at; above it elsewhere. Is given the cell in hand. */
  limb?: ((inHand: string | null) => ReactNode) | undefined
  /** Stands under the limb on a desk. */
  under?: ReactNode
  onPut: (changes: RoundEntries) => void
}) {
  const empty = items.filter((item) => item.injuredOnly)
  const [inHand, setInHand] = useState<string | null>(null)
  const handed = items.find(({ key }) => inHand?.endsWith(`/${key}`))
  const how = limb ? 'lg:hidden' : 'lg:block lg:leading-tight'
  const hold = ({ target }: { readonly target: EventTarget }): void =>
    setInHand(target instanceof Element ? (target.closest<HTMLElement>('[data-cell]')?.dataset['cell'] ?? inHand) : inHand)
  const names = limb ? '9.2rem' : '18rem'

  return (
    <div className={limb ? 'lg:grid lg:grid-cols-[280px_minmax(0,1fr)] lg:items-start lg:gap-x-3' : ''} onFocus={hold} onPointerOver={hold}>
      {limb ? (
        <div className="min-w-0 lg:sticky lg:top-16">
          {limb(inHand)}
          <p className="mt-2 min-h-[4.2rem] text-[0.95rem] leading-snug text-soft max-lg:hidden">
            {handed ? (
              <>
                <strong className="text-ink">{handed.label}.</strong> {handed.how}
              </>
            ) : (
              'A place leads to its row, a row to its place.'
            )}
          </p>
          {under ? <div className="mt-2 max-lg:hidden">{under}</div> : null}
        </div>
      ) : null}
      <div
        style={{ '--names': names } as CSSProperties}
        className={`grid gap-x-3 ${columns.length === 1 ? 'lg:grid-cols-[var(--names)_1fr]' : 'md:grid-cols-2 lg:grid-cols-[var(--names)_1fr_1fr]'}`}
      >
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
              <p className="lg:contents" title={item.how}>
                <span className="font-semibold leading-tight lg:block lg:text-[0.86rem] lg:leading-[1.05]">{item.label}</span>{' '}
                {item.how ? <span className={`text-sm leading-tight text-soft lg:text-[0.8rem] ${how}`}>{item.how}</span> : null}
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
    </div>
  )
}
