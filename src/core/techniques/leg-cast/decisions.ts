import {
  forUse,
  angleDeg,
  factor,
  hours,
  layers,
  lengthCm,
  minutes,
  pressureKpa,
  rolls,
  withRoles,
  type DecisionDefinition,
} from '../../model/decision-definition'
import { ankleAngle, cureTime, leastCrew, padding, peakSkinTemp, setTime } from '../shared/decisions'

/** Every decision that it can make, in the order in which they are shown. */
export const decisions: readonly DecisionDefinition[] = [
  withRoles(forUse('hold', angleDeg('knee-angle', 'Knee bend')), 'recorded'),
  ankleAngle,
  padding,
  forUse('cut', lengthCm('stocking-length', 'Stocking')),
  forUse('cut', rolls('rolls', 'Rolls')),
  forUse('cut', rolls('rolls-lower', 'Rolls, foot and lower leg')),
  forUse('cut', rolls('rolls-thigh', 'Rolls, thigh')),
  withRoles(forUse('cut', layers('cast-layers', 'Cast layers')), 'recorded', 'layers-on'),
  factor('knee-strength', 'Strength at the knee (estimate)'),
  setTime,
  cureTime,
  minutes('opening-time', 'Hard enough to open after'),
  pressureKpa('room', 'Pressure of the padding at 72 h (estimate)'),
  hours('room-hours', 'Hours until 4 kPa (estimate)'),
  peakSkinTemp,
  leastCrew,
]
