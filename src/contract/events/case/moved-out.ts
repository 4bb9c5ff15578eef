import type { CaseRecord } from '../../records/case'
import { exampleId } from '../example-ids'
import { caseKind } from '../kind'
import { withoutReading } from '../without-reading'

export interface MovedOutBody {
  readonly key: string
  readonly toCase: string
  readonly reason: string
}

/** A wrongly filed reading leaves this case for another; the reason stays in the stream. */
export const movedOut = caseKind<MovedOutBody>({
  nature: 'replacing',
  right: 'move',
  names: ({ toCase }) => [toCase],
  mayFollowEnd: true,
  mayFollowRemoval: true,
  bearsOnPlan: true,
  fold: (record, { body }): CaseRecord => withoutReading(record, body.key),
  example: { key: exampleId, toCase: exampleId, reason: 'typed into the wrong case' },
})
