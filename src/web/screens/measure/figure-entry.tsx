import { useEffect, useRef, useState } from 'react'
import { limits } from '#core/model/limits'
import type { PatientFigure } from '#core/planner/still-missing'
import type { PatientDetails } from '#contract/records/episode'
import { Button } from '../../parts/button'
import { ChoiceRow } from '../../parts/choice-row'
import { Form } from '../../parts/form'
import { Notice } from '../../parts/notice'
import { writeEvent } from '../../sync/case-store'
import { useDraft } from '../../sync/use-draft'
import { Keypad } from './keypad'

const words: Readonly<
  Record<PatientFigure, { readonly label: string; readonly unit: string; readonly guess?: 'isMassEstimated' | 'isAgeEstimated' }>
> = {
  massKg: { label: 'Weight', unit: 'kg', guess: 'isMassEstimated' },
  heightCm: { label: 'Height', unit: 'cm' },
  ageYears: { label: 'Age', unit: 'years', guess: 'isAgeEstimated' },
}

/** A figure of the patient that the plan waits for, asked where readings are: a fair guess is said to be one. */
export function FigureEntry({
  caseId,
  patient,
  figure,
  why,
}: {
  caseId: string
  patient: PatientDetails
  figure: PatientFigure
  why: string
}) {
  const { label, unit, guess } = words[figure]
  const [text, setText] = useDraft(`case/${caseId}/figure/${figure}`)
  const [error, setError] = useState<string | null>(null)
  const [isGuess, setGuess] = useState(true)
  const input = useRef<HTMLInputElement>(null)
  const isTouch = window.matchMedia('(pointer: coarse)').matches
  useEffect(() => input.current?.focus({ preventScroll: true }), [figure])
  const type = (typed: string): void => {
    setText(typed)
    setError(null)
  }
  const enter = (): void => {
    const value = Number(text.trim().replace(',', '.'))
    const { least, greatest } = limits[figure]
    if (text.trim() === '' || !Number.isFinite(value)) return setError(`${label} is not a figure: type it like 70 or 70.5.`)
    if (value < least || value > greatest) return setError(`${label} must be from ${least} to ${greatest} ${unit}: check the figure.`)
    setText('')
    void writeEvent('patient', { ...patient, [figure]: value, ...(guess ? { [guess]: isGuess } : {}) })
  }
  return (
    <section aria-label={`Of the patient: ${label}`} className="grid content-start gap-3">
      <div id="figure-what">
        <h2 className="text-xl font-bold sm:text-2xl">{label}</h2>
        <p className="max-w-prose sm:text-lg">{why}</p>
      </div>
      {guess ? (
        <ChoiceRow
          label="How it is known"
          value={isGuess ? 'guess' : 'known'}
          choices={[
            { value: 'guess', label: 'Estimated' },
            { value: 'known', label: figure === 'massKg' ? 'Weighed' : 'Told' },
          ]}
          onChange={(how) => setGuess(how === 'guess')}
        />
      ) : null}
      <Form onSend={enter} className="grid grid-cols-[1fr_auto] gap-2 sm:gap-3">
        <label className="grid gap-1.5">
          <span className="text-sm font-semibold text-soft">
            {label}, {unit}
          </span>
          <input
            ref={input}
            value={text}
            onChange={(event) => type(event.target.value)}
            autoComplete="off"
            inputMode={isTouch ? 'none' : 'decimal'}
            aria-invalid={error ? true : undefined}
            aria-describedby="figure-what figure-message"
            className="numeral h-16 w-full rounded-2xl border-2 border-ink bg-sheet px-5 text-4xl aria-invalid:border-stop"
          />
        </label>
        <Button type="submit" look="next" className="min-h-16 self-end px-6 text-lg">
          Enter
        </Button>
      </Form>
      <div id="figure-message">{error ? <Notice tone="stop" lead={error} role="alert" /> : null}</div>
      <Keypad
        hasUnits={false}
        text={text}
        onType={(typed) => {
          type(typed)
          input.current?.focus()
        }}
      />
    </section>
  )
}
