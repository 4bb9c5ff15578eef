import type { CaseRecord } from '../../records/case'
import type { IncidentBody } from '../../records/incident'
import { caseKind } from '../kind'

/** Something went wrong that others have to know of: reported from the case, with the lot of the device. */
export const incident = caseKind<IncidentBody>({
  nature: 'additive',
  right: 'add',
  mayFollowEnd: true,
  mayFollowRemoval: true,
  fold: (record, { at, actorName: by, body }): CaseRecord => ({ ...record, incidents: [...(record.incidents ?? []), { ...body, at, by }] }),
  example: { what: 'Buckle of the second strap broke under pull; strap replaced', harm: 'none', lot: 'PT-0426' },
})
