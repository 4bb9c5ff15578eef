import { shippedRounds } from '../planner/schedule-rounds'
import { optionValues } from '../planner/technique'
import type { Protocol, StopRow, Stretch } from '../quantities/defaults'
import { techniques } from '../techniques/registry'
import { figureOf, protocolFigures } from './protocol-figures'

/** One thing that two protocols say differently, in words. */
export interface ProtocolChange {
  readonly what: string
  readonly before: string
  readonly after: string
}

/** What a protocol changes of another: figures, schools, round lists, tables of stops, in the order in which they are shown. */
export function compareProtocols(before: Protocol, after: Protocol): readonly ProtocolChange[] {
  return [...roundChanges(before, after), ...optionChanges(before, after), ...figureChanges(before, after), ...stopChanges(before, after)]
}

/** A list of rounds in words: 15 min × 4, 30 min × 4. */
export function stretchWords(table: readonly Stretch[]): string {
  return table.map(({ everyMin, times }) => `${everyMin} min × ${times}`).join(', ')
}

function change(what: string, before: string, after: string): readonly ProtocolChange[] {
  return before === after ? [] : [{ what, before, after }]
}

function roundChanges(before: Protocol, after: Protocol): readonly ProtocolChange[] {
  const [was, is] = [before, after].map((protocol) => ({ ...shippedRounds, ...protocol.rounds }))
  if (!was || !is) return []
  return [
    ...change('Rounds', stretchWords(was.usual), stretchWords(is.usual)),
    ...change('Rounds at risk', stretchWords(was.atRisk), stretchWords(is.atRisk)),
    ...change('Shifts change at', was.shifts.join(', '), is.shifts.join(', ')),
  ]
}

function optionChanges(before: Protocol, after: Protocol): readonly ProtocolChange[] {
  return techniques.flatMap((technique) =>
    technique.options.flatMap((option) => {
      const key = `${technique.id}/${option.id}`
      const words = (protocol: Protocol): string => {
        const value = protocol.options[key]
        return optionValues(option, protocol).find((optionValue) => optionValue.id === value)?.label ?? 'as shipped'
      }
      return change(`${technique.name}, ${option.label}`, words(before), words(after))
    }),
  )
}

function figureChanges(before: Protocol, after: Protocol): readonly ProtocolChange[] {
  return protocolFigures.flatMap(({ key, group, label, unit }) =>
    change(`${group}, ${label}`, `${figureOf(key, before)} ${unit}`, `${figureOf(key, after)} ${unit}`),
  )
}

function stopChanges(before: Protocol, after: Protocol): readonly ProtocolChange[] {
  const names = [...new Set([before, after].flatMap((protocol) => Object.keys(protocol.stopTables ?? {})))]
  return names.flatMap((name) => change(`Brace stops, ${name}`, stopWords(before.stopTables?.[name]), stopWords(after.stopTables?.[name])))
}

function stopWords(rows: readonly StopRow[] | undefined): string {
  if (!rows) return 'none'
  return rows.map((row) => `from week ${row.fromWeek}: ${row.extensionStopDeg}° to ${row.flexionStopDeg}°, lock ${row.lock}`).join('; ')
}
