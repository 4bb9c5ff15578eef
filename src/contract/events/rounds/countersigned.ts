import { exampleId } from '../example-ids'
import { episodeKind } from '../kind'

export interface CountersignedBody {
  /** Events of the stay and of its cases. */
  readonly events: readonly string[]
}

/** So many entries are signed at once. */
export const mostCountersigned = 500

/** A clinician has looked at what a trainee entered, and stands for it too. What they do not agree with they put right instead. */
export const countersigned = episodeKind<CountersignedBody>({
  nature: 'additive',
  right: 'decide',
  example: { events: [exampleId] },
})
