import { DateTime } from 'luxon'
import { hasFlag, type ClinicalCase } from '../model/clinical-case'
import type { ScheduleEntry } from '../model/plan'
import { defineDefaults, readDefaults, type Protocol, type RoundTables, type Stretch } from '../quantities/defaults'

export const roundDefaults = defineDefaults('rounds', {
  graceShare: { value: 0.2, unit: 'ratio', source: 'practice', label: 'Grace, share of the interval' },
  graceLeastMin: { value: 5, unit: 'min', source: 'practice', label: 'Grace, least' },
  graceMostMin: { value: 30, unit: 'min', source: 'practice', guard: 'never-more', label: 'Grace, most', greatest: 60 },
  graceAtRiskMin: { value: 15, unit: 'min', source: 'practice', guard: 'never-more', label: 'Grace, most, at risk', greatest: 60 },
  horizonMin: { value: 72 * 60, unit: 'min', source: 'practice', least: 72 * 60, label: 'How far ahead a plan lists them' },
})

/** Rounds as shipped: the at-risk list is guarded. */
export const shippedRounds: Required<RoundTables> = {
  usual: [
    { everyMin: 15, times: 4 },
    { everyMin: 30, times: 4 },
    { everyMin: 60, times: 4 },
    { everyMin: 240, times: 4 },
  ],
  atRisk: [
    { everyMin: 15, times: 4 },
    { everyMin: 30, times: 4 },
    { everyMin: 60, times: 21 },
    { everyMin: 120, times: 12 },
    { everyMin: 240, times: 6 },
  ],
  shifts: ['07:30', '15:30', '22:30'],
}

/** The minutes of a table, ascending. */
export function tableMinutes(table: readonly Stretch[]): readonly number[] {
  const minutes: number[] = []
  for (const { everyMin, times } of table) for (let round = 0; round < times; round++) minutes.push((minutes.at(-1) ?? 0) + everyMin)
  return minutes
}

/** Where a technique's rounds differ from the local list: only at some minutes, or only up to one. */
export interface RoundLimits {
  readonly onlyMin?: readonly number[]
  readonly upToMin?: number
}

/** The minutes of a list that a technique keeps. */
export function limitRounds(minutes: readonly number[], limits: RoundLimits | undefined): readonly number[] {
  if (limits?.onlyMin) return limits.onlyMin
  return limits?.upToMin === undefined ? minutes : minutes.filter((minute) => minute <= (limits.upToMin ?? 0))
}

/** Why rounds follow the at-risk list, in words; null when they need not. */
export function atRiskReason(clinicalCase: ClinicalCase): string | null {
  const { pattern } = clinicalCase.injury
  const isTibial = pattern === 'tibial-shaft-fracture' || pattern === 'tibial-plateau-fracture'
  if (isTibial && hasFlag(clinicalCase, 'fresh')) return 'fresh tibial fracture'
  if (hasFlag(clinicalCase, 'high-energy')) return 'high-energy injury'
  if (hasFlag(clinicalCase, 'reduced-or-operated')) return 'reduced or operated'
  if (hasFlag(clinicalCase, 'nerve-block')) return 'nerve block: the limb cannot warn'
  if (hasFlag(clinicalCase, 'unresponsive') || hasFlag(clinicalCase, 'sedated')) return 'cannot report pain'
  if (clinicalCase.device?.lastRound === 'urgent') return 'last round urgent'
  return null
}

/**
 * Minutes from application at which rounds fall due: the list, then every shift change.
 * @param isAtRisk whether the at-risk list holds
 * @param appliedAt ISO 8601 with offset, and `zone` IANA: both are needed for rounds at shift changes
 * @returns ascending minutes, each once
 */
export function roundMinutes(
  isAtRisk: boolean,
  appliedAt: string | undefined,
  zone: string | undefined,
  horizonMin: number,
  protocol: Protocol,
): readonly number[] {
  const tables = { ...shippedRounds, ...protocol.rounds }
  const list = tableMinutes(isAtRisk ? tables.atRisk : tables.usual)
  const shifts = !appliedAt || !zone ? [] : shiftMinutes(tables.shifts, appliedAt, zone, list.at(-1) ?? 0, horizonMin)
  return [...list, ...shifts].filter((minute) => minute <= horizonMin)
}

