import type { Step } from '../../model/step'
import type { LineAct, Post, StepLine } from '../../model/step-line'

type Common<Id extends string> = Pick<Step<Id>, 'id' | 'why' | 'prevents' | 'after' | 'minutes'> & Partial<Step<Id>>
type StepDraft<Id extends string> = Common<Id> &
  ({ readonly text: string } | { readonly headline: string; readonly lines: readonly StepLine[] })

/**
 * A step with what most steps have: one applier, no hold, dry, nowhere in particular. Whoever returns it as a step of a technique
 * (`Step<LegCastStep>`) is told by the compiler of a step it names that the technique does not have.
 * Cut into lines its text is its headline and its lines, joined.
 */
export function makeStep<Id extends string>(draft: StepDraft<Id>): Step<Id> {
  const { headline, lines } = draft
  const text = headline !== undefined && lines ? [`${headline}.`, ...lines.map((line) => line.text)].join(' ') : (draft.text ?? '')
  return { roles: [], hands: ['apply'], holds: null, wet: false, cautions: [], where: [], ...draft, text }
}

/** A line before it is numbered within its step. */
type LineDraft = Omit<StepLine, 'id' | 'act' | 'by' | 'text'>

/** One act of one person, as it is said to them. */
export function line(act: LineAct, by: Post, text: string, more: LineDraft = {}): Omit<StepLine, 'id'> {
  return { act, by, text, ...more }
}

/** Lines of a step with their ids: the act, and its number where a step has the act more than once; what does not apply is left out. */
export function linesOf(...drafts: readonly (Omit<StepLine, 'id'> | null | false)[]): readonly StepLine[] {
  const lines: StepLine[] = []
  for (const draft of drafts) {
    if (!draft) continue
    let number = 1
    for (const { act } of lines) if (act === draft.act) number++
    lines.push({ id: number === 1 ? draft.act : `${draft.act}-${number}`, ...draft })
  }
  return lines
}
