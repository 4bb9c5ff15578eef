import type { TakenOffBody } from '#contract/events/side/taken-off'
import { kindOfRun } from '#contract/records/run-kind'
import { refuse } from '../refuse'
import type { CaseRules } from '../rules'

export const rules: CaseRules<TakenOffBody> = {
  check({ body }, record) {
    const run = record.runs.find(({ id }) => id === body.runId)
    if (run && kindOfRun(run) === 'taking-off') return
    refuse('format', 'body/runId', 'There is no run of this case that takes it off: begin one first.')
  },
}
