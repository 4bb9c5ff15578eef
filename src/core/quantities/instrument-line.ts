/** What a line device measures and within which range; its words are those of docs/formats/device-protocols.md. */
export interface Instrument {
  readonly hello: string
  readonly reading: string
  readonly unit: 'cm' | 'deg' | 'kg'
  readonly least: number
  readonly greatest: number
}

export const instruments = {
  tape: { hello: 'TAPE', reading: 'R', unit: 'cm', least: 0, greatest: 150 },
  goniometer: { hello: 'GONIO', reading: 'A', unit: 'deg', least: -180, greatest: 180 },
  scale: { hello: 'SCALE', reading: 'L', unit: 'kg', least: 0, greatest: 40 },
} as const satisfies Record<string, Instrument>
export type InstrumentId = keyof typeof instruments

/** One line of a device's protocol, read. */
export type InstrumentLine =
  | { readonly kind: 'hello'; readonly version: number; readonly name: string }
  /** A reading in the device's unit, and whether the device lies still. */
  | { readonly kind: 'reading'; readonly value: number; readonly isSteady: boolean }
  /** The button was pressed: this reading is meant. */
  | { readonly kind: 'hold'; readonly value: number }
  | { readonly kind: 'battery'; readonly percent: number }
  | { readonly kind: 'garbage'; readonly line: string }

/**
 * Reads one line of a device's protocol: `TAPE 1 name`, `R 37.2 S`, `R 37.2 U`, `H 37.2`, `B 80` for the tape, with the
 * words of the other devices in their place. Anything else is garbage and changes nothing.
 */
export function parseInstrumentLine(id: InstrumentId, line: string): InstrumentLine {
  const device: Instrument = instruments[id]
  const garbage: InstrumentLine = { kind: 'garbage', line: line.slice(0, 80) }
  const [word, first, ...rest] = line.trim().split(/\s+/)
  const figure = first !== undefined && /^-?\d{1,3}(\.\d{1,2})?$/.test(first) ? Number(first) : null
  const isInRange = figure !== null && figure >= device.least && figure <= device.greatest
  switch (word) {
    case device.hello:
      return figure === 1 ? { kind: 'hello', version: 1, name: rest.join(' ').slice(0, 40) || id } : garbage
    case device.reading: {
      const [state] = rest
      if (!isInRange || (state !== 'S' && state !== 'U')) return garbage
      return { kind: 'reading', value: figure, isSteady: state === 'S' }
    }
    case 'H':
      return isInRange ? { kind: 'hold', value: figure } : garbage
    case 'B':
      return figure === null || figure < 0 || figure > 100 ? garbage : { kind: 'battery', percent: figure }
    default:
      return garbage
  }
}
