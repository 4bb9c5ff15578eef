import type { PartId } from './look'

/** Where on the body something is looked at: a fingertip, the sole, what lies under the device. */
export const sites = [
  // Of a hand.
  'fingers',
  'thumb-tip',
  'index-tip',
  'little-tip',
  'wrist-pulse',
  // Of a foot.
  'toes',
  'great-toe',
  'top-of-foot',
  'outer-foot',
  'sole',
  'heel',
  'foot-pulse',
  // Of either.
  'first-web',
  'muscle',
  'knee',
  'groin',
  'elbow',
  'injury',
  'device',
  'device-edge',
  // Of neck and trunk.
  'mouth',
  'throat',
  'side-of-neck',
  'chest',
  'belly',
  'bladder',
  'saddle',
  // Where feeling ends, as high as the level that was found.
  'feeling-line',
  'arm-left',
  'arm-right',
  'leg-left',
  'leg-right',
] as const
export type Site = (typeof sites)[number]

const ofLeg: Readonly<Record<string, Site>> = {
  colour: 'toes',
  warmth: 'toes',
  refill: 'toes',
  swelling: 'toes',
  pulse: 'foot-pulse',
  'feeling/deep-peroneal': 'first-web',
  'feeling/superficial-peroneal': 'top-of-foot',
  'feeling/tibial': 'sole',
  'movement/deep-peroneal': 'great-toe',
  'movement/superficial-peroneal': 'outer-foot',
  'movement/tibial': 'toes',
  'power/hip-bend': 'groin',
  'power/knee-straight': 'knee',
  'power/foot-up': 'top-of-foot',
  'power/great-toe-up': 'great-toe',
  'power/foot-down': 'sole',
  stretchPain: 'toes',
  heel: 'heel',
  'calf-pain': 'muscle',
}

const ofArm: Readonly<Record<string, Site>> = {
  colour: 'fingers',
  warmth: 'fingers',
  refill: 'fingers',
  swelling: 'fingers',
  pulse: 'wrist-pulse',
  'feeling/radial': 'first-web',
  'feeling/median': 'index-tip',
  'feeling/ulnar': 'little-tip',
  'movement/radial': 'thumb-tip',
  'movement/median': 'thumb-tip',
  'movement/ulnar': 'fingers',
  'power/elbow-bend': 'elbow',
  'power/elbow-straight': 'elbow',
  'power/wrist-up': 'wrist-pulse',
  'power/grip': 'fingers',
  'power/fingers-apart': 'fingers',
  stretchPain: 'fingers',
}

/** Of a limb in a device, arm and leg alike. */
const ofLimb: Readonly<Record<string, Site>> = {
  restPain: 'injury',
  painBeyondExpected: 'injury',
  spotPain: 'device',
  tight: 'device',
  skin: 'device-edge',
  smell: 'device',
  stain: 'device',
  wet: 'device',
  cracked: 'device',
  loose: 'device-edge',
}

const ofNeck: Readonly<Record<string, Site>> = { voice: 'throat', swallowing: 'throat', breathing: 'mouth', veins: 'side-of-neck' }
const ofSpine: Readonly<Record<string, Site>> = {
  saddle: 'saddle',
  bladder: 'bladder',
  bowel: 'saddle',
  breathing: 'chest',
  belly: 'belly',
  level: 'feeling-line',
}

/** Items of no one place: they are of the whole patient. */
export const itemsOfNoSite: readonly string[] = ['fever', 'breathlessness', 'vomiting']

/**
 * Where an item is looked at.
 * @returns null for what has no one place on a drawing: fever, the circulation as a whole
 */
export function siteOfItem(part: PartId, item: string): Site | null {
  if (part === 'vital') return null
  if (part === 'neck') return ofNeck[item] ?? (item.startsWith('skin/') ? 'side-of-neck' : null)
  if (part === 'spine') return ofSpine[item] ?? (item.startsWith('skin/') ? 'belly' : null)
  const own = part.startsWith('leg') ? ofLeg : ofArm
  if (item === 'heel' || item === 'calf-pain') return part.startsWith('leg') ? (own[item] ?? null) : null
  return own[item] ?? ofLimb[item] ?? null
}
