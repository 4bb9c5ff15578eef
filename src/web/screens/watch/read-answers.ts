import type { TaskAsk, TaskForm } from '#core/model/task-form'
import { measurementWords } from '#core/techniques/measurement-ids'

export type ReadAnswers =
  | { readonly ok: true; readonly answers: Readonly<Record<string, string | number>> }
  | { readonly ok: false; readonly message: string }

/**
 * What was said of a piece of work, ready to be kept. Every choice has to be made and skin looked at; figures may stay empty, and are read with comma or point.
 * @param typed as entered, by the id of each question; `note` where nothing is asked
 */
export function readAnswers(form: TaskForm, typed: Readonly<Record<string, string>>): ReadAnswers {
  const open = form.filter((ask) => isNeeded(ask) && !typed[ask.id]).map((ask) => ask.label)
  if (open.length > 0)
    return { ok: false, message: `Not said yet: ${open.join('; ')}. Look, say it, then press Done; or leave it as not done.` }
  const answers: Record<string, string | number> = {}
  const note = typed['note']?.trim()
  if (form.length === 0 && note) answers['note'] = note
  for (const ask of form) {
    const text = typed[ask.id]?.trim() ?? ''
    if (ask.kind === 'reading' || text === '') continue
    if (ask.kind !== 'figure') {
      answers[ask.id] = text
      continue
    }
    const value = Number(text.replace(',', '.'))
    if (!Number.isFinite(value) || value < ask.least || value > ask.greatest)
      return {
        ok: false,
        message: `${ask.label} takes a figure from ${ask.least} to ${ask.greatest} ${ask.unit}, not "${text}": enter it again.`,
      }
    answers[ask.id] = value
  }
  return { ok: true, answers }
}

/** Choices, weights that the plan decides, and readings that are judged in words. */
function isNeeded(ask: TaskAsk): boolean {
  return (
    ask.kind === 'choice' ||
    (ask.kind === 'figure' && ask.planned !== undefined) ||
    (ask.kind === 'reading' && measurementWords(ask.id) !== null)
  )
}
