import { assessed, isCannotAssess } from '#core/model/observation'
import { spoken } from '#core/model/vocabulary'
import type { RoundRecord } from './episode'

/** One thing that a round entered. */
export interface Observation {
  /** `leg-left/pulse`, `leg-left/feeling/tibial`, `vital/systolic`. */
  readonly item: string
  readonly value: string
}

const aside: readonly string[] = ['limb', 'side', 'isAlsoPartial']

/** Everything that a round entered, in its order; what could not be assessed with why. */
export function observationsOf({ findings }: Pick<RoundRecord, 'findings'>): readonly Observation[] {
  const found: Observation[] = []
  const put = (item: string, value: unknown): void => {
    if (value !== undefined) found.push({ item, value: wordOf(value) })
  }
  for (const limb of findings.limbs) {
    const part = `${limb.limb}-${limb.side}`
    for (const [field, value] of Object.entries(limb)) {
      if (aside.includes(field)) continue
      if (isNested(value)) for (const [id, one] of Object.entries(value)) put(`${part}/${field}/${id}`, one)
      else put(`${part}/${field === 'refillS' ? 'refill' : field}`, value)
    }
  }
  for (const [block, items] of [
    ['neck', findings.neck],
    ['spine', findings.spine],
    ['vital', findings.vital],
  ] as const)
    for (const [id, value] of Object.entries(items ?? {})) put(`${block}/${id}`, value)
  return found
}

function isNested(value: unknown): value is Readonly<Record<string, unknown>> {
  return typeof value === 'object' && value !== null && !Array.isArray(value) && !isCannotAssess(value)
}

function wordOf(value: unknown): string {
  if (isCannotAssess(value)) return `cannot: ${(value as { readonly reason: string }).reason}`
  const known = assessed(value)
  if (Array.isArray(known)) return known.length === 0 ? 'none' : known.map((one) => spoken(String(one))).join(', ')
  return typeof known === 'boolean' ? (known ? 'yes' : 'no') : String(known)
}
