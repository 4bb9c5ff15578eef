import { errorNumberOf } from './in-transaction'

/** MariaDB's numbers where there is no room: on the disk, in the table, for a file, in a log. */
const numbers = new Set([1021, 1114, 1030, 1026, 1041])

/** Whether a statement failed since the database has no room left. */
export function hasNoRoom(error: unknown): boolean {
  return numbers.has(errorNumberOf(error) ?? 0)
}
