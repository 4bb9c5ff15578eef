import { placeKind } from '../kind'

export interface StockImportedBody {
  /** Rows that were taken. */
  readonly rows: number
  /** Of the file, so that it can be told which one it was. */
  readonly sha256: string
}

/** The stock of a place was set from a file. */
export const stockImported = placeKind<StockImportedBody>({
  nature: 'additive',
  right: 'server',
  example: { rows: 12, sha256: '9f86d081884c7d659a2feaa0c55ad015a3bf4f1b2b0b822cd15d6c15b0f00a08' },
})
