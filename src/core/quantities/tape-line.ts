/** One line of the digital tape's protocol, read. */
export type TapeLine =
  | { readonly kind: 'hello'; readonly version: number; readonly name: string }
  /** A reading in cm, and whether the tape lies still. */
  | { readonly kind: 'reading'; readonly cm: number; readonly isSteady: boolean }
  /** The button was pressed: this reading is meant. */
  | { readonly kind: 'hold'; readonly cm: number }
  | { readonly kind: 'battery'; readonly percent: number }
  | { readonly kind: 'garbage'; readonly line: string }

/** Longest reading that the tape can give, cm. */
export const tapeReachCm = 150

/**
 * Reads one line of the tape's protocol (docs/formats/tape-protocol.md): `TAPE 1 name`, `R 37.2 S`, `R 37.2 U`, `H 37.2`,
 * `B 80`. Anything else is garbage and changes nothing.
 */
export function parseTapeLine(line: string): TapeLine {
  const garbage: TapeLine = { kind: 'garbage', line: line.slice(0, 80) }
  const [word, first, ...rest] = line.trim().split(/\s+/)
  const figure = first !== undefined && /^\d{1,3}(\.\d{1,2})?$/.test(first) ? Number(first) : null
  switch (word) {
    case 'TAPE':
      return figure === 1 ? { kind: 'hello', version: 1, name: rest.join(' ').slice(0, 40) || 'tape' } : garbage
    case 'R': {
      const [state] = rest
      if (figure === null || figure > tapeReachCm || (state !== 'S' && state !== 'U')) return garbage
      return { kind: 'reading', cm: figure, isSteady: state === 'S' }
    }
    case 'H':
      return figure === null || figure > tapeReachCm ? garbage : { kind: 'hold', cm: figure }
    case 'B':
      return figure === null || figure > 100 ? garbage : { kind: 'battery', percent: figure }
    default:
      return garbage
  }
}
