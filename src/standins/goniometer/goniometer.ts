import type { DeviceKind } from '../line-instrument/line-source'

/** A goniometer with a button: the angle between its two arms, degrees; below 0 the other way. */
export const goniometer: DeviceKind = {
  path: '/goniometer',
  hello: 'GONIO',
  reading: 'A',
  title: 'Goniometer',
  quantity: 'Angle',
  unit: 'deg',
  least: -180,
  greatest: 180,
  start: 84,
  steadyJitter: 1.5,
}
