import { limits } from '../model/limits'
import type { Problem, ProblemCode } from '../model/problem'
import { tableMinutes } from '../planner/schedule-rounds'
import { optionValues } from '../planner/technique'
import type { Protocol, StopRow, Stretch } from '../quantities/defaults'
import { exampleProtocol, isLock } from '../techniques/hinged-knee-brace/stops'
import { techniques } from '../techniques/registry'
import { figureOf, findFigure } from './protocol-figures'

/** Constants of which each is less than the one after it. */
const ascending: readonly (readonly string[])[] = [
  ['rounds.graceLeastMin', 'rounds.graceMostMin'],
  ['bandage.cautionMmHg', 'bandage.stopMmHg'],
  ['bandage.arterialCautionMmHg', 'bandage.arterialStopMmHg'],
  ['ring.noteKPa', 'ring.cautionKPa', 'ring.stopKPa'],
  ['setting.coldC', 'setting.warmPlasterC', 'setting.hotC'],
  ['layers.lightKg', 'layers.heavyKg'],
  ['swelling.none', 'swelling.mild', 'swelling.moderate', 'swelling.marked'],
  ['room.singleCm', 'room.stripCm', 'room.halvesCm'],
  ['plausibility.lengthRefuseBelow', 'plausibility.lengthAskBelow', 'plausibility.lengthAskAbove', 'plausibility.lengthRefuseAbove'],
  ['plausibility.girthRefuseBelow', 'plausibility.girthAskBelow', 'plausibility.girthAskAbove', 'plausibility.girthRefuseAbove'],
  ['pull.nonAdhesiveMostKg', 'pull.skinMostKg', 'pull.fieldMostKg'],
]

const mostEveryMin = 720
/** A list of rounds covers the first hours at least: swelling is most then. */
const leastUsualMin = 240
const atRiskMin = 72 * 60
const mostBetweenShiftsMin = 720
const dayMin = 1440

/**
 * Everything that is wrong with a local protocol, each with where it stands and what to do; none where it can be put in force.
 * Guards that it goes beyond are told by `guardsLoosened`.
 */
export function judgeProtocol(protocol: Protocol): readonly Problem[] {
  return [...judgeNumbers(protocol), ...judgeOptions(protocol), ...judgeRounds(protocol), ...judgeStops(protocol)]
}

function problem(code: ProblemCode, path: string, message: string): Problem {
  return { code, path, message }
}

function judgeNumbers(protocol: Protocol): readonly Problem[] {
  const single = Object.entries(protocol.numbers).flatMap(([key, value]) => {
    const figure = findFigure(key)
    const path = `numbers/${key}`
    if (!figure) return problem('unknown-field', path, `There is no figure "${key}": take it out.`)
    const { group, label, unit, least, greatest, isWhole } = figure
    if (!(value >= least && value <= greatest))
      return problem('out-of-range', path, `${group}, ${label}: ${value} is not from ${least} to ${greatest} ${unit}.`)
    if (isWhole && !Number.isInteger(value))
      return problem('out-of-range', path, `${group}, ${label}: ${value} is not a whole number of ${unit}.`)
    return []
  })
  if (single.length > 0) return single
  return ascending.flatMap((keys) =>
    keys.slice(1).flatMap((key, index) => {
      const [lower, upper] = [findFigure(keys[index] ?? ''), findFigure(key)]
      const isSet = [keys[index] ?? '', key].some((one) => protocol.numbers[one] !== undefined)
      if (!lower || !upper || !isSet || figureOf(lower.key, protocol) < figureOf(upper.key, protocol)) return []
      const message = `${lower.group}, ${lower.label} (${figureOf(lower.key, protocol)}) must be less than ${upper.label} (${figureOf(upper.key, protocol)}): change one of them.`
      return problem('out-of-range', `numbers/${key}`, message)
    }),
  )
}

function judgeOptions(protocol: Protocol): readonly Problem[] {
  return Object.entries(protocol.options).flatMap(([key, value]) => {
    const path = `options/${key}`
    const [techniqueId, optionId] = key.split('/')
    const technique = techniques.find((one) => one.id === techniqueId)
    const option = technique?.options.find((one) => one.id === optionId)
    if (!technique || !option) return problem('unknown-option', path, `There is no option "${key}": take it out.`)
    if (option.figure) return problem('unknown-option', path, `${option.label} is ordered for each patient: take it out.`)
    const values = optionValues(option, protocol)
    if (values.some((one) => one.id === value)) return []
    const known = values.map((one) => one.id).join(', ')
    return problem('unknown-option', path, `${technique.name}, ${option.label} cannot be "${value}": use ${known}.`)
  })
}

