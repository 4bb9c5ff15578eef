import { useState } from 'react'
import { formatClock } from '../parts/format-time'
import type { LastEntry } from './last-entries'
import { cannot, type RoundItem } from './round-items'

/** One item of one side: its words as buttons, and what was entered last beside them. */
export function RoundCell({
  cellKey,
  item,
  label,
  value,
  last,
  isLarge = false,
  onChange,
}: {
  cellKey: string
  item: RoundItem
  label: string
  value: string
  last: LastEntry | undefined
  /** Answers for a gloved thumb, what was well last time before the others. */
  isLarge?: boolean
  onChange: (value: string) => void
}) {
  /** The entry that was tapped again: it is emptied only when that is said too. */
  const [asksOf, setAsksOf] = useState<string | null>(null)
  const asks = value !== '' && asksOf === value
  const again = asLastTime(item, last)
  const inOrder = wordsOf(item)
  const words = isLarge && again ? [again, ...inOrder.filter((word) => word !== again)] : inOrder
  const isTight = words.length > 8
  /** Where the row is full, the time of the last entry would break it. */
  const isBrief = words.length > 5
  const isLast = (word: string): boolean => last?.word === word
  return (
    <div
      role="group"
      aria-label={label}
      data-cell={cellKey}
      data-open={value === '' ? '' : undefined}
      className={`flex flex-wrap items-center ${isLarge ? 'gap-1.5' : isTight ? 'gap-1 lg:gap-0.5' : 'gap-[3px] lg:gap-1'}`}
    >
      {item.typed ? (
        <label className="inline-flex items-center gap-2">
          <input
            inputMode="numeric"
            aria-label={label}
            value={value === cannot ? '' : value}
            onChange={(event) => onChange(event.target.value.replace(/[^0-9]/g, '').slice(0, String(item.typed?.greatest).length))}
            className="min-h-11 w-24 rounded-lg border border-soft bg-sheet px-3 text-lg lg:min-h-9"
          />
          <span className="text-sm text-soft">{item.typed.unit}</span>
        </label>
      ) : null}
      {[...words, cannot].map((word) => (
        <button
          key={word}
          type="button"
          aria-pressed={value === word}
          aria-description={
            isLast(word) && last ? `${again === word ? 'as last time' : 'entered last'}, ${formatClock(last.at)}` : undefined
          }
          onClick={() => {
            setAsksOf(value === word ? word : null)
            if (value !== word) onChange(word)
          }}
          className={`inline-grid place-content-center border leading-none focus-visible:outline-3 ${sizeOf(isLarge, isTight)} ${value === word ? 'border-ink bg-ink font-bold text-paper' : again === word ? 'border-dashed border-soft bg-sheet' : 'border-line bg-sheet'} ${word === cannot && value !== word ? 'text-soft' : ''}`}
        >
          <span>
            {word === cannot ? 'can’t' : word}
            {item.figure?.unit && word !== cannot ? <span className="ml-0.5 opacity-75">{item.figure.unit}</span> : null}
          </span>
          {isLast(word) && last ? (
            <span
              aria-hidden
              className={`text-[0.77rem] leading-none ${again === word || last.word === item.normal ? 'opacity-80' : 'font-bold text-caution'}`}
            >
              {again === word ? 'as' : 'was'}
              {isBrief ? '' : ` ${formatClock(last.at)}`}
            </span>
          ) : null}
        </button>
      ))}
      {asks ? (
        <span role="group" aria-label={`Empty ${label}?`} className="inline-flex items-center gap-1">
          <button type="button" className={emptyLook} onClick={() => setAsksOf(null)}>
            Keep it
          </button>
          <button
            type="button"
            className={`${emptyLook} font-bold text-caution`}
            onClick={() => {
              setAsksOf(null)
              onChange('')
            }}
          >
            Empty it
          </button>
        </span>
      ) : null}
    </div>
  )
}

function sizeOf(isLarge: boolean, isTight: boolean): string {
  if (isLarge) return `min-h-14 rounded-xl text-[1.05rem] ${isTight ? 'min-w-12 px-1' : 'min-w-14 px-3'}`
  return `min-h-11 rounded-lg lg:min-h-[1.9rem] ${isTight ? 'min-w-[3.1rem] px-0.5 lg:min-w-[1.55rem]' : 'min-w-10 px-1.5'}`
}

const emptyLook = 'min-h-11 rounded-lg border border-caution bg-sheet px-2 text-sm lg:min-h-[1.9rem]'

/** The words that a cell offers, as they are kept. */
export function wordsOf(item: RoundItem): readonly string[] {
  return item.figure ? item.figure.quick.map(String) : item.words
}

/** What may be entered "as last time": a word that was well then. What was abnormal, or is counted, is looked at anew. */
export function asLastTime(item: RoundItem, last: LastEntry | undefined): string | null {
  return last && !item.figure && !item.typed && last.word === item.normal ? last.word : null
}
