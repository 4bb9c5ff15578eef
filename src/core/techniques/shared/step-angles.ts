import type { StepAngle } from '../../model/step'

// Bands are ordinary practice: a goniometer in the hand reads to about 3°, so a band narrower than 5° each way would
// be chasing its error.
const eachWayDeg = 5

/** The ankle at its decided angle; 90 is square, more is toes down. */
export function ankleAngle(targetDeg: number): StepAngle {
  return {
    id: 'ankle',
    label: 'Ankle',
    targetDeg,
    lowDeg: targetDeg - eachWayDeg,
    highDeg: targetDeg + eachWayDeg,
    photo: { points: ['Middle of the shin', 'Heel', 'Ball of the foot, along the sole'], isBend: false },
  }
}

/** The sole level: neither tilted nor turned. */
export const footPlane: StepAngle = { id: 'foot-plane', label: 'Foot plane', targetDeg: 0, lowDeg: -eachWayDeg, highDeg: eachWayDeg }

/** The knee between two angles that a school names; 0 is straight. */
export function kneeAngle(targetDeg: number, lowDeg: number, highDeg: number): StepAngle {
  return {
    id: 'knee',
    label: 'Knee',
    targetDeg,
    lowDeg,
    highDeg,
    photo: { points: ['Great trochanter', 'Knee, outer side', 'Outer malleolus'], isBend: true },
  }
}

/** The wrist; 0 is straight, more is bent back. */
export function wristAngle(targetDeg: number): StepAngle {
  return {
    id: 'wrist',
    label: 'Wrist',
    targetDeg,
    lowDeg: targetDeg - eachWayDeg,
    highDeg: targetDeg + eachWayDeg,
    photo: { points: ['Middle of the forearm', 'Wrist', 'Knuckle'], isBend: true },
  }
}
