import type { Measurement } from '#core/model/clinical-case'
import type { MeasurementDefinition } from '#core/model/measurement-definition'
import type { Side } from '#core/model/vocabulary'
import type { PersonSettings } from '#contract/records/person'

/**
 * A reading as it goes to the record: unit and tool filled in, own finger width beside finger readings.
 * @param isByEye judged without a tape
 */
export function toReading(
  definition: MeasurementDefinition,
  parsed: { value: number; unit: Measurement['unit'] | null },
  typed: string,
  side: Side | null,
  { units, fingerCm }: PersonSettings,
  isByEye = false,
): Measurement | string {
  const unit = parsed.unit ?? (definition.kind === 'angle' ? 'deg' : units === 'inches' && definition.kind !== 'count' ? 'in' : 'cm')
  if (unit === 'deg' && definition.kind !== 'angle') return `${definition.label} is a length: type it in cm, in or fw.`
  return {
    id: definition.id,
    value: parsed.value,
    unit,
    typed,
    tool: unit === 'fw' ? 'fingers' : isByEye ? 'eye' : 'tape',
    posture: definition.posture,
    ...(definition.takenFor ? { takenFor: definition.takenFor } : {}),
    ...(side ? { side } : {}),
    ...(unit === 'fw' && fingerCm !== null ? { breadthCm: fingerCm } : {}),
  }
}
