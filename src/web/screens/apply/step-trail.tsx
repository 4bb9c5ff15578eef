import { Droplet } from 'lucide-react'
import type { Step } from '#core/plan/plan'
import type { StepOutcome } from '#contract/run-record'

/** All steps in short, with where the run stands. */
export function StepTrail({
  steps,
  outcomes,
  current,
}: {
  steps: readonly Step[]
  outcomes: ReadonlyMap<string, StepOutcome>
  current: string | null
}) {
  return (
    <ol aria-label="All steps" className="columns-2 gap-4 text-[0.92rem] max-lg:hidden">
      {steps.map((step, index) => {
        const outcome = outcomes.get(step.id)
        return (
          <li
            key={step.id}
            aria-current={step.id === current ? 'step' : undefined}
            className={`flex gap-2.5 rounded-lg px-2 py-1 ${step.id === current ? 'bg-citrus font-bold text-on-citrus' : outcome ? 'text-soft' : ''}`}
          >
            <span className="numeral w-6 shrink-0 text-right">{outcome === 'done' ? '✓' : outcome === 'skipped' ? '–' : index + 1}</span>
            <span className="min-w-0 truncate">
              {step.id.replaceAll('-', ' ')}
              {step.wet ? <Droplet size={13} aria-label="while wet" className="ml-1 inline opacity-70" /> : null}
              {outcome === 'skipped' ? ' (skipped)' : ''}
            </span>
          </li>
        )
      })}
    </ol>
  )
}
