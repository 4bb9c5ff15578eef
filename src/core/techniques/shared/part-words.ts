import type { ClinicalCase } from '../../model/clinical-case'
import { bodyRegionOf, spoken } from '../../model/vocabulary'

/** The part that a device is on, in words: "LEFT leg", "neck". */
export function placeInWords({ region, side }: ClinicalCase['injury']): string {
  const body = region === undefined ? 'part' : bodyRegionOf(region)
  return [side?.toUpperCase(), spoken(body)].filter(Boolean).join(' ')
}

/** What is compared after something was done to a part: both limbs, or all four beside a neck or trunk. */
export function comparedWords({ region }: ClinicalCase['injury']): string {
  const body = region === undefined ? null : bodyRegionOf(region)
  return body === 'leg' || body === 'arm' ? `both ${body}s` : 'all four limbs'
}
