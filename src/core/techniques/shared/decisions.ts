import {
  forUse,
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
  withRoles,
  type DecisionDefinition,
} from '../../model/decision-definition'

// Decisions that several techniques make, in the same words.
export const slabWidth = withRoles(forUse('cut', widthCm('slab-width', 'Slab width')), 'recorded', 'width-on-trial')
export const slabLength = forUse('cut', lengthCm('slab-length', 'Slab length'))
export const slabLayers = withRoles(forUse('cut', layers('slab-layers', 'Slab layers')), 'recorded')
export const padding = forUse('wrap', rolls('padding', 'Padding'))
export const elasticBandage = forUse('wrap', rolls('bandage', 'Elastic bandage'))
export const setTime = withRoles(forUse('hold', minutes('set-time', 'Setting time', { least: 0.5, step: 0.5 })), 'recorded', 'sets')
export const cureTime = withRoles(hours('cure-time', 'Full strength after', { alternative: { unit: 'min', greatest: 1440 } }), 'recorded')
export const ankleAngle = withRoles(forUse('hold', angleDeg('ankle-angle', 'Ankle angle')), 'recorded')
export const peakSkinTemp = withRoles(warmthC('peak-skin-temp', 'Warmest skin (estimate)'), 'recorded')
export const leastCrew = withRoles(forUse('hold', people('least-crew', 'People needed')), 'recorded')
export const peopleToTurn = forUse('hold', people('people', 'People needed'))
/** People who lift, where it takes more of them than putting it on. */
export const lifters = forUse('hold', people('lifters', 'People to lift'))
export const turn = forUse('hold', choice('turn', 'Turn', ['roll', 'scoop']))
export const strapPlaces = forUse('wrap', placesCm('strap-places', 'Strap centres above the heel sole'))
export const collarSetting = withRoles(
  forUse(
    'cut',
    heightSetting('setting', 'Collar setting', (item) => item.technique === 'extrication-collar'),
  ),
  'recorded',
  'taken',
)
export const splintLength = forUse('cut', lengthCm('splint-length', 'Splint length'))
export const traction = withRoles(forUse('hold', massKg('traction', 'Pull')), 'recorded')
export const load = withRoles(forUse('hold', massKg('load', 'Pull')), 'recorded')
export const ringPressure = pressureKpa('ring-pressure', 'Pressure under the ring (estimate)')
export const convertBy = minutes('convert-by', 'Change for the ward’s traction by')

/** The ring of one of the ring splints. */
export function ringOf(technique: string): DecisionDefinition {
  return withRoles(
    forUse(
      'cut',
      sizeOf('ring', 'Ring', (item) => item.technique === technique),
    ),
    'recorded',
    'taken',
  )
}
