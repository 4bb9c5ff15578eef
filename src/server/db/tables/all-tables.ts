import { peopleTables } from './people'
import { practiceTables } from './practice'
import { recordTables } from './record'
import { storeTables } from './store'

/** Every table by its name, with its columns and keys as SQL; each has a primary key, since a cluster tells rows apart by it. */
export const allTables: Readonly<Record<string, string>> = { ...peopleTables, ...recordTables, ...storeTables, ...practiceTables }
