import type { RoundItem } from './round-items'

/** A place of a limb at which several things are looked at together, in the order of the hands. */
export interface RoundZone {
  readonly id: 'end' | 'pulse' | 'feeling' | 'movement' | 'device' | 'pain'
  readonly label: string
  /** Of no place that is drawn. */
  readonly isBeside?: true
}

const zoneOfKey: Readonly<Record<string, RoundZone['id']>> = {
  colour: 'end',
  warmth: 'end',
  refillS: 'end',
  swelling: 'end',
  pulse: 'pulse',
  feeling: 'feeling',
  movement: 'movement',
  tight: 'device',
  restPain: 'pain',
  stretchPain: 'pain',
}

/** The places of a leg or arm, in the order in which the hands come to them; never more than six. @param isBare nothing is on it */
export function roundZones(limb: 'leg' | 'arm', isBare: boolean): readonly RoundZone[] {
  return [
    { id: 'end', label: limb === 'leg' ? 'Toes' : 'Fingers' },
    { id: 'pulse', label: 'Pulse' },
    { id: 'feeling', label: 'Feeling' },
    { id: 'movement', label: 'Moving' },
    { id: 'device', label: isBare ? 'Skin' : 'Device' },
    { id: 'pain', label: 'Pain', isBeside: true },
  ]
}

/** Where an item of the round is looked at. */
export function zoneOf({ key }: Pick<RoundItem, 'key'>): RoundZone['id'] {
  return zoneOfKey[key.split('/')[0] ?? ''] ?? 'device'
}
