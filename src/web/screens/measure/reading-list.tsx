import type { Measurement } from '#core/case/clinical-case'
import { formatLength, type DisplayUnits } from '#core/plan/format-decision'
import { toCm } from '#core/quantities/length'
import type { TechniqueMeasurement } from '#core/techniques/technique'
import { Undo2 } from 'lucide-react'

/** What is asked and what is read so far; a tap goes to a place, the last reading can be taken back. */
export function ReadingList({
  asked,
  readings,
  units,
  current,
  onPick,
  onWithdraw,
}: {
  asked: readonly TechniqueMeasurement[]
  readings: readonly Measurement[]
  units: DisplayUnits
  current: string | null
  onPick: (id: string) => void
  onWithdraw: (key: string) => void
}) {
  return (
    <section aria-labelledby="readings">
      <h2 id="readings" className="mb-1 text-sm font-semibold text-soft">
        Readings
      </h2>
      <ul className="divide-y divide-line rounded-2xl border border-line bg-sheet">
        {asked.map(({ definition, need }) => {
          const taken = readings.filter((one) => one.id === definition.id)
          const last = taken.at(-1)
          return (
            <li key={definition.id} className={`flex items-center gap-2 pr-1 ${current === definition.id ? 'bg-citrus/25' : ''}`}>
              <button
                type="button"
                onClick={() => onPick(definition.id)}
                aria-current={current === definition.id ? 'true' : undefined}
                className="flex min-h-12 min-w-0 flex-1 items-center gap-3 px-4 text-left"
              >
                <span className="flex-1 leading-tight">
                  {definition.label}
                  {need === 'optional' && taken.length === 0 ? <span className="text-sm text-soft"> optional</span> : null}
                </span>
                <span className="text-right">
                  {taken.length === 0 ? (
                    <span className="text-soft">–</span>
                  ) : (
                    taken.map((one) => (
                      <span key={one.key} className="numeral ml-2">
                        {one.unit === 'fw' ? `${String(one.value)} fw = ` : ''}
                        {formatLength(toCm(Number(one.value), one.unit ?? 'cm', one.breadthCm), units)}
                        {one.side ? <span className="ml-1 text-sm font-normal text-soft">{one.side}</span> : null}
                      </span>
                    ))
                  )}
                </span>
              </button>
              {last?.key ? (
                <button
                  type="button"
                  onClick={() => onWithdraw(last.key ?? '')}
                  aria-label={`Take back ${definition.label}`}
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
