import type { Problem } from '#core/model/problem'
import { Button } from '../../parts/button'
import { TextField } from '../../parts/text-field'
import type { ProtocolForm, StretchRow } from './protocol-form'

const lists = [
  { field: 'usual', title: 'Usual', line: 'From the application on, until shifts take over.' },
  {
    field: 'atRisk',
    title: 'At risk',
    line: 'Fresh tibia, high energy, operated, blocked, closed cast, urgent: guarded, longer only with two signatures.',
  },
] as const

/** When rounds fall due: two lists, and the shifts that go on after them. */
export function RoundLists({
  form,
  problems,
  onChange,
}: {
  form: ProtocolForm
  problems: readonly Problem[]
  onChange: (form: ProtocolForm) => void
}) {
  return (
    <div className="grid gap-6">
      {lists.map(({ field, title, line }) => (
        <StretchList
          key={field}
          title={title}
          line={line}
          rows={form[field]}
          errorOf={(row) => problems.find((problem) => problem.path === `rounds/${field}/${row}`)?.message}
          error={problems.find((problem) => problem.path === `rounds/${field}`)?.message}
          onChange={(rows) => onChange({ ...form, [field]: rows })}
        />
      ))}
      <TextField
        label="Shifts change at"
        value={form.shifts}
        hint="Rounds go on at these times after the list, until the device is off."
        error={problems.find((problem) => problem.path.startsWith('rounds/shifts'))?.message}
        className="max-w-md"
        onChange={(event) => onChange({ ...form, shifts: event.target.value })}
      />
    </div>
  )
}

function StretchList({
  title,
  line,
  rows,
  errorOf,
  error,
  onChange,
}: {
  title: string
  line: string
  rows: readonly StretchRow[]
  errorOf: (row: number) => string | undefined
  error: string | undefined
  onChange: (rows: readonly StretchRow[]) => void
}) {
  const change = (index: number, row: Partial<StretchRow>): void =>
    onChange(rows.map((one, at) => (at === index ? { ...one, ...row } : one)))
  return (
    <fieldset className="grid gap-2">
      <legend className="text-lg font-bold">{title}</legend>
      <p className="text-soft">{line}</p>
      {rows.map((row, index) => (
        <div key={index} className="grid gap-1">
          <div className="flex flex-wrap items-center gap-x-2 gap-y-1">
            <span className="w-10 text-soft">{index === 0 ? 'every' : 'then'}</span>
            <input
              aria-label={`${title}, row ${index + 1}: minutes between rounds`}
              inputMode="numeric"
              value={row.everyMin}
              className="field-box numeral w-20"
              onChange={(event) => change(index, { everyMin: event.target.value })}
            />
            <span className="text-soft">min,</span>
            <input
              aria-label={`${title}, row ${index + 1}: how many times`}
              inputMode="numeric"
              value={row.times}
              className="field-box numeral w-20"
              onChange={(event) => change(index, { times: event.target.value })}
            />
            <span className="min-w-32 text-soft">times{untilWords(rows, index)}</span>
            <Button
              look="quiet"
              aria-label={`${title}: take out row ${index + 1}`}
              onClick={() => onChange(rows.filter((_, at) => at !== index))}
            >
              Take out
            </Button>
          </div>
          <Fault text={errorOf(index)} />
        </div>
      ))}
      <Fault text={error} />
      <p>
        <Button aria-label={`${title}: one more row`} onClick={() => onChange([...rows, { everyMin: '240', times: '1' }])}>
          One more row
        </Button>
      </p>
    </fieldset>
  )
}

function Fault({ text }: { text: string | undefined }) {
  return text ? (
    <p role="alert" className="font-semibold text-stop">
      {text}
    </p>
  ) : null
}

/** How far a list has come after a row, so that nobody adds it up. */
function untilWords(rows: readonly StretchRow[], index: number): string {
  const minutes = rows.slice(0, index + 1).reduce((sum, one) => sum + Number(one.everyMin) * Number(one.times), 0)
  if (!Number.isFinite(minutes)) return ''
  return minutes < 120 ? `, to ${minutes} min` : `, to ${Math.round((minutes / 60) * 10) / 10} h`
}
