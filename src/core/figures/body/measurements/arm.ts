import { armGirthRatios, forearmShareOfStature, type ArmStationId } from '../arm-template'
import type { MeasurementDefinition } from '../../../model/measurement-definition'

const resting = 'Forearm resting on the table, palm up, fingers loose'

function girth(station: ArmStationId, label: string, landmarks: string): MeasurementDefinition {
  return {
    id: `${station}-girth`,
    label,
    landmarks,
    kind: 'girth',
    posture: resting,
    sideRule: 'swollen',
    statureShare: station === 'hand' ? 0.115 : armGirthRatios[station] * forearmShareOfStature,
  }
}

export const handGirth = girth('hand', 'Hand girth', 'Round the palm over the knuckles, the thumb left out')
export const wristGirth = girth('wrist', 'Wrist girth', 'Round the wrist at its crease, over both bony points')
export const midForearmGirth = girth('mid-forearm', 'Mid-forearm girth', 'Round the forearm, halfway from wrist to elbow')
export const forearmGirth = girth('forearm', 'Forearm girth', 'Round the forearm where it is widest, below the elbow')
export const elbowGirth = girth('elbow', 'Elbow girth', 'Round the elbow at its crease, arm straight')
export const thumbGirth: MeasurementDefinition = {
  id: 'thumb-girth',
  label: 'Thumb girth',
  landmarks: 'Round the base of the thumb',
  kind: 'girth',
  posture: resting,
  sideRule: 'swollen',
  statureShare: 0.038,
}

function volarPath(finger: 'index' | 'little'): MeasurementDefinition {
  return {
    id: `volar-path-${finger}`,
    label: `Palm path, ${finger} finger`,
    landmarks: `From the far palm crease at the ${finger} finger, over the wrist, to 4 cm short of the elbow crease`,
    kind: 'length',
    posture: resting,
    sideRule: 'uninjured',
    statureShare: 0.145,
  }
}
export const volarPathIndex = volarPath('index')
export const volarPathLittle = volarPath('little')

/** Every arm girth that the template knows, from the hand up. */
export const armGirths: readonly MeasurementDefinition[] = [handGirth, wristGirth, midForearmGirth, forearmGirth, elbowGirth]
