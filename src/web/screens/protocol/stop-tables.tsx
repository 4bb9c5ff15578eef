import type { Problem } from '#core/model/problem'
import { Button } from '../../parts/button'
import { TextField } from '../../parts/text-field'
import type { ProtocolForm, StopsRow } from './protocol-form'

const columns = [
  { field: 'fromWeek', label: 'From week' },
  { field: 'extensionStopDeg', label: 'Extension °' },
  { field: 'flexionStopDeg', label: 'Flexion °' },
  { field: 'lock', label: 'Lock' },
] as const
const newRow: StopsRow = { fromWeek: '0', extensionStopDeg: '0', flexionStopDeg: '90', lock: 'open' }

/** Local tables of brace stops by week. */
export function StopTables({
  form,
  problems,
  onChange,
}: {
  form: ProtocolForm
  problems: readonly Problem[]
  onChange: (form: ProtocolForm) => void
}) {
  const change = (index: number, table: Partial<ProtocolForm['stops'][number]>): void =>
    onChange({ ...form, stops: form.stops.map((stop, at) => (at === index ? { ...stop, ...table } : stop)) })
  const faults = problems.filter((problem) => problem.path.startsWith('stopTables'))
  return (
    <div className="grid gap-4">
      <p className="text-soft">A table counts as the order where nobody ordered otherwise; the surgeon’s own order comes first.</p>
      {faults.map((fault) => (
        <p key={fault.path + fault.message} role="alert" className="font-semibold text-stop">
          {fault.message}
        </p>
      ))}
      {form.stops.map(({ name, rows }, index) => (
        <fieldset key={index} className="grid gap-2 rounded-2xl border border-line bg-sheet p-4">
          <legend className="sr-only">Table {name || index + 1}</legend>
          <div className="flex flex-wrap items-end gap-3">
            <TextField
              label="Name of the table"
              value={name}
              maxLength={60}
              className="min-w-48 flex-1"
              onChange={(event) => change(index, { name: event.target.value })}
            />
            <Button
              look="quiet"
              aria-label={`Take out table ${name || index + 1}`}
              onClick={() => onChange({ ...form, stops: form.stops.filter((_, at) => at !== index) })}
            >
              Take out
            </Button>
          </div>
          {rows.map((row, at) => (
            <div key={at} className="flex flex-wrap items-end gap-2">
              {columns.map(({ field, label }) => (
                <TextField
                  key={field}
                  label={label}
                  aria-label={`${name || `Table ${index + 1}`}, row ${at + 1}: ${label}`}
                  value={row[field]}
                  className="w-24"
                  onChange={(event) =>
                    change(index, { rows: rows.map((one, place) => (place === at ? { ...one, [field]: event.target.value } : one)) })
                  }
                />
              ))}
              <Button
                look="quiet"
                aria-label={`Take out row ${at + 1} of ${name || `table ${index + 1}`}`}
                onClick={() => change(index, { rows: rows.filter((_, place) => place !== at) })}
              >
                Take out
              </Button>
            </div>
          ))}
          <p>
            <Button onClick={() => change(index, { rows: [...rows, { ...(rows.at(-1) ?? newRow), fromWeek: '' }] })}>One more row</Button>
          </p>
        </fieldset>
      ))}
      <p>
        <Button onClick={() => onChange({ ...form, stops: [...form.stops, { name: '', rows: [newRow] }] })}>A table of stops</Button>
      </p>
    </div>
  )
}
