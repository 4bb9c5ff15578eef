import type { CaseRecord } from '../../records/case'
import type { LotsBody } from '../../records/lots'
import { caseKind } from '../kind'

/** Of which lots something was that was used on the patient; a later answer about the same item takes the place of this one. */
export const lots = caseKind<LotsBody>({
  nature: 'additive',
  right: 'add',
  mayFollowEnd: true,
  mayFollowRemoval: true,
  fold: (record, { at, actorName: by, body }): CaseRecord => ({
    ...record,
    lots: [...(record.lots ?? []).filter((lot) => lot.item !== body.item), { ...body, at, by }],
  }),
  example: { item: 'slab', lots: ['TS-2231', 'TS-2232'] },
})
