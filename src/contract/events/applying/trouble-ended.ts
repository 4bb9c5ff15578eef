import type { CaseRecord } from '../../records/case'
import type { RunRecord } from '../../records/run'
import { exampleId } from '../example-ids'
import { caseKind } from '../kind'

export interface TroubleEndedBody {
  /** The trouble as it was recorded: the id of its event. */
  readonly troubleEvent: string
  /** What became of it. */
  readonly word: string
  /** It was pressed by mistake and taken back within seconds: nothing went wrong. */
  readonly isSlip?: true
}

/** What a trouble ended goes on where it was pressed by mistake. */
function withClocksOf(run: RunRecord, troubleEvent: string): RunRecord {
  if (!run.timers.some((timer) => timer.endedFor === troubleEvent)) return run
  return {
    ...run,
    timers: run.timers.map((timer) => {
      const { endedAt: _, endedFor, ...going } = timer
      return endedFor === troubleEvent ? going : timer
    }),
  }
}

/** A trouble that no round looks at is over: a person says so. */
export const troubleEnded = caseKind<TroubleEndedBody>({
  nature: 'additive',
  right: 'add',
  mayFollowRemoval: true,
  fold: (record, { at, actorName: by, body }): CaseRecord => ({
    ...record,
    runs: body.isSlip ? record.runs.map((run) => withClocksOf(run, body.troubleEvent)) : record.runs,
    troubles: (record.troubles ?? []).map((trouble) =>
      trouble.id === body.troubleEvent && !trouble.ended
        ? { ...trouble, ended: { at, by, word: body.word, ...(body.isSlip ? { isSlip: body.isSlip } : {}) } }
        : trouble,
    ),
  }),
  example: { troubleEvent: exampleId, word: 'the hold was taken again, circulation as before' },
})
