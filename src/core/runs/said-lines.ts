import type { Step } from '../model/step'
import { postWords } from '../model/step-line'

/** A step as it is shown and said: its headline, and its lines with who does each; the whole text where it is not cut into lines. */
export interface SaidStep {
  readonly headline: string
  readonly lines: readonly { readonly id: string; readonly who: string | null; readonly text: string }[]
}

/** What a step says, line by line; `who` is null where it is whoever applies. */
export function saidLines({ text, headline, lines, items }: Pick<Step, 'text' | 'headline' | 'lines' | 'items'>): SaidStep {
  const cut = (lines ?? []).filter((line) => !line.isUncut)
  // What a text says beside its lines is never left unsaid.
  const isWhole = headline !== undefined && (items || text === [`${headline}.`, ...cut.map((line) => line.text)].join(' '))
  if (headline === undefined || cut.length === 0 || !isWhole) return { headline: text, lines: [] }
  return { headline, lines: cut.map(({ id, by, text: said }) => ({ id, who: by === 'you' ? null : postWords[by], text: said })) }
}
