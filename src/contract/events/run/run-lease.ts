import type { CaseRecord } from '../../records/case'
import { exampleRunId } from '../example-ids'
import { changeRun } from '../in-run'
import { caseKind } from '../kind'

export interface RunLeaseBody {
  readonly runId: string
  readonly device: string
}

/** Who drives a run, on which device. */
export const runLease = caseKind<RunLeaseBody>({
  nature: 'additive',
  right: 'add',
  isOfNoPatient: true,
  fold: (record, { at, actorName: by, body: { runId, device } }): CaseRecord =>
    // The later one drives, also when an earlier one comes late from a device that was offline.
    changeRun(record, runId, (run) =>
      run.driver && Date.parse(run.driver.at) > Date.parse(at) ? run : { ...run, driver: { device, by, at } },
    ),
  example: { runId: exampleRunId, device: 'wren-tab-1' },
})
