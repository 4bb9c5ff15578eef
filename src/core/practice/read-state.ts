import { allControls, onStep, type Bench, type BenchControl, type BenchState } from './bench'

export interface ReadState {
  readonly state: BenchState
  /** What could not be used, each with its field, reason and what stands instead. */
  readonly problems: readonly string[]
}

/**
 * Reads what stands in an address or a file, control by control: what cannot be used is named and stands as usual; nothing is thrown.
 * @param entries ids with their text or value; others than this bench's are named too
 */
export function readState(bench: Bench, entries: Iterable<readonly [string, unknown]>): ReadState {
  const controls = new Map(allControls(bench).map((control) => [control.id, control]))
  const problems: string[] = []
  const found: Record<string, number | string> = {}
  for (const [id, value] of entries) {
    const control = controls.get(id)
    if (!control) {
      problems.push(`${short(id)} is no control of this bench: it is left out.`)
      continue
    }
    const read = readValue(control, value)
    if (read.value === null) problems.push(read.problem)
    else found[id] = read.value
  }
  return { state: { ...Object.fromEntries([...controls.values()].map((control) => [control.id, control.usual])), ...found }, problems }
}

type ReadValue = { readonly value: number | string } | { readonly value: null; readonly problem: string }

function readValue(control: BenchControl, value: unknown): ReadValue {
  if (control.kind === 'choice') {
    if (control.choices.some((choice) => choice.id === value)) return { value: String(value) }
    const words = control.choices.map((choice) => choice.label).join(', ')
    const usual = control.choices.find((choice) => choice.id === control.usual)?.label ?? control.usual
    return { value: null, problem: `${control.label} cannot be “${short(value)}”: it is one of ${words}; ${usual} stands instead.` }
  }
  const { label, unit, least, greatest, usual } = control
  const figure = typeof value === 'number' ? value : typeof value === 'string' && value.trim() !== '' ? Number(value) : Number.NaN
  if (Number.isFinite(figure) && figure >= least && figure <= greatest) return { value: onStep(control, figure) }
  const shown = Number.isFinite(figure) ? String(figure) : short(value)
  return {
    value: null,
    problem: `${label} cannot be “${shown}”: it is ${least} to ${greatest} ${unit}; ${usual} stands instead.`.replace(' ;', ';'),
  }
}

/** A piece of what was found, never more than a line of it. */
function short(value: unknown): string {
  const text = typeof value === 'string' ? value : (JSON.stringify(value) ?? 'nothing')
  return text.length > 40 ? `${text.slice(0, 39)}…` : text
}

/** What differs from the usual, for an address: short, and the same for the same state. */
export function writeState(bench: Bench, state: BenchState): readonly (readonly [string, string])[] {
  return allControls(bench)
    .filter((control) => state[control.id] !== undefined && state[control.id] !== control.usual)
    .map((control) => [control.id, String(state[control.id])] as const)
}
