import { Minus, Plus } from 'lucide-react'
import { useId, useState } from 'react'

/** A whole number with large steps either side; it can be typed as well. */
export function NumberStepper({
  label,
  unit,
  value,
  aim,
  least,
  greatest,
  onChange,
}: {
  label: string
  unit: string
  /** Null while nothing was read. */
  value: number | null
  /** Where the steps begin while nothing was read: shown, and never taken for a reading. */
  aim?: number
  least: number
  greatest: number
  onChange: (value: number) => void
}) {
  const id = useId()
  const [typed, setTyped] = useState<string | null>(null)
  const [error, setError] = useState<string | null>(null)
  const keep = (): void => {
    if (typed === null) return
    const next = Number(typed.replace(',', '.'))
    if (typed.trim() === '' || !Number.isFinite(next) || next < least || next > greatest)
      return setError(`${label} takes a figure from ${least} to ${greatest}: check it.`)
    setError(null)
    setTyped(null)
    if (next !== value) onChange(next)
  }
  const step = (by: number): void => {
    setTyped(null)
    setError(null)
    onChange(Math.min(greatest, Math.max(least, (value ?? aim ?? least) + by)))
  }
  return (
    <div>
      <label htmlFor={id} className="mb-1.5 block text-sm font-semibold text-soft">
        {label}
        {unit ? `, ${unit}` : ''}
      </label>
      <div className="flex items-stretch">
        <button
          type="button"
          aria-label={`${label}: less`}
          onClick={() => step(-1)}
          className="grid w-12 shrink-0 place-items-center rounded-l-xl border-[1.5px] border-r-0 border-soft bg-sheet"
        >
          <Minus size={18} aria-hidden />
        </button>
        <input
          id={id}
          inputMode="decimal"
          value={typed ?? (value === null ? '' : String(value))}
          placeholder={value === null && aim !== undefined ? `aim ${aim}` : undefined}
          onChange={(event) => setTyped(event.target.value)}
          onBlur={keep}
          onKeyDown={(event) => {
            if (event.key === 'Enter') keep()
          }}
          aria-invalid={error ? true : undefined}
          aria-describedby={error ? `${id}-error` : undefined}
          className="numeral min-h-12 w-full min-w-0 border-[1.5px] border-soft bg-sheet px-2 text-center text-lg aria-invalid:border-stop"
        />
        <button
          type="button"
          aria-label={`${label}: more`}
          onClick={() => step(1)}
          className="grid w-12 shrink-0 place-items-center rounded-r-xl border-[1.5px] border-l-0 border-soft bg-sheet"
        >
          <Plus size={18} aria-hidden />
        </button>
      </div>
      {error ? (
        <p id={`${id}-error`} role="alert" className="mt-1 text-sm font-semibold text-stop">
          {error}
        </p>
      ) : null}
    </div>
  )
}
