import { useId, useState } from 'react'
import type { Problem } from '#core/model/problem'
import { protocolFigures, type ProtocolFigure } from '#core/protocols/protocol-figures'
import { sourceKindWords } from '#core/techniques/guide-page'
import { TextField } from '../../parts/text-field'
import type { ProtocolForm } from './protocol-form'

/** Every constant that is computed with, its source, its range, and what counts here. */
export function FigureList({
  form,
  problems,
  onChange,
}: {
  form: ProtocolForm
  problems: readonly Problem[]
  onChange: (form: ProtocolForm) => void
}) {
  const [words, setWords] = useState('')
  const found = protocolFigures.filter((protocolFigure) => matches(protocolFigure, words))
  const groups = [...new Set(found.map((figure) => figure.group))]
  return (
    <div className="grid gap-3">
      <TextField
        label="Find a figure"
        value={words}
        placeholder="pull, swelling, minutes…"
        className="max-w-md"
        onChange={(event) => setWords(event.target.value)}
      />
      {groups.length === 0 ? <p className="text-soft">No figure is called that.</p> : null}
      {groups.map((group, index) => {
        const figures = found.filter((figure) => figure.group === group)
        const set = figures.filter((figure) => form.numbers[figure.key])
        const hasFault = figures.some((figure) => problems.some((each) => each.path === `numbers/${figure.key}`))
        return (
          <details
            key={group}
            className="rounded-2xl border border-line bg-sheet px-4 py-2"
            open={hasFault || set.length > 0 || words !== '' || index === 0}
          >
            <summary className="min-h-11 cursor-pointer content-center font-bold">
              {group} <span className="ml-2 font-normal text-soft">{set.length === 0 ? 'as shipped' : `${set.length} set here`}</span>
            </summary>
            <div className="grid divide-y divide-line">
              {figures.map((figure) => (
                <FigureField
                  key={figure.key}
                  figure={figure}
                  typed={form.numbers[figure.key] ?? ''}
                  error={problems.find((problem) => problem.path === `numbers/${figure.key}`)?.message}
                  onType={(typed) => onChange({ ...form, numbers: { ...form.numbers, [figure.key]: typed } })}
                />
              ))}
            </div>
          </details>
        )
      })}
    </div>
  )
}

function matches({ group, label, note = '' }: ProtocolFigure, words: string): boolean {
  const all = `${group} ${label} ${note}`.toLowerCase()
  return words
    .toLowerCase()
    .split(/\s+/)
    .every((word) => all.includes(word))
}

function FigureField({
  figure,
  typed,
  error,
  onType,
}: {
  figure: ProtocolFigure
  typed: string
  error: string | undefined
  onType: (typed: string) => void
}) {
  const id = useId()
  const { label, value, unit, source, note, least, greatest, guard } = figure
  return (
    <div className="grid grid-cols-[1fr_auto] items-center gap-x-4 py-2">
      <div>
        <label htmlFor={id} className="font-semibold">
          {label}
        </label>
        <p id={`${id}-about`} className="text-sm text-soft">
          {sourceKindWords[source].split(':')[0]}
          {note ? `, ${note}` : ''}. From {least} to {greatest}.{' '}
          {guard ? (
            <strong className="text-caution">
              {guard === 'never-more' ? 'More' : 'Less'} than {value} needs two signatures.
            </strong>
          ) : null}
        </p>
      </div>
      <div className="flex items-center gap-2">
        <input
          id={id}
          inputMode="decimal"
          value={typed}
          placeholder={String(value)}
          aria-invalid={error ? true : undefined}
          aria-describedby={`${id}-about`}
          className="field-box numeral w-28 aria-invalid:border-stop"
          onChange={(event) => onType(event.target.value)}
        />
        <span className="w-16 text-sm text-soft">{unit === 'ratio' ? '' : unit}</span>
      </div>
      {error ? (
        <p role="alert" className="col-span-2 font-semibold text-stop">
          {error}
        </p>
      ) : null}
    </div>
  )
}
