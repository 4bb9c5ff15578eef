import type { Problem } from '#core/model/problem'
import { judgeProtocol } from '#core/protocols/judge-protocol'
import { shippedRounds } from '#core/planner/schedule-rounds'
import type { Protocol, RoundTables, Stretch } from '#core/quantities/defaults'
import { protocolName } from '#contract/records/protocol'

/** One row of a list of rounds, as it is typed. */
export interface StretchRow {
  readonly everyMin: string
  readonly times: string
}

/** One row of a table of brace stops, as it is typed. */
export interface StopsRow {
  readonly fromWeek: string
  readonly extensionStopDeg: string
  readonly flexionStopDeg: string
  readonly lock: string
}

/** A protocol as it is typed: what is left out is as shipped, and nothing typed is lost for not being a number yet. */
export interface ProtocolForm {
  /** The protocol that was in force when it was begun. */
  readonly basedOn: string
  readonly note: string
  readonly numbers: Readonly<Record<string, string>>
  readonly options: Readonly<Record<string, string>>
  readonly usual: readonly StretchRow[]
  readonly atRisk: readonly StretchRow[]
  readonly shifts: string
  readonly stops: readonly { readonly name: string; readonly rows: readonly StopsRow[] }[]
}

/**
 * A protocol as it is shown in its fields.
 * @param inForce what it will be compared with
 */
export function formOf(protocol: Protocol, note: string, inForce: Protocol): ProtocolForm {
  const { usual, atRisk, shifts } = { ...shippedRounds, ...protocol.rounds }
  const rows = (table: readonly Stretch[]): readonly StretchRow[] =>
    table.map((one) => ({ everyMin: String(one.everyMin), times: String(one.times) }))
  const words = (from: Readonly<Record<string, string | number>>): Readonly<Record<string, string>> =>
    Object.fromEntries(Object.entries(from).map(([key, value]) => [key, String(value)]))
  return {
    note,
    basedOn: protocolName(inForce),
    numbers: words(protocol.numbers),
    options: words(protocol.options),
    usual: rows(usual),
    atRisk: rows(atRisk),
    shifts: shifts.join(', '),
    stops: Object.entries(protocol.stopTables ?? {}).map(([name, table]) => ({
      name,
      rows: table.map((one) => ({
        fromWeek: String(one.fromWeek),
        extensionStopDeg: String(one.extensionStopDeg),
        flexionStopDeg: String(one.flexionStopDeg),
        lock: one.lock,
      })),
    })),
  }
}

/**
 * Reads what was typed.
 * @param based names and counts the protocol that it is based on
 * @returns the protocol, null while something is no number or stands twice; and everything that is wrong with it
 */
export function readForm(
  form: ProtocolForm,
  based: Pick<Protocol, 'name' | 'version'>,
): { readonly protocol: Protocol | null; readonly problems: readonly Problem[] } {
  const problems: Problem[] = []
  const number = (typed: string, path: string, what: string): number => {
    const value = typed.trim() === '' ? Number.NaN : Number(typed.replace(',', '.').replace('−', '-'))
    if (!Number.isFinite(value)) problems.push({ code: 'format', path, message: `${what}: "${typed}" is no number.` })
    return value
  }
  const numbers = Object.fromEntries(
    Object.entries(form.numbers).flatMap(([key, typed]) => (typed.trim() === '' ? [] : [[key, number(typed, `numbers/${key}`, 'Figure')]])),
  )
  const table = (field: 'usual' | 'atRisk', name: string): readonly Stretch[] =>
    form[field].map(({ everyMin, times }, index) => {
      const path = `rounds/${field}/${index}`
      return { everyMin: number(everyMin, path, `${name}, row ${index + 1}`), times: number(times, path, `${name}, row ${index + 1}`) }
    })
  const rounds = changedRounds({
    usual: table('usual', 'The usual list'),
    atRisk: table('atRisk', 'The at-risk list'),
    shifts: form.shifts
      .split(/[,;]/)
      .map((one) => one.trim())
      .filter(Boolean),
  })
  const twice = form.stops.find((stop, index) => form.stops.findIndex((other) => other.name.trim() === stop.name.trim()) !== index)
  if (twice) problems.push({ code: 'format', path: 'stopTables', message: `Two tables are called "${twice.name.trim()}": rename one.` })
  const stopTables = Object.fromEntries(
    form.stops.map(({ name, rows }) => [
      name.trim(),
      rows.map((row, index) => {
        const [path, what] = [`stopTables/${name.trim()}/${index}`, `${name}, row ${index + 1}`]
        return {
          fromWeek: number(row.fromWeek, path, what),
          extensionStopDeg: number(row.extensionStopDeg, path, what),
          flexionStopDeg: number(row.flexionStopDeg, path, what),
          lock: row.lock.trim(),
        }
      }),
    ]),
  )
  if (problems.length > 0) return { protocol: null, problems }
  const protocol: Protocol = {
    name: based.name,
    version: based.version,
    numbers,
    options: Object.fromEntries(Object.entries(form.options).filter(([, value]) => value !== '')),
    ...(form.stops.length > 0 ? { stopTables } : {}),
    ...(Object.keys(rounds).length > 0 ? { rounds } : {}),
  }
  return { protocol, problems: judgeProtocol(protocol) }
}

/** Lists that are as shipped are left out, so that what ships later counts for them. */
function changedRounds(rounds: Required<RoundTables>): RoundTables {
  const isShipped = (field: keyof RoundTables): boolean => JSON.stringify(rounds[field]) === JSON.stringify(shippedRounds[field])
  return {
    ...(isShipped('usual') ? {} : { usual: rounds.usual }),
    ...(isShipped('atRisk') ? {} : { atRisk: rounds.atRisk }),
    ...(isShipped('shifts') ? {} : { shifts: rounds.shifts }),
  }
}
