import type { CaseRecord } from '../../records/case'
import { exampleId } from '../example-ids'
import { caseKind } from '../kind'
import { withoutReading } from '../without-reading'

export interface ReadingWithdrawnBody {
  readonly key: string
}

/** A reading is taken back. */
export const readingWithdrawn = caseKind<ReadingWithdrawnBody>({
  nature: 'additive',
  right: 'add',
  mayFollowEnd: true,
  mayFollowRemoval: true,
  bearsOnPlan: true,
  fold: (record, { body }): CaseRecord => withoutReading(record, body.key),
  example: { key: exampleId },
})