function judgeRounds({ rounds = {} }: Protocol): readonly Problem[] {
  const { usual, atRisk, shifts } = rounds
  return [
    ...(usual ? judgeTable('usual', 'The usual list', usual, leastUsualMin) : []),
    ...(atRisk ? judgeTable('atRisk', 'The at-risk list', atRisk, atRiskMin) : []),
    ...(shifts ? judgeShifts(shifts) : []),
  ]
}

function judgeTable(id: string, name: string, table: readonly Stretch[], leastMin: number): readonly Problem[] {
  const at = (row: number): string => `rounds/${id}/${row}`
  const rows = table.flatMap(({ everyMin, times }, row) => {
    if (!Number.isInteger(everyMin) || everyMin < 5 || everyMin > mostEveryMin)
      return problem(
        'out-of-range',
        at(row),
        `${name}, row ${row + 1}: rounds come every 5 to ${mostEveryMin} minutes, not every ${everyMin}.`,
      )
    if (!Number.isInteger(times) || times < 1 || times > 200)
      return problem('out-of-range', at(row), `${name}, row ${row + 1}: write how many times, 1 to 200, not ${times}.`)
    return []
  })
  if (rows.length > 0) return rows
  const endMin = tableMinutes(table).at(-1) ?? 0
  if (endMin >= leastMin) return []
  const message = `${name} leaves a gap: it ends after ${hours(endMin)} h and must go on to ${hours(leastMin)} h.`
  return [problem('out-of-range', `rounds/${id}`, message)]
}

function judgeShifts(shifts: readonly string[]): readonly Problem[] {
  const minutes = shifts.map((shift) =>
    /^([01]\d|2[0-3]):[0-5]\d$/.test(shift) ? Number(shift.slice(0, 2)) * 60 + Number(shift.slice(3)) : null,
  )
  const bad = minutes.indexOf(null)
  if (bad >= 0) return [problem('format', `rounds/shifts/${bad}`, `"${shifts[bad]}" is no time of day: write it like 07:30.`)]
  const sorted = (minutes as number[]).toSorted((a, b) => a - b)
  const gaps = sorted.map((one, index) => (sorted[index + 1] ?? (sorted[0] ?? 0) + dayMin) - one)
  if (sorted.length > 0 && gaps.every((gap) => gap > 0 && gap <= mostBetweenShiftsMin)) return []
  return [
    problem(
      'out-of-range',
      'rounds/shifts',
      'Shifts change every twelve hours at least, each at a time of its own: rounds go on at these after the list.',
    ),
  ]
}

function judgeStops({ stopTables = {} }: Protocol): readonly Problem[] {
  return Object.entries(stopTables).flatMap(([name, rows]) => {
    const path = `stopTables/${name}`
    if (name === exampleProtocol || !/^[\p{L}\p{N}][\p{L}\p{N} .-]{1,59}$/u.test(name))
      return [problem('format', path, `A table cannot be called "${name}": give it a name of its own, 2 to 60 letters.`)]
    if (rows[0]?.fromWeek !== 0) return [problem('out-of-range', path, `${name} leaves a gap: its first row is from week 0.`)]
    return rows.flatMap((row, index) => judgeStopRow(`${path}/${index}`, name, row, rows[index - 1]))
  })
}

function judgeStopRow(path: string, name: string, row: StopRow, before: StopRow | undefined): readonly Problem[] {
  const { fromWeek, extensionStopDeg, flexionStopDeg, lock } = row
  const { least, greatest } = limits.stopDeg
  const where = `${name}, week ${fromWeek}`
  if (!Number.isInteger(fromWeek) || fromWeek > 52 || (before && fromWeek <= before.fromWeek))
    return [problem('out-of-range', path, `${where}: weeks are whole, at most 52, each later than the one before.`)]
  if ([extensionStopDeg, flexionStopDeg].some((deg) => !(deg >= least && deg <= greatest)) || extensionStopDeg > flexionStopDeg)
    return [problem('out-of-range', path, `${where}: stops are from ${least} to ${greatest} degrees, extension not beyond flexion.`)]
  if (isLock(lock, extensionStopDeg, flexionStopDeg)) return []
  return [problem('format', path, `${where}: the lock is open, locked, or an angle between the stops, not "${lock}".`)]
}

function hours(minutes: number): number {
  return Math.round(minutes / 6) / 10
}
