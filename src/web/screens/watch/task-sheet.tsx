import { useState } from 'react'
import { occasionGapH } from '#core/figures/body/occasions'
import type { TaskAsk, TaskForm } from '#core/model/task-form'
import { formatValue } from '#core/planner/format-decision'
import { formOfPlan, plannedKg } from '#core/rounds/planned-weights'
import { taskFormOf } from '#core/rounds/task-form-of'
import { findTechnique } from '#core/techniques/registry'
import type { OwedWork } from '#ward/owed/work-owed'
import { ReadingField } from '../../case/readings/reading-field'
import { ChoiceRow } from '../../parts/choice-row'
import { TextField } from '../../parts/text-field'
import { writeEvent, type OpenCase } from '../../sync/case-store'
import { serverNow } from '../../sync/server-clock'
import { useDraft } from '../../sync/use-draft'
import { readAnswers } from './read-answers'
import { SheetForm } from '../../parts/sheet-form'

/** Doing a piece of owed work: what is said of it, kept with the time. */
export function TaskSheet({ open, work, onClose }: { open: OpenCase; work: OwedWork; onClose: () => void }) {
  const technique = findTechnique(open.record.technique)
  const decisions = open.record.accepted?.plan.decisions ?? []
  const form =
    work.kind === 'round' || work.kind === 'added' ? [] : formOfPlan(taskFormOf(technique, { id: work.id, kind: work.kind }), decisions)
  const [draft, setDraft] = useDraft(`case/${open.record.id}/task/${work.id}`)
  const typed = parseDraft(draft)
  const [error, setError] = useState<string | null>(null)
  const set = (id: string, value: string): void => {
    setError(null)
    setDraft(JSON.stringify({ ...typed, [id]: value }))
  }
  const [openedMs] = useState(serverNow)
  const freshFromMs = Math.max(openedMs - occasionGapH * 3_600_000, work.lastDoneAt === null ? 0 : Date.parse(work.lastDoneAt))
  const keep = (): void => {
    const read = readAnswers(form, { ...wordsRead(open, form, freshFromMs), ...typed })
    if (!read.ok) return setError(read.message)
    setDraft('')
    onClose()
    void writeEvent('task-done', { taskId: work.id, text: work.text, outcome: 'done', reason: '', answers: read.answers })
  }
  return (
    <SheetForm title={work.text} isWide={form.length > 3} error={error} sendLabel="Done" onSend={keep} onClose={onClose}>
      <div className="grid items-start gap-4 sm:grid-cols-2">
        {form.map((ask) => (
          <AskField
            key={`${ask.id}/${'side' in ask ? ask.side : ''}`}
            open={open}
            ask={ask}
            freshFromMs={freshFromMs}
            value={typed[ask.id] ?? ''}
            onChange={(value) => set(ask.id, value)}
          />
        ))}
      </div>
      {form.length === 0 ? (
        <TextField
          label="Note (may stay empty)"
          value={typed['note'] ?? ''}
          maxLength={300}
          onChange={(event) => set('note', event.target.value)}
        />
      ) : null}
    </SheetForm>
  )
}

/** What was read of skin since the last care, by its measurement: a look that has been made. */
function wordsRead({ record }: OpenCase, form: TaskForm, freshFromMs: number): Readonly<Record<string, string>> {
  const asked = new Set(form.flatMap((ask) => (ask.kind === 'reading' ? [ask.id] : [])))
  const fresh = record.measurements.filter((measurement) => asked.has(measurement.id) && Date.parse(measurement.at ?? '') >= freshFromMs)
  return Object.fromEntries(fresh.map((reading) => [reading.id, String(reading.value)]))
}

function AskField({
  open,
  ask,
  freshFromMs,
  value,
  onChange,
}: {
  open: OpenCase
  ask: TaskAsk
  freshFromMs: number
  value: string
  onChange: (value: string) => void
}) {
  if (ask.kind === 'reading') return <ReadingField open={open} asked={ask} freshFromMs={freshFromMs} />
  if (ask.kind === 'choice') return <ChoiceRow label={ask.label} value={value || null} choices={ask.choices} onChange={onChange} />
  const planned = ask.kind === 'figure' ? plannedKg(ask, open.record.accepted?.plan.decisions ?? []) : null
  return (
    <TextField
      label={ask.kind === 'figure' ? `${ask.label}, ${ask.unit}` : ask.label}
      {...(planned === null ? {} : { hint: `planned ${formatValue(planned, 'kg')}` })}
      value={value}
      maxLength={300}
      {...(ask.kind === 'figure' ? { inputMode: 'decimal' as const } : {})}
      onChange={(event) => onChange(event.target.value)}
    />
  )
}

function parseDraft(text: string): Readonly<Record<string, string>> {
  return text === '' ? {} : (JSON.parse(text) as Record<string, string>)
}
