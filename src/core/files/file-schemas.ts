import { caseSchemaHash } from './case-schema-hash'

/** What every file says of the version that wrote it. */
export const fileSchemas = { schemas: caseSchemaHash } as const

/**
 * Why a file is not read that another version before 1.0 wrote: its fields may mean something else here.
 * @param said what stands under `schemas` in it; a file that was written by hand says nothing, and is read field by field
 * @returns null where it is read
 */
export function refuseOtherSchemas(said: unknown): string | null {
  if (said === undefined || said === caseSchemaHash) return null
  return 'This file was saved by another version of Zesty Wren. Before version 1.0 none is read by another: open it in the version that saved it, and enter it anew here.'
}
