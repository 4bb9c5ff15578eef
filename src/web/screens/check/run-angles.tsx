import type { Plan } from '#core/model/plan'
import { stepName } from '#core/runs/step-name'
import { isOpeningRun } from '#contract/views/opening-run'
import { AngleWork } from '../../case/angle-work'
import type { OpenCase } from '../../sync/case-store'

/** Angles that the device was to hold, read again now that it is on: goniometer, photo or typed, beside their target. */
export function RunAngles({ open, plan }: { open: OpenCase; plan: Plan }) {
  const run = open.record.runs.findLast((one) => !isOpeningRun(one))
  const steps = plan.procedure.steps.filter((step) => step.angles?.length)
  if (!run || steps.length === 0) return null
  return (
    <section aria-labelledby="angles" className="grid gap-3">
      <h2 id="angles" className="text-lg font-bold">
        Angles
      </h2>
      {steps.map((step) => (
        <div key={step.id} className="grid gap-1">
          {steps.length > 1 ? <h3 className="font-semibold">{stepName(step)}</h3> : null}
          <AngleWork run={run} step={step} angles={step.angles ?? []} />
        </div>
      ))}
    </section>
  )
}
