import type { Measurement } from '../../model/clinical-case'
import { instantOf } from '../../quantities/instant'

/** Hours from which on another reading of the same measurement is another occasion. */
export const occasionGapH = 2

/**
 * Readings of one measurement and side by occasion, the earliest first: those that name one together; of the others those without a time are
 * one, the earliest, and the rest are split where two hours or more lie between two of them, and at every bound.
 * @param boundsMs moments that end an occasion (application, a change), ms since the epoch
 * @returns no empty group; the last is the one whose latest reading is the latest of all
 */
export function splitOccasions(readings: readonly Measurement[], boundsMs: readonly number[] = []): readonly (readonly Measurement[])[] {
  const named = new Map<string, Timed[]>()
  const unnamed: Timed[] = []
  for (const one of readings) {
    const timed = { one, ms: instantOf(one.at) }
    const same = one.occasion === undefined ? unnamed : named.get(one.occasion)
    if (same) same.push(timed)
    else named.set(one.occasion ?? '', [timed])
  }
  const groups: Timed[][] = [...named.values()]
  let lastMs = NaN
  for (const timed of unnamed.sort(inTime)) {
    const { ms } = timed
    const isApart = ms - lastMs >= occasionGapH * 3_600_000 || boundsMs.some((bound) => lastMs < bound && bound <= ms)
    const current = groups.at(-1)
    if (Number.isNaN(lastMs) || isApart || !current) groups.push([timed])
    else current.push(timed)
    lastMs = ms
  }
  return groups
    .map((group) => ({ group, ms: group.reduce((latest, { ms }) => Math.max(latest, ms), -Infinity) }))
    .sort(inTime)
    .map(({ group }) => group.map(({ one }) => one))
}

interface Timed {
  readonly one: Measurement
  readonly ms: number
}

/** Two missing times are alike: their difference would be no number. */
function inTime(a: { readonly ms: number }, b: { readonly ms: number }): number {
  return a.ms === b.ms ? 0 : a.ms - b.ms
}
