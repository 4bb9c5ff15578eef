import { useEffect, useRef, useState } from 'react'
import type { Measurement } from '#core/model/clinical-case'
import type { MeasurementDefinition } from '#core/model/measurement-definition'
import type { StepReading } from '#core/model/step'
import { resolveOptions } from '#core/planner/resolve-options'
import { parseReading } from '#core/quantities/parse-reading'
import { findTechnique } from '#core/techniques/registry'
import { toClinicalCase } from '#ward/case/clinical-case'
import { protocolOf } from '#contract/records/case'
import { ChoiceRow } from '../../parts/choice-row'
import { TextField } from '../../parts/text-field'
import { writeEvent, type OpenCase } from '../../sync/case-store'
import { useSettings } from '../../sync/session-store'
import { useDraft } from '../../sync/use-draft'
import { toReading } from './take-reading'
import { Form } from '../../parts/form'

/**
 * One reading where it arises, with what is wanted and what was read; kept as soon as the field is left.
 * @param stepId the step at which it is taken; none for a task
 * @param freshFromMs readings from before it are never this one's answer
 */
export function ReadingField({
  open,
  asked,
  stepId,
  freshFromMs,
}: {
  open: OpenCase
  asked: StepReading
  stepId?: string
  freshFromMs?: number
}) {
  const definition = findDefinition(open, asked.id)
  return definition ? (
    <DefinedField open={open} asked={asked} stepId={stepId ?? null} definition={definition} freshFromMs={freshFromMs ?? -Infinity} />
  ) : null
}

/** The definition of a measurement as the case's technique asks for it; null where it does not. */
export function findDefinition({ record, episode }: OpenCase, id: string): MeasurementDefinition | null {
  const technique = findTechnique(record.technique)
  if (!technique) return null
  const clinicalCase = toClinicalCase(record, episode)
  const asked = technique.measurements(clinicalCase, resolveOptions(technique, clinicalCase, protocolOf(record)).values)
  return asked.find(({ definition }) => definition.id === id)?.definition ?? null
}

function DefinedField({
  open,
  asked,
  stepId,
  definition,
  freshFromMs,
}: {
  open: OpenCase
  asked: StepReading
  stepId: string | null
  definition: MeasurementDefinition
  freshFromMs: number
}) {
  const { record, episode } = open
  const settings = useSettings()
  const key = `case/${record.id}/step-reading/${asked.id}/${asked.side ?? ''}`
  const [text, setText] = useDraft(key)
  const [error, setError] = useState<string>()
  const injured = episode.injuries[record.injuryId]?.side ?? null
  const side = asked.side ?? (definition.sideRule === 'wearing' ? injured : null)
  const last = record.measurements.findLast((measurement) => measurement.id === asked.id && (side === null || measurement.side === side))
  const isFresh = last !== undefined && (freshFromMs === -Infinity || Date.parse(last.at ?? '') >= freshFromMs)
  const lastWords = wordsOfLast(last, isFresh, stepId === null)
  // The posture and the moment are those of the step, not of the definition.
  const moment = { posture: asked.posture ?? definition.posture, ...(stepId ? { stepId } : {}) }
  const keep = (): void => {
    if (text.trim() === '') return
    const parsed = parseReading(text)
    if (!parsed.ok) return setError(parsed.message)
    const reading = toReading(definition, parsed, text, side, settings)
    if (typeof reading === 'string') return setError(reading)
    setError(undefined)
    setText('')
    void writeEvent('reading', { ...reading, ...moment })
  }
  const flush = useRef(() => undefined as void)
  useEffect(() => {
    flush.current = keep
  })
  // What was typed is in the record although nobody pressed a second button.
  useEffect(() => () => flush.current(), [])
  if (definition.words) {
    return (
      <ChoiceRow
        label={last && !isFresh ? `${asked.label} (last ${String(last.value).replaceAll('-', ' ')})` : asked.label}
        value={isFresh && typeof last.value === 'string' ? last.value : ''}
        choices={definition.words.map((value) => ({ value, label: value.replaceAll('-', ' ') }))}
        onChange={(value) => void writeEvent('reading', { id: asked.id, value, ...(side ? { side } : {}), ...moment })}
      />
    )
  }
  return (
    <Form onSend={keep}>
      <TextField
        label={asked.label}
        value={text}
        error={error}
        hint={`Wanted: ${asked.wanted}.${asked.posture ? ` ${asked.posture}.` : ''}${lastWords}`}
        inputMode="decimal"
        onChange={(event) => {
          setError(undefined)
          setText(event.target.value)
        }}
        onBlur={keep}
      />
    </Form>
  )
}

/** What was read here, or at the last task of the kind; a step's own words say what it was the last time it was on. */
function wordsOfLast(last: Measurement | undefined, isFresh: boolean, isTask: boolean): string {
  if (!last || (!isFresh && !isTask)) return ''
  return ` ${isFresh ? 'Read' : 'Last'}: ${last.value}${last.unit ? ` ${last.unit}` : ''}.`
}
