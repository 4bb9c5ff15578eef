import type { CaseRecord } from '../../records/case'
import type { Measurement } from '#core/model/clinical-case'
import { exampleId } from '../example-ids'
import { caseKind } from '../kind'

export interface MovedInBody {
  readonly key: string
  readonly fromCase: string
  readonly reason: string
  /** As it was taken there; added by the server. */
  readonly measurement?: Measurement
}

/** A reading that was filed in another case: it is named here, and the server copies it from there. */
export const movedIn = caseKind<MovedInBody>({
  nature: 'additive',
  right: 'move',
  names: ({ fromCase }) => [fromCase],
  copiesFrom: ({ fromCase }) => [fromCase],
  mayFollowEnd: true,
  mayFollowRemoval: true,
  isCompletedByServer: true,
  asSent: ({ measurement: _, ...sent }) => sent,
  bearsOnPlan: true,
  fold: (record, { id, body: { measurement } }): CaseRecord =>
    measurement ? { ...record, measurements: [...record.measurements, { ...measurement, key: id }] } : record,
  example: { key: exampleId, fromCase: exampleId, reason: 'typed into the wrong case' },
})
