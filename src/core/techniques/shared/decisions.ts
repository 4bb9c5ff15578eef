import {
  angleDeg,
  choice,
  heightSetting,
  hours,
  layers,
  lengthCm,
  massKg,
  minutes,
  people,
  placesCm,
  pressureKpa,
  rolls,
  sizeOf,
  warmthC,
  widthCm,
  type DecisionDefinition,
} from '../../model/decision-definition'

// Decisions that several techniques make, in the same words.
export const slabWidth = widthCm('slab-width', 'Slab width')
export const slabLength = lengthCm('slab-length', 'Slab length')
export const slabLayers = layers('slab-layers', 'Slab layers')
export const padding = rolls('padding', 'Padding')
export const elasticBandage = rolls('bandage', 'Elastic bandage')
export const setTime = minutes('set-time', 'Setting time', { least: 0.5, step: 0.5 })
export const cureTime = hours('cure-time', 'Full strength after', { alternative: { unit: 'min', greatest: 1440 } })
export const ankleAngle = angleDeg('ankle-angle', 'Ankle angle')
export const peakSkinTemp = warmthC('peak-skin-temp', 'Warmest skin (estimate)')
export const leastCrew = people('least-crew', 'People needed')
export const peopleToTurn = people('people', 'People needed')
export const turn = choice('turn', 'Turn', ['roll', 'scoop'])
export const strapPlaces = placesCm('strap-places', 'Strap centres above the heel sole')
export const collarSetting = heightSetting('setting', 'Collar setting', (item) => item.technique === 'extrication-collar')
export const splintLength = lengthCm('splint-length', 'Splint length')
export const traction = massKg('traction', 'Pull')
export const load = massKg('load', 'Pull')
export const ringPressure = pressureKpa('ring-pressure', 'Pressure under the ring (estimate)')
export const convertBy = minutes('convert-by', 'Change for the ward’s traction by')

/** The ring of one of the ring splints. */
export function ringOf(technique: string): DecisionDefinition {
  return sizeOf('ring', 'Ring', (item) => item.technique === technique)
}
