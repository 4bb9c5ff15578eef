import { Droplet } from 'lucide-react'
import { memo } from 'react'
import { stepName } from '#core/runs/step-name'
import type { Step } from '#core/model/step'
import type { StepOutcome } from '#contract/records/run'

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
      {steps.map((step, index) => (
        <TrailItem
          key={step.id}
          id={step.id}
          number={index + 1}
          name={stepName(step)}
          isWet={step.wet}
          outcome={outcomes.get(step.id)}
          isCurrent={step.id === current}
          isOpen={open.has(step.id)}
          onChoose={onChoose}
        />
      ))}
    </ol>
  )
})

/** One step of the trail: a step change draws only those whose standing changed. */
const TrailItem = memo(function TrailItem({
  id,
  number,
  name,
  isWet,
  outcome,
  isCurrent,
  isOpen,
  onChoose,
}: {
  id: string
  number: number
  name: string
  isWet: boolean
  outcome: StepOutcome | undefined
  isCurrent: boolean
  isOpen: boolean
  onChoose: ((stepId: string) => void) | undefined
}) {
  return (
    <li aria-current={isCurrent ? 'step' : undefined} className="min-w-0">
      <button
        type="button"
        disabled={!onChoose || isCurrent}
        onClick={() => onChoose?.(id)}
        className={`flex min-h-9 w-full items-center gap-2.5 rounded-lg px-2 py-0.5 text-left pointer-coarse:min-h-11 ${isCurrent ? 'bg-citrus font-bold text-on-citrus' : outcome ? 'text-soft' : isOpen ? 'font-bold' : ''}`}
      >
        <span className="numeral w-6 shrink-0 text-right">{outcome === 'done' ? '✓' : outcome === 'skipped' ? '–' : number}</span>
        <span className="min-w-0 leading-tight">
          {name}
          {isWet ? <Droplet size={13} aria-label="while wet" className="ml-1 inline opacity-70" /> : null}
          {outcome === 'skipped' ? ' (skipped)' : ''}
          {!outcome && !isCurrent && isOpen ? <span className="sr-only"> (may be done now)</span> : null}
        </span>
      </button>
    </li>
  )
})
