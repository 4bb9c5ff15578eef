import { usePlanOfRun } from '../case/use-plan'
import type { OpenCase } from '../sync/case-store'
import { currentStep } from '../case/run-state'
import { TroubleButton } from '../case/trouble-button'

/** What stays in sight of the case in hand through the lock. */
export function LockedStep({ open }: { open: OpenCase }) {
  const run = open.record.runs.at(-1)
  const plan = usePlanOfRun(open, run)
  const step = run && (!open.record.appliedAt || run.technique) ? currentStep(plan.procedure.steps, run) : null
  return (
    <div className="grid gap-4">
      {step ? <p className="text-[1.5rem] leading-snug font-semibold text-balance">{step.text}</p> : null}
      <div>
        <TroubleButton open={open} isThroughLock />
      </div>
    </div>
  )
}
