import type { Plan } from '#core/model/plan'
import { countingRuns, isOpeningRun } from '#contract/records/run-kind'
import { AngleWork } from '../../case/readings/angle-work'
import type { OpenCase } from '../../sync/case-store'

/** Angles that the device was last to hold, read again now that it is on: goniometer, photo or typed, beside their target. */
export function RunAngles({ open, plan }: { open: OpenCase; plan: Plan }) {
  const run = countingRuns(open.record).findLast((countingRun) => !isOpeningRun(countingRun))
  // Earlier steps hold the same angles: asked twice, one press of the goniometer would be kept twice.
  const step = plan.procedure.steps.findLast((one) => one.angles?.length)
  if (!run || !step?.angles) return null
  return (
    <section aria-labelledby="angles" className="grid gap-3">
      <h2 id="angles" className="text-lg font-bold">
        Angles
      </h2>
      <AngleWork run={run} step={step} angles={step.angles} />
    </section>
  )
}
