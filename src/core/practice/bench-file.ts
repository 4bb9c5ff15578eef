import { fileSchemas, refuseOtherSchemas } from '../files/file-schemas'
import { allControls, type Bench, type BenchState } from './bench'
import { readState, type ReadState } from './read-state'

const format = 'zesty-wren/bench'

/** A bench as it stands, as a file: every control, so that it is read alike where another thing is usual. Practice, and says so. */
export function writeBenchFile(bench: Bench, state: BenchState): object {
  return {
    format,
    version: 1,
    ...fileSchemas,
    practice: true,
    bench: bench.id,
    state: Object.fromEntries(allControls(bench).map((control) => [control.id, state[control.id] ?? control.usual])),
  }
}

/**
 * Reads a bench file.
 * @returns the state with what could not be used, or why it is no file of this bench
 */
export function readBenchFile(bench: Bench, file: unknown): ReadState | { readonly refusal: string } {
  if (typeof file !== 'object' || file === null || Array.isArray(file)) return { refusal: 'The file is no bench file: it holds no fields.' }
  const { format: said, schemas, bench: id, state } = file as Record<string, unknown>
  if (said !== format) return { refusal: `The file is no bench file: its format has to be ${format}.` }
  const other = refuseOtherSchemas(schemas)
  if (other !== null) return { refusal: other }
  if (id !== bench.id) return { refusal: `The file belongs to another bench: open it there.` }
  if (typeof state !== 'object' || state === null || Array.isArray(state))
    return { refusal: 'The file has no state: export it again from its bench.' }
  return readState(bench, Object.entries(state))
}
