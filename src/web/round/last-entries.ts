import { assessed, isCannotAssess, type LimbFindings, type RoundInput } from '#core/model/observation'
import type { RoundRecord } from '#contract/records/episode'
import { cannot, noneOfThese, type RoundEntries } from './round-items'

/** What one round entered, in the words of the form: `<column>/<item>`, where a column is a side, a limb or a block. */
export function entriesOf(findings: Omit<RoundInput, 'atMin' | 'baseline'>, isColumn: boolean): RoundEntries {
  const entries: Record<string, string> = {}
  const put = (key: string, value: unknown): void => {
    if (value !== undefined) entries[key] = wordOf(value)
  }
  for (const limb of findings.limbs) {
    const column = isColumn ? `${limb.limb}-${limb.side}` : limb.side
    for (const [field, value] of Object.entries(limb)) {
      if (field === 'movement' || field === 'feeling' || field === 'power')
        for (const [id, one] of Object.entries(value as object)) put(`${column}/${field}/${id}`, one)
      else if (!aside.includes(field)) put(`${column}/${field}`, value)
    }
  }
  for (const block of [findings.neck, findings.spine]) for (const [id, value] of Object.entries(block ?? {})) put(`column/${id}`, value)
  for (const [id, value] of Object.entries(findings.vital ?? {})) put(`vital/${id}`, value)
  return entries
}

const aside: readonly string[] = ['limb', 'side', 'also', 'colourUsual', 'isAlsoPartial'] satisfies readonly (keyof LimbFindings)[]

function wordOf(value: unknown): string {
  if (isCannotAssess(value)) return cannot
  const known = assessed(value)
  return typeof known === 'boolean' ? (known ? 'yes' : 'no') : String(known)
}

/** Everything that the form held when a round was sent, so that it can be put right there. */
export function formEntriesOf(findings: Omit<RoundInput, 'atMin' | 'baseline'>, isColumn: boolean): RoundEntries {
  const entries: Record<string, string> = {
    ...entriesOf(findings, isColumn),
    ...(findings.analgesia === undefined ? {} : { analgesia: findings.analgesia ? 'yes' : 'no' }),
  }
  const reason = JSON.stringify(findings).match(/"cannotAssess":true,"reason":"([^"]*)"/)?.[1]
  if (reason) entries['reason'] = reason
  if (isColumn) return entries
  for (const limb of findings.limbs) {
    if (limb.colourUsual) entries[`${limb.side}/colourUsual`] = 'yes'
    if (!limb.also) continue
    const ticked = [...(limb.painBeyondExpected ? ['pain-beyond'] : []), ...(limb.spotPain ? ['spot-pain'] : []), ...limb.also]
    entries[`${limb.side}/also`] = ticked.length > 0 ? ticked.join(' ') : noneOfThese
  }
  return entries
}

/** What was entered last of an item, and when. */
export interface LastEntry {
  readonly word: string
  /** ISO 8601. */
  readonly at: string
}
export type LastEntries = Readonly<Record<string, LastEntry>>

/** The last thing that any of several rounds entered of each item, rounds in the order of time. */
export function lastEntries(rounds: readonly Pick<RoundRecord, 'at' | 'findings'>[], isColumn: boolean): LastEntries {
  const last: Record<string, LastEntry> = {}
  for (const { at, findings } of rounds) for (const [key, word] of Object.entries(entriesOf(findings, isColumn))) last[key] = { word, at }
  return last
}
