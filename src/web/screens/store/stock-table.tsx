import { isDayBefore } from '#core/quantities/instant'
import { createColumnHelper, flexRender, getCoreRowModel, getSortedRowModel, useReactTable, type SortingState } from '@tanstack/react-table'
import { useMemo, useState } from 'react'
import { ToneShape, type Tone } from '../../parts/tone-shape'
import { LotCounts } from './lot-counts'
import { stateWords, stockStates, type StockRow, type StockState } from './stock-rows'

const tones: Record<StockState, Tone> = { out: 'stop', expired: 'caution', low: 'caution', soon: 'note', ok: 'calm', absent: 'blank' }
const column = createColumnHelper<StockRow>()

/** Items of a place, sorted by any column; each opens its lots to count or receive. */
export function StockTable({ rows, placeId, today }: { rows: readonly StockRow[]; placeId: string; today: string }) {
  const [sorting, setSorting] = useState<SortingState>([{ id: 'state', desc: false }])
  const [openCode, setOpenCode] = useState<string | null>(null)
  const data = useMemo(() => [...rows], [rows])
  const columns = useMemo(
    () => [
      column.accessor('label', { header: 'Item' }),
      column.accessor((row) => stockStates.indexOf(row.state), {
        id: 'state',
        header: 'State',
        cell: ({ row }) => <StateMark state={row.original.state} />,
      }),
      column.accessor('free', { header: 'Free' }),
      column.accessor('reserved', { header: 'Set aside' }),
      column.accessor((row) => row.expiresOn ?? '9999', {
        id: 'expires',
        header: 'First expiry',
        cell: ({ row }) => (
          <span className={isDayBefore(row.original.expiresOn ?? '9999-12-31', today) ? 'font-bold text-caution' : ''}>
            {row.original.expiresOn ?? '–'}
          </span>
        ),
      }),
    ],
    [today],
  )
  const table = useReactTable({
    data,
    columns,
    state: { sorting },
    onSortingChange: setSorting,
    getRowId: (row) => row.itemCode,
    getCoreRowModel: getCoreRowModel(),
    getSortedRowModel: getSortedRowModel(),
  })
  return (
    <div className="overflow-x-auto rounded-2xl border border-line bg-sheet">
      <table className="w-full border-collapse text-left">
        <caption className="sr-only">Stock, one line for each item</caption>
        <thead>
          {table.getHeaderGroups().map((group) => (
            <tr key={group.id} className="border-b border-line">
              {group.headers.map((header) => {
                const sorted = header.column.getIsSorted()
                return (
                  <th
                    key={header.id}
                    scope="col"
                    aria-sort={sorted === 'asc' ? 'ascending' : sorted === 'desc' ? 'descending' : 'none'}
                    className={headClass(header.column.id)}
                  >
                    <button type="button" onClick={header.column.getToggleSortingHandler()} className="min-h-12 font-semibold text-soft">
                      {flexRender(header.column.columnDef.header, header.getContext())}
                      <span aria-hidden>{sorted === 'asc' ? ' ↑' : sorted === 'desc' ? ' ↓' : ''}</span>
                    </button>
                  </th>
                )
              })}
            </tr>
          ))}
        </thead>
        <tbody className="divide-y divide-line">
          {table.getRowModel().rows.map((row) => (
            <StockLineRow key={row.id} isOpen={openCode === row.id} row={row.original} placeId={placeId} today={today}>
              {row.getVisibleCells().map((cell) =>
                cell.column.id === 'label' ? (
                  <th key={cell.id} scope="row" className="px-3 py-1 font-semibold">
                    <button
                      type="button"
                      aria-expanded={openCode === row.id}
                      onClick={() => setOpenCode(openCode === row.id ? null : row.id)}
                      className="min-h-12 w-full text-left underline decoration-line decoration-2 underline-offset-4"
                    >
                      {row.original.label}
                    </button>
                  </th>
                ) : (
                  <td key={cell.id} className={`${headClass(cell.column.id)} numeral`}>
                    {flexRender(cell.column.columnDef.cell, cell.getContext())}
                  </td>
                ),
              )}
            </StockLineRow>
          ))}
        </tbody>
      </table>
    </div>
  )
}

function headClass(id: string): string {
  const isRight = id === 'free' || id === 'reserved'
  return `px-3 ${isRight ? 'text-right' : ''} ${id === 'reserved' || id === 'expires' ? 'max-sm:hidden' : ''}`
}

function StockLineRow({
  isOpen,
  row,
  placeId,
  today,
  children,
}: {
  isOpen: boolean
  row: StockRow
  placeId: string
  today: string
  children: React.ReactNode
}) {
  return (
    <>
      <tr>{children}</tr>
      {isOpen ? (
        <tr>
          <td colSpan={5} className="bg-well px-3 py-3">
            <LotCounts row={row} placeId={placeId} today={today} />
          </td>
        </tr>
      ) : null}
    </>
  )
}

/** State by shape and word, colour only beside them. */
export function StateMark({ state }: { state: StockState }) {
  return (
    <span className="inline-flex items-center gap-1.5 font-semibold whitespace-nowrap">
      <ToneShape tone={tones[state]} size={14} />
      {stateWords[state]}
    </span>
  )
}
