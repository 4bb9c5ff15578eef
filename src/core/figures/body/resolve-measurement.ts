import type { ClinicalCase, Measurement } from '../../model/clinical-case'
import type { Problem } from '../../model/problem'
import { otherSide, type Side } from '../../model/vocabulary'
import type { Caution } from '../../model/plan'
import type { Protocol } from '../../quantities/defaults'
import type { MeasurementDefinition } from '../../model/measurement-definition'
import { currentReadings, poolSide, type Estimate, type Resolved } from './pool-side'

/**
 * Turns the readings of one measurement into one estimate: occasion, plausibility, pooling, then the side
 * rule.
 * @returns the estimate, or null when there is no usable reading, with what has to be said about it
 */
export function resolveMeasurement(clinicalCase: ClinicalCase, definition: MeasurementDefinition, protocol: Protocol): Resolved {
  const readings = currentReadings(clinicalCase.measurements, definition)
  if (definition.sideRule === 'none' || definition.sideRule === 'both')
    return poolSide(clinicalCase, definition, readings, undefined, protocol)
  const injured = clinicalCase.injury.side
  if (!injured) return poolSide(clinicalCase, definition, readings, undefined, protocol)
  const sound = otherSide(injured)
  const isWorn = definition.sideRule === 'wearing'
  const own = isWorn ? readings.filter((reading) => reading.side !== sound) : ofSide(readings, injured)
  const onInjured = poolSide(clinicalCase, definition, own, injured, protocol)
  const onSound = poolSide(clinicalCase, definition, ofSide(readings, sound), sound, protocol)
  const chosen = chooseSide(clinicalCase, definition, onInjured, onSound)
  return {
    estimate: chosen.estimate,
    problems: [...onInjured.problems, ...onSound.problems, ...(isWorn ? [] : sidelessProblems(definition, readings))],
    cautions: [
      ...onInjured.cautions,
      ...onSound.cautions,
      ...chosen.cautions,
      ...compareSides(definition, onInjured.estimate, onSound.estimate),
    ],
  }
}

/** Both sides of a measurement that is read on each of them (an overhang, a groove), or unsided readings as `either`. */
export function resolveSides(
  clinicalCase: ClinicalCase,
  definition: MeasurementDefinition,
  protocol: Protocol,
): Readonly<Record<Side | 'either', Resolved>> {
  const readings = currentReadings(clinicalCase.measurements, definition)
  return {
    left: poolSide(clinicalCase, definition, ofSide(readings, 'left'), 'left', protocol),
    right: poolSide(clinicalCase, definition, ofSide(readings, 'right'), 'right', protocol),
    either: poolSide(
      clinicalCase,
      definition,
      readings.filter((reading) => !reading.side),
      undefined,
      protocol,
    ),
  }
}

function chooseSide(
  clinicalCase: ClinicalCase,
  definition: MeasurementDefinition,
  onInjured: Resolved,
  onSound: Resolved,
): { estimate: Estimate | null; cautions: readonly Caution[] } {
  const isSwollen = clinicalCase.injury.swelling !== 'none'
  if (definition.sideRule === 'wearing' || (definition.sideRule === 'swollen' && isSwollen)) {
    return { estimate: onInjured.estimate ?? onSound.estimate, cautions: [] }
  }
  if (onSound.estimate) return { estimate: onSound.estimate, cautions: [] }
  if (!onInjured.estimate) return { estimate: null, cautions: [] }
  return {
    estimate: { ...onInjured.estimate, sd: onInjured.estimate.sd * 2 },
    cautions: [
      {
        level: 'caution',
        code: 'injured-side-only',
        decisions: [],
        steps: [],
        text: `${definition.label} was read on the injured side only: read the other side if it can be reached.`,
        why: 'Swelling and splinting change the injured side; its doubt is counted double.',
      },
    ],
  }
}

function compareSides(definition: MeasurementDefinition, injured: Estimate | null, sound: Estimate | null): readonly Caution[] {
  if (!injured || !sound || definition.kind === 'angle') return []
  const limitCm = definition.sidesDifferCm ?? (definition.kind === 'length' ? 1.5 : 2)
  const difference = Math.abs(injured.value - sound.value)
  // The same in inches: what they become in cm is rounded.
  if (difference <= limitCm + 1e-6) return []
  return [
    {
      level: 'note',
      code: 'sides-differ',
      decisions: [],
      steps: [],
      text: `${definition.label} differs by ${difference.toFixed(1)} cm between left and right.`,
      why: 'A difference this large is swelling, shortening or a slip of the tape: look which.',
    },
  ]
}

function sidelessProblems(definition: MeasurementDefinition, readings: readonly Measurement[]): readonly Problem[] {
  if (readings.every((reading) => reading.side)) return []
  return [
    {
      code: 'missing',
      path: `measurements/${definition.id}/side`,
      message: `${definition.label}: say whether it was read on the left or the right. The reading is not used until then.`,
    },
  ]
}

function ofSide(readings: readonly Measurement[], side: Side): readonly Measurement[] {
  return readings.filter((reading) => reading.side === side)
}
