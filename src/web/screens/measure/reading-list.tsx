import { Check, Undo2 } from 'lucide-react'
import { disagreeing } from '#core/figures/body/length-order'
import type { Measurement } from '#core/model/clinical-case'
import { spoken } from '#core/model/vocabulary'
import { formatLength, type DisplayUnits } from '#core/planner/format-decision'
import { toCm } from '#core/quantities/length'
import { formatClock } from '../../parts/format-time'
import { readingsOf, type AskedReading } from './asked-readings'

/** What is asked and what is read so far; a tap goes to a place, the last reading can be taken back. */
export function ReadingList({
  asked,
  readings,
  units,
  doubts,
  current,
  onPick,
  onWithdraw,
}: {
  asked: readonly AskedReading[]
  readings: readonly Measurement[]
  units: DisplayUnits
  /** Why a place's readings are doubted, by its measurement: it has no tick then. */
  doubts: ReadonlyMap<string, string>
  current: string | null
  onPick: (key: string) => void
  onWithdraw: (key: string) => void
}) {
  return (
    <section aria-labelledby="readings">
      <h2 id="readings" className="mb-1 text-sm font-semibold text-soft">
        Readings
      </h2>
      <ul className="divide-y divide-line rounded-2xl border border-line bg-sheet">
        {asked.map((place) => {
          const taken = readingsOf(place, readings)
          const last = disagreeing(taken)
          const doubt = doubts.get(place.definition.id)
          const label = `${place.definition.label}${place.fixedSide ? `, ${place.fixedSide}` : ''}`
          return (
            <li key={place.key} className={`flex items-center gap-2 pr-1 ${current === place.key ? 'bg-citrus/25' : ''}`}>
              <button
                type="button"
                onClick={() => onPick(place.key)}
                aria-current={current === place.key ? 'true' : undefined}
                className="flex min-h-12 min-w-0 flex-1 items-center gap-3 px-4 text-left"
              >
                <span className="flex-1 leading-tight">
                  {label}
                  {taken.length > 0 && doubt ? <span className="block text-sm font-semibold text-caution">{doubt}</span> : null}
                  {place.need === 'optional' && taken.length === 0 ? <span className="text-sm text-soft"> optional</span> : null}
                </span>
                {taken.length > 0 && !doubt ? <Check size={18} aria-label="read" className="shrink-0 text-calm" /> : null}
                <span className="text-right">
                  {taken.length === 0 ? (
                    <span className="text-soft">–</span>
                  ) : (
                    taken.map((one) => <Taken key={one.key} reading={one} units={units} />)
                  )}
                </span>
              </button>
              {last?.key ? (
                <button
                  type="button"
                  onClick={() => onWithdraw(last.key ?? '')}
                  aria-label={`Take back ${label}`}
                  className="grid size-11 place-items-center rounded-xl"
                >
                  <Undo2 size={18} aria-hidden />
                </button>
              ) : null}
            </li>
          )
        })}
      </ul>
    </section>
  )
}

function Taken({ reading, units }: { reading: Measurement; units: DisplayUnits }) {
  const { value, unit, side, tool, by, at } = reading
  const figure =
    typeof value === 'string'
      ? spoken(value)
      : `${unit === 'fw' ? `${value} fw = ` : ''}${formatLength(toCm(value, unit ?? 'cm', reading.breadthCm), units)}`
  const history = [by, at ? formatClock(at) : '', tool && tool !== 'tape' ? spoken(tool) : ''].filter(Boolean).join(', ')
  return (
    <span title={history} className="numeral ml-2 inline-block">
      {figure}
      {tool === 'eye' ? <span className="ml-1 text-sm font-semibold text-caution">by eye</span> : null}
      {side ? <span className="ml-1 text-sm font-normal text-soft">{side}</span> : null}
    </span>
  )
}
