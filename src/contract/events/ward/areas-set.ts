import type { WardRecord } from '../../records/ward'
import type { Area } from '../../records/ward'
import { wardKind } from '../kind'

export interface AreasSetBody {
  readonly areas: readonly Area[]
}

/** The places there are: beds in areas. */
export const areasSet = wardKind<AreasSetBody>({
  nature: 'replacing',
  right: 'manage-protocols',
  fold: (record, { body }): WardRecord => ({ ...record, areas: body.areas }),
  example: { areas: [{ name: 'Ward A', beds: ['bed 1', 'bed 2'] }] },
})
