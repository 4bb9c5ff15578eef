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

/** A trouble that no round looks at is over: a person says so. */
export const troubleEnded = caseKind<TroubleEndedBody>({
  nature: 'additive',
  right: 'add',
  mayFollowRemoval: true,
  fold: (record, { at, actorName: by, body }) => ({
    ...record,
    troubles: (record.troubles ?? []).map((trouble) =>
      trouble.id === body.troubleEvent && !trouble.ended
        ? { ...trouble, ended: { at, by, word: body.word, ...(body.isSlip ? { isSlip: body.isSlip } : {}) } }
        : trouble,
    ),
  }),
  example: { troubleEvent: exampleId, word: 'the hold was taken again, circulation as before' },
})
