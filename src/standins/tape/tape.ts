import type { DeviceKind } from '../line-instrument/line-source'

/** A tape with a button, 0 to 150 cm. */
export const tape: DeviceKind = {
  path: '/tape',
  hello: 'TAPE',
  reading: 'R',
  title: 'Tape',
  quantity: 'Length',
  unit: 'cm',
  least: 0,
  greatest: 150,
  start: 37.2,
  steadyJitter: 0.25,
}
