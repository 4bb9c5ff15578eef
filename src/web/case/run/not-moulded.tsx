import { hasStepRole } from '#core/model/step-role'
import { stepName } from '#core/runs/step-name'
import { outcomesOf, type RunRecord } from '#contract/records/run'
import type { OpenCase } from '../../sync/case-store'
import { usePlanOfRun } from '../plan/use-plan'

/** What of a run was not moulded when it set: each is left as it is where it lies right, and cut off where it does not. */
export function NotMoulded({ open, run }: { open: OpenCase; run: RunRecord }) {
  const plan = usePlanOfRun(open, run)
  const outcomes = outcomesOf(run)
  const left = plan.procedure.steps.filter((step) => hasStepRole(step, 'moulds') && outcomes.get(step.id) !== 'done')
  return (
    <p className="mb-3 text-[1.1rem] font-bold text-caution">
      {left.length === 0
        ? 'All was moulded before it set.'
        : `Not moulded: ${left.map((step) => stepName(step)).join('; ')}. Right as it lies: leave it. Wrong: cut it off and begin again.`}
    </p>
  )
}
