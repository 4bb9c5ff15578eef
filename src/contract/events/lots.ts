import { caseKind } from './kind'

export interface LotsBody {
  /** What was used, by its id among `usedItems`. */
  readonly item: string
  /** Lot numbers as they are printed on it; empty where nobody knows them. */
  readonly lots: readonly string[]
}

/** Of which lots something was that was used on the patient; a later answer about the same item takes the place of this one. */
export const lots = caseKind<LotsBody>({
  nature: 'additive',
  right: 'add',
  fold: (record, { at, actorName: by, body }) => ({
    ...record,
    lots: [...(record.lots ?? []).filter((one) => one.item !== body.item), { ...body, at, by }],
  }),
  example: { item: 'slab', lots: ['TS-2231', 'TS-2232'] },
})
