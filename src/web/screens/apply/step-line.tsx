import { Maximize2, Minimize2 } from 'lucide-react'
import type { Caution } from '#core/model/plan'
import { saidLines } from '#core/runs/said-lines'
import type { Step } from '#core/model/step'
import { useSearchParams } from 'react-router'
import { StepHeadline } from './step-headline'
import { StepLines } from '../../parts/step-lines'
import { ToneShape } from '../../parts/tone-shape'

/** Whether steps are shown as one line, for a screen on the wall that everybody reads; it stands in the address. */
export function useStepLine(): { readonly isLine: boolean; readonly toggle: () => void } {
  const [search, setSearch] = useSearchParams()
  const isLine = search.get('line') === '1'
  const toggle = (): void => {
    const next = new URLSearchParams(search)
    if (isLine) next.delete('line')
    else next.set('line', '1')
    setSearch(next, { replace: true, preventScrollReset: true })
  }
  return { isLine, toggle }
}

/**
 * The way from the whole step to its line and back.
 */
export function LineSwitch({ isLine, onToggle }: { isLine: boolean; onToggle: () => void }) {
  return (
    <button
      type="button"
      aria-pressed={isLine}
      title="One line"
      onClick={onToggle}
      className={`inline-flex min-h-11 items-center gap-2 rounded-xl px-3 font-semibold max-sm:hidden ${isLine ? 'bg-ink text-paper' : 'border border-line'}`}
    >
      {isLine ? <Maximize2 size={20} aria-hidden /> : <Minimize2 size={20} aria-hidden />}
      One line
    </button>
  )
}

/** A step to be read from across the room: its words, and what is to be minded, without its why. */
export function StepLine({ step, number, of, cautions }: { step: Step; number: number; of: number; cautions: readonly Caution[] }) {
  return (
    <div className="grid gap-4 py-2">
      <p className="numeral text-soft">
        Step {number} of {of}
      </p>
      <StepHeadline
        text={step.items ? step.text : saidLines(step).headline}
        number={number}
        of={of}
        className="text-[2.2rem] leading-tight text-balance xl:text-[2.8rem]"
      />
      <StepLines step={step} className="text-[1.5rem]" />
      {cautions.length > 0 ? (
        <ul className="grid gap-2">
          {cautions.map((caution) => (
            <li key={caution.code} className="flex items-start gap-3 text-xl leading-snug font-semibold">
              <span className="mt-1">
                <ToneShape tone={caution.level} size={20} />
              </span>
              {caution.text}
            </li>
          ))}
        </ul>
      ) : null}
    </div>
  )
}
