import type { Held } from '../model/danger'
import type { BodyRegion } from '../model/vocabulary'

/** Breath and calf: a clot is watched for with any leg or trunk held still. */
const clot = ['Your calf swells or hurts', 'You are short of breath, or your chest hurts: call an ambulance']

/**
 * What brings somebody back at once who went home with a device on, in words for them, the worst first (SAFETY, Dispositions).
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
