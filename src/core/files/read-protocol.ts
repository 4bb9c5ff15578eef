import type { Problem } from '../model/problem'
import { judgeProtocol } from '../protocols/judge-protocol'
import type { Protocol, RoundTables, StopRow, Stretch } from '../quantities/defaults'
import { createFieldReader, type FieldReader } from './field-reader'
import { fileSchemas, refuseOtherSchemas } from './file-schemas'

/** How a local protocol is written to a file. */
export interface ProtocolFile {
  readonly format: 'zesty-wren/protocol'
  readonly version: 1
  /** Of the version that wrote it. */
  readonly schemas: string
  readonly protocol: Protocol
}

/** A protocol as a file. */
export function protocolFile(protocol: Protocol): ProtocolFile {
  return { format: 'zesty-wren/protocol', version: 1, ...fileSchemas, protocol }
}

/**
 * Reads a protocol file of unknown shape.
 * @returns the protocol with what could be read, null when the file is none; and everything that is wrong, its figures judged too
 */
export function readProtocol(data: unknown): { readonly protocol: Protocol | null; readonly problems: readonly Problem[] } {
  const problems: Problem[] = []
  const file = createFieldReader(data, '', problems)
  const own = file?.raw('format') === 'zesty-wren/protocol' && file.raw('version') === 1 ? file.object('protocol') : null
  if (!file || !own) {
    const message = 'This is no protocol file: it must say "format": "zesty-wren/protocol", "version": 1 and hold a protocol.'
    return { protocol: null, problems: [...problems, { code: 'format', path: '', message }] }
  }
  const other = refuseOtherSchemas(file.raw('schemas'))
  if (other !== null) return { protocol: null, problems: [{ code: 'format', path: 'schemas', message: other }] }
  file.warnUnknown(['format', 'version', 'schemas', 'protocol'], 'a protocol file')
  own.warnUnknown(['name', 'version', 'numbers', 'options', 'stopTables', 'rounds'], 'a protocol')
  const rounds = readRounds(own.object('rounds'))
  const tables = readTables(own.object('stopTables'))
  const protocol: Protocol = {
    name: own.text('name') ?? 'from a file',
    version: own.number('version', { least: 0, whole: true }) ?? 0,
    numbers: readNumbers(own.object('numbers')),
    options: readOptions(own.object('options')),
    ...(tables ? { stopTables: tables } : {}),
    ...(rounds ? { rounds } : {}),
  }
  return { protocol, problems: problems.length > 0 ? problems : judgeProtocol(protocol) }
}

function readNumbers(from: FieldReader | null): Readonly<Record<string, number>> {
  const keys = Object.keys(from?.record() ?? {})
  return Object.fromEntries(
    keys.flatMap((key) => {
      const value = from?.number(key)
      return value === undefined ? [] : [[key, value]]
    }),
  )
}

function readOptions(from: FieldReader | null): Readonly<Record<string, string>> {
  const keys = Object.keys(from?.record() ?? {})
  return Object.fromEntries(
    keys.flatMap((key) => {
      const value = from?.text(key)
      return value === undefined ? [] : [[key, value]]
    }),
  )
}

function readRounds(from: FieldReader | null): RoundTables | null {
  if (!from) return null
  from.warnUnknown(['usual', 'atRisk', 'shifts'], 'the rounds of a protocol')
  const table = (field: 'usual' | 'atRisk'): { readonly [field]?: readonly Stretch[] } =>
    from.raw(field) === undefined
      ? {}
      : {
          [field]: from.objects(field).map((row) => ({
            everyMin: required(row, 'everyMin'),
            times: required(row, 'times'),
          })),
        }
  const shifts = from.list('shifts').flatMap((one) => (typeof one === 'string' ? [one] : []))
  return { ...table('usual'), ...table('atRisk'), ...(from.raw('shifts') === undefined ? {} : { shifts }) }
}

function readTables(from: FieldReader | null): Readonly<Record<string, readonly StopRow[]>> | null {
  if (!from) return null
  return Object.fromEntries(
    Object.keys(from.record()).map((name) => [
      name,
      from.objects(name).map((row) => ({
        fromWeek: required(row, 'fromWeek'),
        extensionStopDeg: required(row, 'extensionStopDeg'),
        flexionStopDeg: required(row, 'flexionStopDeg'),
        lock: row.text('lock') ?? 'open',
      })),
    ]),
  )
}

function required(from: FieldReader, field: string): number {
  const value = from.number(field)
  if (value === undefined && from.raw(field) === undefined) from.report(field, `${field} is missing: write a number.`, 'missing')
  return value ?? Number.NaN
}
