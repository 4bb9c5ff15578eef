/** Where a constant comes from; `model` is our engineering estimate and is shown as "estimate". */
export type SourceKind = 'anatomy' | 'physics' | 'practice' | 'model'

export interface DefaultValue {
  readonly value: number
  readonly unit: string
  readonly source: SourceKind
  readonly note?: string
  /** What it is called where its name does not say it. */
  readonly label?: string
  /** What a local protocol may set; a quarter of to four times the built-in where it is left out. */
  readonly least?: number
  readonly greatest?: number
  /** Its guard: two leads sign before a local figure goes beyond the built-in on this side, or leaves it at all. */
  readonly guard?: 'never-more' | 'never-less' | 'as-shipped'
}

export interface DefaultGroup<K extends string = string> {
  readonly group: string
  readonly values: Readonly<Record<K, DefaultValue>>
}

/** One row of a local table of brace stops: what holds from a week on. */
export interface StopRow {
  readonly fromWeek: number
  readonly extensionStopDeg: number
  readonly flexionStopDeg: number
  readonly lock: string
}

/** Rounds at one interval, so many times. */
export interface Stretch {
  readonly everyMin: number
  readonly times: number
}

/** When rounds fall due from the application on; what is left out is as shipped. */
export interface RoundTables {
  readonly usual?: readonly Stretch[]
  readonly atRisk?: readonly Stretch[]
  /** When shifts change, local clock `07:30`: rounds go on at these after the list. */
  readonly shifts?: readonly string[]
}

/** A local protocol: figures that replace built-in defaults, keyed `<group>.<name>`, and option defaults. */
export interface Protocol {
  readonly name: string
  readonly version: number
  readonly numbers: Readonly<Record<string, number>>
  /** Default option values by `<technique>/<option>`. */
  readonly options: Readonly<Record<string, string | number>>
  /** Local tables of brace stops by name. */
  readonly stopTables?: Readonly<Record<string, readonly StopRow[]>>
  readonly rounds?: RoundTables
}

/** The shipped protocol: every built-in default as it stands. */
export const defaultProtocol: Protocol = { name: 'default', version: 1, numbers: {}, options: {} }

/** Declares a named group of default constants. */
export function defineDefaults<K extends string>(group: string, values: Record<K, DefaultValue>): DefaultGroup<K> {
  return { group, values }
}

/** What was read of each protocol: a plan asks for the same constants dozens of times. */
const readings = new WeakMap<Protocol, Map<DefaultGroup, Readonly<Record<string, number>>>>()

/**
 * Reads a group of defaults through a protocol: the local figure where there is one, else the built-in.
 * A protocol is read once: another figure is another protocol object.
 * @returns plain numbers by name, in the unit that the group declares
 */
export function readDefaults<K extends string>(defaults: DefaultGroup<K>, protocol: Protocol): Record<K, number> {
  const byGroup = readings.get(protocol) ?? new Map<DefaultGroup, Readonly<Record<string, number>>>()
  readings.set(protocol, byGroup)
  const known = byGroup.get(defaults)
  if (known) return known as Record<K, number>
  const numbers = {} as Record<K, number>
  for (const name in defaults.values) {
    const local = protocol.numbers[`${defaults.group}.${name}`]
    numbers[name] = local ?? defaults.values[name].value
  }
  byGroup.set(defaults, Object.freeze(numbers))
  return numbers
}
