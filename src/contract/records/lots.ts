/** What somebody said of the lots of one thing that was used. */
export interface LotsBody {
  /** What was used, by its id among `usedItems`. */
  readonly item: string
  /** Lot numbers as they are printed on it; empty where nobody knows them. */
  readonly lots: readonly string[]
}
