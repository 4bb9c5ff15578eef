import type { Measurement } from '../../model/clinical-case'
import { instantOf } from '../../quantities/instant'

/** Hours from which on another reading of the same measurement is another occasion (STANDING, Readings in time). */
export const occasionGapH = 2

/**
 * Readings of one measurement and side by occasion, the earliest first: those that name one together; of the others those without a time are
 * one, the earliest, and the rest are split where two hours or more lie between two of them, and at every bound.
 * @param boundsMs moments that end an occasion (application, a change), ms since the epoch
 * @returns no empty group; the last is the one whose latest reading is the latest of all
 */
export function splitOccasions(readings: readonly Measurement[], boundsMs: readonly number[] = []): readonly (readonly Measurement[])[] {
  const named = new Map<string, Measurement[]>()
  const unnamed: Measurement[] = []
  for (const one of readings) {
    if (one.occasion === undefined) unnamed.push(one)
    else named.set(one.occasion, [...(named.get(one.occasion) ?? []), one])
  }
  const groups: Measurement[][] = [...named.values()]
  let lastMs = NaN
  for (const one of [...unnamed].sort((a, b) => compareInstants(instantOf(a.at), instantOf(b.at)))) {
    const ms = instantOf(one.at)
    const isApart = ms - lastMs >= occasionGapH * 3_600_000 || boundsMs.some((bound) => lastMs < bound && bound <= ms)
    const current = groups.at(-1)
    if (Number.isNaN(lastMs) || isApart || !current) groups.push([one])
    else current.push(one)
    lastMs = ms
  }
  return groups.sort((a, b) => compareInstants(latestOf(a), latestOf(b)))
}

function latestOf(readings: readonly Measurement[]): number {
  return Math.max(...readings.map((one) => instantOf(one.at)))
}

/** Two missing times are alike: their difference would be no number. */
function compareInstants(a: number, b: number): number {
  return a === b ? 0 : a - b
}
