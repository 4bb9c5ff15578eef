import type { MeasurementDefinition } from '../../../model/measurement-definition'
import { legGirthRatios, calfShareOfStature, type LegStationId } from '../leg-template'

/** Two thighs of one person differ by more than two calves do, cm. */
const thighDiffersCm = 3
const supine = 'Lying, knee slightly bent, muscles loose'

function girth(station: LegStationId, label: string, landmarks: string, sidesDifferCm?: number): MeasurementDefinition {
  return {
    ...(sidesDifferCm === undefined ? {} : { sidesDifferCm }),
    id: `${station}-girth`,
    label,
    landmarks,
    kind: 'girth',
    posture: supine,
    sideRule: 'swollen',
    statureShare: station === 'ankle' ? 0.13 : legGirthRatios[station] * calfShareOfStature,
  }
}

export const toeGirth = girth('toe', 'Toe girth', 'Round the ball of the foot, over the heads of the metatarsals')
export const midfootGirth = girth('midfoot', 'Midfoot girth', 'Round the arch, halfway between heel and toe tips')
export const heelInstepGirth = girth('heel-instep', 'Heel to instep girth', 'Round the point of the heel and over the front of the ankle')
export const ankleGirth = girth('ankle', 'Ankle girth', 'Round the narrowest part, just above the malleoli')
export const calfGirth = girth('calf', 'Calf girth', 'Round the calf where it is widest')
export const belowKneeGirth = girth('below-knee', 'Below-knee girth', 'Round the leg at the head of the fibula')
export const kneeGirth = girth('knee', 'Knee girth', 'Round the knee over the middle of the kneecap')
export const aboveKneeGirth = girth(
  'above-knee',
  'Above-knee girth',
  'Round the thigh, 10 cm above the middle of the kneecap',
  thighDiffersCm,
)
export const midThighGirth = girth('mid-thigh', 'Mid-thigh girth', 'Round the thigh, halfway between kneecap and groin', thighDiffersCm)
export const groinGirth = girth('groin', 'Groin girth', 'Round the top of the thigh, level, close under the groin', thighDiffersCm)

export const lowerLegLength: MeasurementDefinition = {
  id: 'lower-leg-length',
  label: 'Lower leg length',
  kind: 'length',
  posture: supine,
  sideRule: 'uninjured',
  landmarks: 'From the middle of the kneecap to the sole of the heel',
  statureShare: 0.285,
}
export const footLength: MeasurementDefinition = {
  id: 'foot-length',
  label: 'Foot length',
  kind: 'length',
  posture: supine,
  sideRule: 'uninjured',
  landmarks: 'From the back of the heel to the tip of the longest toe',
  statureShare: 0.152,
}
export const insideLeg: MeasurementDefinition = {
  id: 'inside-leg',
  label: 'Inside leg',
  kind: 'length',
  posture: supine,
  sideRule: 'uninjured',
  landmarks: 'From the groin, at the sit bone, to the sole of the heel',
  statureShare: 0.47,
}
/** `landmarks` and the share depend on how long the slab is: the technique restates them for its options. */
export const slabPath: MeasurementDefinition = {
  id: 'slab-path',
  label: 'Slab path',
  kind: 'length',
  sideRule: 'uninjured',
  statureShare: 0.29,
  askedBelowShare: 0.26,
  landmarks: 'From the crease under the big toe, under the heel, up to the crease behind the bent knee',
  posture: 'Ankle at its angle, knee bent square',
}

/** Read while the slab is still soft, round the leg that wears it. */
export const gapAfterFold: MeasurementDefinition = {
  id: 'gap-after-fold',
  label: 'Gap after folding',
  kind: 'length',
  sideRule: 'wearing',
  statureShare: null,
  landmarks: 'Between the two edges at the ankle, at the front, once they are folded',
  posture: 'Slab laid, edges folded',
  signed: true,
  moves: true,
}

/** Every leg girth, from the toes up. */
export const legGirths: readonly MeasurementDefinition[] = [
  toeGirth,
  midfootGirth,
  heelInstepGirth,
  ankleGirth,
  calfGirth,
  belowKneeGirth,
  kneeGirth,
  aboveKneeGirth,
  midThighGirth,
  groinGirth,
]
