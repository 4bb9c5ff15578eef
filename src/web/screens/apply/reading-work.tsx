import { useEffect, useRef, useState } from 'react'
import type { Measurement } from '#core/model/clinical-case'
import type { MeasurementDefinition } from '#core/model/measurement-definition'
import type { Caution } from '#core/model/plan'
import type { Step, StepReading } from '#core/model/step'
import { resolveOptions } from '#core/planner/resolve-options'
import { parseReading } from '#core/quantities/parse-reading'
import { defaultProtocol } from '#core/quantities/defaults'
import { findTechnique } from '#core/techniques/registry'
import { toClinicalCase } from '#contract/views/clinical-case'
import { ReadingAnswer } from '../../case/reading-answer'
import { toReading } from '../../case/take-reading'
import { ChoiceRow } from '../../parts/choice-row'
import { Notice } from '../../parts/notice'
import { TextField } from '../../parts/text-field'
import { writeEvent, type OpenCase } from '../../sync/case-store'
import { useSettings } from '../../sync/session-store'
import { useDraft } from '../../sync/use-draft'

/**
 * Readings of a step, taken where they arise: each with what is wanted and what was read last, and under them what they bring, answered there.
 * @param brought cautions of this step that the readings brought since the plan was made
 */
export function ReadingWork({ open, step, brought }: { open: OpenCase; step: Step; brought: readonly Caution[] }) {
  const definitions = definitionsOf(open)
  return (
    <section aria-label="Readings of this step" className="grid gap-3 rounded-2xl border border-line p-3">
      <div className="grid gap-3 sm:grid-cols-2">
        {(step.reads ?? []).flatMap((asked) => {
          const definition = definitions.find((one) => one.id === asked.id)
          return definition ? (
            <ReadingField key={`${asked.id}/${asked.side ?? ''}`} open={open} asked={asked} definition={definition} />
          ) : (
            []
          )
        })}
      </div>
      {brought.map((caution) => (
        <Notice key={`${caution.code} ${caution.text}`} tone={caution.level} lead={caution.text} role="status">
          {caution.why}
          <ReadingAnswer caseId={open.record.id} id={caution.code} text={caution.text} />
        </Notice>
      ))}
    </section>
  )
}

function definitionsOf({ record, episode }: OpenCase): readonly MeasurementDefinition[] {
  const technique = findTechnique(record.technique)
  const clinicalCase = toClinicalCase(record, episode)
  if (!technique) return []
  return technique
    .measurements(clinicalCase, resolveOptions(technique, clinicalCase, defaultProtocol).values)
    .map(({ definition }) => definition)
}

function ReadingField({ open, asked, definition }: { open: OpenCase; asked: StepReading; definition: MeasurementDefinition }) {
  const { record, episode } = open
  const settings = useSettings()
  const key = `case/${record.id}/step-reading/${asked.id}/${asked.side ?? ''}`
  const [text, setText] = useDraft(key)
  const [error, setError] = useState<string>()
  const injured = episode.injuries[record.injuryId]?.side ?? null
  const side = asked.side ?? (definition.sideRule === 'wearing' ? injured : null)
  const last = record.measurements.findLast((one) => one.id === asked.id && (side === null || one.side === side))
  const keep = (): void => {
    if (text.trim() === '') return
    const parsed = parseReading(text)
    if (!parsed.ok) return setError(parsed.message)
    const reading = toReading(definition, parsed, text, side, settings)
    if (typeof reading === 'string') return setError(reading)
    setError(undefined)
    setText('')
    void writeEvent('reading', reading)
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
        label={asked.label}
        value={typeof last?.value === 'string' ? last.value : ''}
        choices={definition.words.map((value) => ({ value, label: value.replaceAll('-', ' ') }))}
        onChange={(value) => void writeEvent('reading', { id: asked.id, value })}
      />
    )
  }
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault()
        keep()
      }}
    >
      <TextField
        label={asked.label}
        value={text}
        error={error}
        hint={`Wanted: ${asked.wanted}.${last ? ` Read: ${lastWords(last)}.` : ''}`}
        inputMode="decimal"
        onChange={(event) => {
          setError(undefined)
          setText(event.target.value)
        }}
        onBlur={keep}
      />
    </form>
  )
}

function lastWords({ value, unit }: Measurement): string {
  return `${value}${unit ? ` ${unit}` : ''}`
}
