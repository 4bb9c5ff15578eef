import type { DeviceKind } from '../line-instrument/line-source'

/** A load scale between splint and hitch, kg. */
export const scale: DeviceKind = {
  path: '/scale',
  hello: 'SCALE',
  reading: 'L',
  title: 'Load scale',
  quantity: 'Pull',
  unit: 'kg',
  least: 0,
  greatest: 40,
  start: 0,
  steadyJitter: 0.2,
}
