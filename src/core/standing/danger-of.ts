import type { Danger } from '../model/danger'
import type { Watched } from '../model/observation'

/** What of an item decides its danger. */
export interface DangerFacts {
  /** `pulse`, `feeling/tibial`, … */
  readonly item: string
  /** The code of the finding. */
  readonly code: string
  /** Below what is well, where a figure can be too low or too high. */
  readonly isLow: boolean
  /** What the injury asks to be watched: on the limbs of a hurt neck or trunk a loss comes from the cord. */
  readonly watched: Watched
  /** Pain that no analgesia was given for yet. */
  readonly isBeforeAnalgesia: boolean
}

const ofSign: Readonly<Record<string, Danger>> = {
  smell: 'infection',
  stain: 'infection',
  fever: 'infection',
  wet: 'cover',
  cracked: 'cover',
  loose: 'cover',
  heel: 'point',
  spotPain: 'point',
  'calf-pain': 'clot',
  breathlessness: 'breathing',
}
const ofBlock: Readonly<Record<string, Danger>> = {
  voice: 'breathing',
  swallowing: 'breathing',
  breathing: 'breathing',
  veins: 'breathing',
  saddle: 'cord',
  bladder: 'cord',
  bowel: 'cord',
  level: 'cord',
  belly: 'belly',
  vomiting: 'belly',
  heartRate: 'circulation',
  systolic: 'circulation',
  breathingRate: 'breathing',
  confusion: 'mind',
}
const bloodSupply = ['colour', 'colourUsual', 'warmth', 'refill', 'pulse']
const nerveGroups = ['feeling', 'movement', 'power']

/**
 * The danger of one item of a round: every item has one.
 * @returns `limb` for whatever of a limb nothing else claims
 */
export function dangerOf({ item, code, isLow, watched, isBeforeAnalgesia }: DangerFacts): Danger {
  if (code === 'skin-broken') return 'skin'
  if (item === 'breathingRate' && isLow) return 'slow-breathing'
  const group = item.split('/')[0] ?? item
  if (group === 'skin') return 'point'
  const sign = ofSign[item] ?? ofBlock[item]
  if (sign) return sign
  const isColumn = watched === 'neck' || watched === 'spine'
  if (isColumn && nerveGroups.includes(group)) return 'cord'
  if (isColumn && bloodSupply.includes(group)) return 'circulation'
  return item === 'restPain' && isBeforeAnalgesia ? 'pain' : 'limb'
}
