import { ChevronDown, ChevronUp } from 'lucide-react'
import { useId } from 'react'
import { formatClock } from '../parts/format-time'
import { FeelingOnTrunk } from './feeling-on-trunk'
import { asLastTime } from './round-cell'
import type { LastEntry } from './last-entries'
import type { DrawnLimb } from './round-limb'
import { cannot, type RoundItem } from './round-items'

const press = 'min-h-12 rounded-xl border px-3 leading-tight'
const chosen = (isOn: boolean): string => (isOn ? 'border-ink bg-ink font-bold text-paper' : 'border-line bg-sheet')

/**
 * The highest level at which touch is lost: a tap on the trunk, a step up or down, or the list.
 * @param item its words from `normal` and the neck down
 * @param value as entered, empty while it is open
 */
export function FeelingLevel({
  cellKey,
  item,
  value,
  last,
  limb,
  onChange,
}: {
  cellKey: string
  item: RoundItem
  value: string
  last: LastEntry | undefined
  limb: DrawnLimb | undefined
  onChange: (value: string) => void
}) {
  const id = useId()
  const levels = item.words.filter((word) => word !== item.normal)
  const at = levels.indexOf(value)
  const again = asLastTime(item, last)
  /** From nothing entered a step begins at the navel, in the middle of the trunk. */
  const step = (by: number): void =>
    onChange(levels[at < 0 ? levels.indexOf('T10') : Math.min(levels.length - 1, Math.max(0, at + by))] ?? value)
  return (
    <section
      aria-label={item.label}
      data-cell={cellKey}
      data-open={value === '' ? '' : undefined}
      className="flex flex-wrap items-center gap-x-5 gap-y-2 border-t border-line pt-2"
    >
      {limb?.geometry.body === 'trunk' ? (
        <FeelingOnTrunk geometry={limb.geometry} layers={limb.layers} level={value} onLevel={onChange} />
      ) : null}
      <div className="grid min-w-0 flex-1 gap-2">
        <p>
          <strong>{item.label}</strong> <span className="text-soft">{item.how}</span>
        </p>
        <div className="flex flex-wrap items-center gap-1.5">
          <button
            type="button"
            aria-pressed={value === item.normal}
            onClick={() => onChange(item.normal)}
            className={`${press} ${value !== item.normal && again ? 'border-dashed border-soft bg-sheet' : chosen(value === item.normal)}`}
          >
            {item.normal}
            {again && last ? <span className="block text-[0.8rem] opacity-80">as {formatClock(last.at)}</span> : null}
          </button>
          <button type="button" aria-label="One level up" onClick={() => step(-1)} className={`${press} ${chosen(false)}`}>
            <ChevronUp size={20} aria-hidden />
          </button>
          <output aria-live="polite" className="numeral min-w-14 text-center text-2xl font-bold">
            {at < 0 ? '–' : value}
          </output>
          <button type="button" aria-label="One level down" onClick={() => step(1)} className={`${press} ${chosen(false)}`}>
            <ChevronDown size={20} aria-hidden />
          </button>
          <label htmlFor={id} className="sr-only">
            {item.label}, from a list
          </label>
          <select
            id={id}
            value={at < 0 ? '' : value}
            onChange={(event) => onChange(event.target.value)}
            className={`${press} border-soft bg-sheet`}
          >
            {/* A tap that was none of the work leaves it open again. */}
            <option value="">{at < 0 ? 'from a list' : 'empty it'}</option>
            {levels.map((level) => (
              <option key={level} value={level}>
                {level}
              </option>
            ))}
          </select>
          <button
            type="button"
            aria-pressed={value === cannot}
            onClick={() => onChange(cannot)}
            className={`${press} ${chosen(value === cannot)} ${value === cannot ? '' : 'text-soft'}`}
          >
            can’t
          </button>
        </div>
        {last && last.word !== item.normal ? (
          <p className="text-sm font-bold text-caution">
            was {last.word}, {formatClock(last.at)}
          </p>
        ) : null}
      </div>
    </section>
  )
}
