import { Droplet } from 'lucide-react'
import { memo } from 'react'
import { stepName } from '#core/plan/step-name'
import type { Step } from '#core/plan/plan'
import type { StepOutcome } from '#contract/run-record'

/** All steps in short, with where the run stands and which may be done now; any one can be taken up. */
export const StepTrail = memo(function StepTrail({
  steps,
  outcomes,
  current,
  open,
  onChoose,
}: {
  steps: readonly Step[]
  outcomes: ReadonlyMap<string, StepOutcome>
  current: string | null
  /** Ids of steps that may be done now. */
  open: ReadonlySet<string>
  /** Absent while another screen drives. */
  onChoose?: ((stepId: string) => void) | undefined
}) {
  return (
    <ol
      aria-label="All steps"
      style={{ gridTemplateRows: `repeat(${Math.ceil(steps.length / 2)}, auto)` }}
      className="grid auto-cols-fr gap-x-4 text-[0.92rem] sm:grid-flow-col"
    >
      {steps.map((step, index) => {
        const outcome = outcomes.get(step.id)
        const isCurrent = step.id === current
        return (
          <li key={step.id} aria-current={isCurrent ? 'step' : undefined} className="min-w-0">
            <button
              type="button"
              disabled={!onChoose || isCurrent}
              onClick={() => onChoose?.(step.id)}
              className={`flex min-h-9 w-full items-center gap-2.5 rounded-lg px-2 py-0.5 text-left pointer-coarse:min-h-11 ${isCurrent ? 'bg-citrus font-bold text-on-citrus' : outcome ? 'text-soft' : open.has(step.id) ? 'font-bold' : ''}`}
            >
              <span className="numeral w-6 shrink-0 text-right">{outcome === 'done' ? '✓' : outcome === 'skipped' ? '–' : index + 1}</span>
              <span className="min-w-0 truncate">
                {stepName(step)}
                {step.wet ? <Droplet size={13} aria-label="while wet" className="ml-1 inline opacity-70" /> : null}
                {outcome === 'skipped' ? ' (skipped)' : ''}
                {!outcome && !isCurrent && open.has(step.id) ? <span className="sr-only"> (may be done now)</span> : null}
              </span>
            </button>
          </li>
        )
      })}
    </ol>
  )
})
