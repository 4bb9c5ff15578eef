import { choiceAt, figureAt, type Bench, type BenchState, type RangeControl } from '#core/practice/bench'
import { withUnit } from './figure-words'
import { ChoiceRow } from '../../../parts/choice-row'

/** Everything that is turned on a bench, six at most. */
export function BenchControls({ bench, state, onChange }: { bench: Bench; state: BenchState; onChange: (change: BenchState) => void }) {
  return (
    <section aria-label="Controls" className="grid gap-x-6 gap-y-2 rounded-3xl border border-line bg-sheet px-4 py-3 sm:grid-cols-2">
      {bench.controls.map((control) =>
        control.kind === 'range' ? (
          <RangeSlider
            key={control.id}
            control={control}
            value={figureAt(state, control)}
            onChange={(value) => onChange({ [control.id]: value })}
          />
        ) : (
          <div key={control.id} className="sm:col-span-2">
            <ChoiceRow
              label={control.label}
              isSmall
              value={choiceAt(state, control)}
              choices={control.choices.map(({ id, label }) => ({ value: id, label }))}
              onChange={(value) => onChange({ [control.id]: value })}
            />
          </div>
        ),
      )}
    </section>
  )
}

/** A figure to turn: by thumb, by arrow keys, by page keys in larger steps. */
export function RangeSlider({ control, value, onChange }: { control: RangeControl; value: number; onChange: (value: number) => void }) {
  const { label, unit, least, greatest, step } = control
  const shown = `${value.toFixed(Number.isInteger(step) ? 0 : 1)}${withUnit(unit)}`
  return (
    <label className="grid gap-0.5">
      <span className="flex justify-between gap-3 text-sm font-semibold text-soft">
        {label}
        <span className="numeral whitespace-nowrap text-ink">{shown}</span>
      </span>
      <input
        type="range"
        min={least}
        max={greatest}
        step={step}
        value={value}
        aria-valuetext={shown}
        onChange={(event) => onChange(Number(event.target.value))}
        className="h-11 w-full accent-ink"
      />
    </label>
  )
}