/**
 * The interval of the at-risk list at a minute from application: how soon a limb that cannot be assessed is looked at again.
 * @param atMin minutes from application; before it, as at its start
 */
export function atRiskInterval(atMin: number): number {
  let fromMin = 0
  for (const { everyMin, times } of shippedRounds.atRisk) {
    fromMin += everyMin * times
    if (atMin < fromMin) return everyMin
  }
  return shippedRounds.atRisk.at(-1)!.everyMin
}

/**
 * The rounds of one case as schedule entries, with the grace each allows.
 * @param clinicalCase its flags decide the list; `appliedAt` and `zone` the shift rounds
 * @param text what a round looks at, for this device
 * @param forcedAtRisk the device itself puts the limb at risk
 * @param limits where the technique's rounds differ from the list
 */
export function scheduleRounds(
  clinicalCase: ClinicalCase,
  protocol: Protocol,
  text: string,
  forcedAtRisk = false,
  limits?: RoundLimits,
): readonly ScheduleEntry[] {
  const { horizonMin } = readDefaults(roundDefaults, protocol)
  const isAtRisk = forcedAtRisk || atRiskReason(clinicalCase) !== null
  // A limb at risk is looked at by the at-risk list, whatever the technique’s own is.
  const minutes = limitRounds(
    roundMinutes(isAtRisk, clinicalCase.appliedAt, clinicalCase.zone, horizonMin, protocol),
    isAtRisk ? undefined : limits,
  )
  const words = hasFlag(clinicalCase, 'diabetes') ? `${text} Heel and toes by eye.` : text
  return minutes.map((dueMin, index) => ({
    id: `round-${index + 1}`,
    kind: 'round' as const,
    dueMin,
    graceMin: graceFor(dueMin - (minutes[index - 1] ?? 0), isAtRisk, protocol),
    text: words,
  }))
}

/** Minutes a round may be late: 20 % of its interval, at least 5, at most 30, and at risk at most 15. */
export function graceFor(intervalMin: number, isAtRisk: boolean, protocol: Protocol): number {
  const grace = readDefaults(roundDefaults, protocol)
  const mostMin = isAtRisk ? Math.min(grace.graceAtRiskMin, grace.graceMostMin) : grace.graceMostMin
  return Math.min(mostMin, Math.max(grace.graceLeastMin, grace.graceShare * intervalMin))
}

/** Shift-change times after the fixed list, in true minutes, so that a clock change costs or adds its hour. */
function shiftMinutes(times: readonly string[], appliedAt: string, zone: string, afterMin: number, horizonMin: number): readonly number[] {
  // To the end of a day: a list that is asked for again a minute later is the same.
  const untilMin = Math.ceil(horizonMin / dayMin) * dayMin
  const key = `${times.join()} ${appliedAt} ${zone} ${afterMin} ${untilMin}`
  const known = shifts.get(key)
  if (known) return known
  const minutes = findShiftMinutes(times, appliedAt, zone, afterMin, untilMin)
  if (shifts.size >= mostShifts) shifts.clear()
  shifts.set(key, minutes)
  return minutes
}

const dayMin = 1440

/** Shift times of applications that were asked for: calendars are slow, and a list is asked for again with every round. */
const shifts = new Map<string, readonly number[]>()
const mostShifts = 500

function findShiftMinutes(
  times: readonly string[],
  appliedAt: string,
  zone: string,
  afterMin: number,
  untilMin: number,
): readonly number[] {
  const applied = DateTime.fromISO(appliedAt, { zone })
  if (!applied.isValid) return []
  const minutes: number[] = []
  for (let day = Math.max(0, Math.floor(afterMin / dayMin) - 1); day <= Math.ceil(untilMin / dayMin) + 1; day++) {
    for (const time of times) {
      const [hour, minute] = time.split(':').map(Number)
      const due = applied.startOf('day').plus({ days: day }).set({ hour, minute })
      const after = Math.round(due.diff(applied, 'minutes').minutes)
      if (after > afterMin && after <= untilMin) minutes.push(after)
    }
  }
  return minutes
}
