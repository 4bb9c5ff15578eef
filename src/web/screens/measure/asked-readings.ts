import { resolveOptions } from '#core/planner/resolve-options'
import { findTechnique } from '#core/techniques/registry'
import type { TechniqueMeasurement } from '#core/planner/technique'
import type { MeasurementDefinition } from '#core/model/measurement-definition'
import type { Measurement } from '#core/model/clinical-case'
import { otherSide, sides, type Side } from '#core/model/vocabulary'
import { toClinicalCase } from '#ward/case/clinical-case'
import { protocolOf } from '#contract/records/case'
import type { OpenCase } from '../../sync/case-store'

/** One place to measure: what is read on both sides is two places. */
export interface AskedReading {
  readonly key: string
  readonly definition: MeasurementDefinition
  readonly need: TechniqueMeasurement['need']
  /** The side it must be read on; null when the usual side is suggested, or there is none. */
  readonly fixedSide: Side | null
}

/** What to measure for this case, in the order in which it is asked. */
export function askedReadings({ record, episode }: OpenCase): readonly AskedReading[] {
  const technique = findTechnique(record.technique)
  if (!technique) return []
  const clinicalCase = toClinicalCase(record, episode)
  const { values } = resolveOptions(technique, clinicalCase, protocolOf(record))
  return technique
    .measurements(clinicalCase, values)
    .flatMap(({ definition, need }): AskedReading[] =>
      definition.sideRule === 'both'
        ? sides.map((side) => ({ key: `${definition.id}/${side}`, definition, need, fixedSide: side }))
        : [{ key: definition.id, definition, need, fixedSide: null }],
    )
}

/** The readings taken of a place. */
export function readingsOf(place: AskedReading, readings: readonly Measurement[]): readonly Measurement[] {
  return readings.filter((reading) => reading.id === place.definition.id && (place.fixedSide === null || reading.side === place.fixedSide))
}

/** The side that a place is usually read on; null where the body has one of it. */
export function usualSide({ definition, fixedSide }: AskedReading, injured: Side | null, isSwollen: boolean): Side | null {
  if (fixedSide) return fixedSide
  if (injured === null || definition.sideRule === 'none') return null
  if (definition.sideRule === 'wearing' || (definition.sideRule === 'swollen' && isSwollen)) return injured
  return otherSide(injured)
}
