import type { CaseRecord } from '#contract/records/case'
import type { TroubleRecord } from '#contract/records/run'

/** The last words that were typed beside a trouble: its sheet keeps them as a note that begins with its name; null where there are none. */
export function typedBeside({ notes }: Pick<CaseRecord, 'notes'>, { label, at }: Pick<TroubleRecord, 'label' | 'at'>): string | null {
  const note = notes.findLast((one) => one.text.startsWith(`${label}: `) && Date.parse(one.at) >= Date.parse(at))
  return note ? note.text.slice(label.length + 2) : null
}
