import { limits } from '../../../model/limits'
import { mostOnwardPulleys, type RigSetting } from '../../../model/rig'

export type PulleyPlaces =
  | { readonly ok: true; readonly rig: Pick<RigSetting, 'fixedCm' | 'onwardCm'> }
  | { readonly ok: false; readonly message: string }

const mostPulleys = 2 + mostOnwardPulleys

/**
 * Reads the pulleys of a beam as they are typed, cm from the groin towards the foot: "18, 78, 150".
 * @param liftAtCm the planned place of the carried pulley, cm from the groin, from which the rig counts the first two
 * @returns the first two as the fixed pulleys to either side, the rest in turn; or what to type instead
 */
export function readPulleys(text: string, liftAtCm: number): PulleyPlaces {
  const parts = text.split(/[\s;,]+/).filter((part) => part !== '')
  const places = parts.map(Number)
  const refuse = (message: string): PulleyPlaces => ({ ok: false, message })
  const unread = parts.find((_, index) => !Number.isFinite(places[index]))
  if (unread !== undefined) return refuse(`"${unread}" is no place: type the pulleys as 18, 78, 150, in cm from the groin.`)
  if (places.length < 2 || places.length > mostPulleys)
    return refuse(`Pulleys must be 2 to ${mostPulleys} places, not ${places.length}: type them as 18, 78, 150.`)
  if (places.some((place, index) => index > 0 && place <= (places[index - 1] ?? 0)))
    return refuse('Pulleys must go from head to foot: type the smallest place first.')
  const { least, greatest } = limits.rigOnwardCm
  const far = places.find((place) => place < least - 100 || place > greatest)
  if (far !== undefined) return refuse(`A pulley at ${far} cm is not over this bed: places go from ${least - 100} to ${greatest} cm.`)
  const [head = 0, foot = 0, ...onwardCm] = places
  if (head >= liftAtCm || foot <= liftAtCm)
    return refuse(
      `One pulley must be headward and one footward of the carried one, ${liftAtCm.toFixed(0)} cm from the groin: move them, or take a straight cord.`,
    )
  return { ok: true, rig: { fixedCm: [head - liftAtCm, foot - liftAtCm], onwardCm } }
}
