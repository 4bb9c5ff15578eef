import { episodeKind } from './kind'

export interface PlaceBody {
  readonly place: string
}

/** Where the patient is. */
export const place = episodeKind<PlaceBody>({
  nature: 'replacing',
  right: 'add',
  fold: (record, { body }) => ({ ...record, place: body.place }),
  example: { place: 'Ward A, bed 2' },
})
