import type { PlaceKind } from '../../records/store'
import { placeKind } from '../kind'

export interface PlaceOpenedBody {
  readonly name: string
  readonly kind: PlaceKind
}

/** A place that keeps stock. */
export const placeOpened = placeKind<PlaceOpenedBody>({
  nature: 'opening',
  right: 'manage-protocols',
  example: { name: 'Sluice cupboard', kind: 'ward' },
})
