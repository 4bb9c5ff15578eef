import type { Held } from '../model/danger'
import type { BodyRegion } from '../model/vocabulary'
import type { Site } from '../rounds/item-sites'
import type { LimbFinding } from './findings-on-limb'

/** Where somebody at home looks, on the drawing of what they wear, in words for them. */
export function homeLooks(holds: Held, part: BodyRegion): readonly LimbFinding[] {
  const look = (site: Site, label: string): LimbFinding => ({ site, level: 'none', label, short: label })
  if (holds === 'head')
    return [
      look('throat', 'Breath, swallowing, voice'),
      look('side-of-neck', 'Skin under the edge: red or sore'),
      look('arm-right', 'Arms and legs: weak, numb, prickling'),
    ]
  if (holds === 'spine')
    return [look('belly', 'Belly: swells, you are sick'), look('saddle', 'Between the legs: numb'), look('leg-right', 'Legs: weak or numb')]
  const edges = look('device-edge', 'Edges: red, rubbed, sore')
  return part === 'leg'
    ? [look('toes', 'Toes: colour, warmth, feeling, moving'), look('heel', 'Heel: sore'), look('muscle', 'Calf: swells or hurts'), edges]
    : [look('fingers', 'Fingers: colour, warmth, feeling, moving'), edges]
}

/** Breath and calf: a clot is watched for with any leg or trunk held still. */
const clot = ['Your calf swells or hurts', 'You are short of breath, or your chest hurts: call an ambulance']

/**
 * What brings somebody back at once who went home with a device on, in words for them, the worst first.
 * @param holds what it holds
 * @param part the region of the body that it is on
 */
export function homeWarnings(holds: Held, part: BodyRegion): readonly string[] {
  if (holds === 'head')
    return [
      'New weakness, numbness or tingling in an arm or a leg',
      'Hard to breathe or to swallow, or your voice changes: call an ambulance',
      'You cannot pass water, or cannot hold it',
      'The collar rubs a sore, or the chin slips in',
    ]
  if (holds === 'spine')
    return [
      'New weakness or numbness in a leg, or between the legs',
      'You cannot pass water, or cannot hold it',
      'Hard to breathe, or your belly swells and you are sick again and again',
      ...clot,
    ]
  const digits = part === 'arm' ? 'fingers' : 'toes'
  return [
    `Your ${digits} turn white, blue or cold`,
    `Your ${digits} are numb, or prick and do not stop`,
    `You cannot move your ${digits}`,
    'The pain grows and tablets do not hold it',
    'It feels tighter although the limb is up',
    'It smells, is wet, cracks or slips, or something rubs under it',
    ...(part === 'leg' ? clot : []),
  ]
}
