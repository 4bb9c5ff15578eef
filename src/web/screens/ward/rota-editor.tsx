import { useState } from 'react'
import type { Rota, Shift, WardRecord } from '#contract/records/ward'
import { Button } from '../../parts/button'
import { ChoiceSet } from '../../parts/choice-row'
import { Notice } from '../../parts/notice'
import { TextField } from '../../parts/text-field'
import { Form } from '../../parts/form'
import { missingIn } from '../../parts/required'

const days = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const

/** Who holds which role, when and where: the next shift is one line more. */
export function RotaEditor({ ward, mayChange, onKeep }: { ward: WardRecord; mayChange: boolean; onKeep: (rota: Rota) => void }) {
  const [isAdding, setAdding] = useState(false)
  const takeOut = (rota: Rota, shift: Shift): void => onKeep({ ...rota, shifts: rota.shifts.filter((one) => one !== shift) })
  return (
    <section aria-labelledby="rota" className="grid gap-3">
      <h2 id="rota" className="text-lg font-bold">
        Who is on
      </h2>
      {ward.rotas.length === 0 ? <p className="text-soft">Nobody is entered: pages go to roles without a name.</p> : null}
      {ward.rotas.map((rota) => (
        <div key={rota.area} className="rounded-2xl border border-line bg-sheet p-4">
          <h3 className="font-bold">{rota.area || 'Everywhere'}</h3>
          <ul className="grid gap-1">
            {rota.shifts.map((shift, index) => (
              <li key={index} className="flex flex-wrap items-center gap-x-3">
                <span className="numeral w-32">
                  {shift.from} to {shift.until}
                </span>
                <strong>{shift.name}</strong>
                <span className="text-soft">
                  {shift.role}, {daysWords(shift.days)}
                </span>
                {mayChange ? (
                  <Button
                    look="quiet"
                    className="ml-auto"
                    aria-label={`Take out ${shift.name}, ${shift.from} to ${shift.until}`}
                    onClick={() => takeOut(rota, shift)}
                  >
                    Take out
                  </Button>
                ) : null}
              </li>
            ))}
          </ul>
        </div>
      ))}
      {isAdding ? (
        <ShiftForm
          onCancel={() => setAdding(false)}
          onKeep={(area, shift) => {
            setAdding(false)
            onKeep({ area, shifts: [...(ward.rotas.find((rota) => rota.area === area)?.shifts ?? []), shift] })
          }}
        />
      ) : mayChange ? (
        <p>
          <Button onClick={() => setAdding(true)}>Add a shift</Button>
        </p>
      ) : null}
    </section>
  )
}

function ShiftForm({ onCancel, onKeep }: { onCancel: () => void; onKeep: (area: string, shift: Shift) => void }) {
  const [fields, setFields] = useState({ area: '', role: '', name: '', from: '07:30', until: '19:30' })
  const [chosen, setChosen] = useState<readonly string[]>([...days])
  const [error, setError] = useState<string | null>(null)
  const set = (change: Partial<typeof fields>): void => setFields({ ...fields, ...change })
  const keep = (): void => {
    const [role, name, area] = [fields.role.trim(), fields.name.trim(), fields.area.trim()]
    const missing = missingIn('shift', { role, name, days: chosen })
    if (missing) return setError(missing)
    if (!isClock(fields.from) || !isClock(fields.until)) return setError('From and until are times such as 07:30.')
    onKeep(area, {
      role,
      name,
      from: fields.from,
      until: fields.until,
      days: days.flatMap((day, at) => (chosen.includes(day) ? [at + 1] : [])),
    })
  }
  return (
    <Form onSend={keep} className="grid gap-3 rounded-2xl border-2 border-ink bg-sheet p-4 sm:grid-cols-2">
      <TextField label="Role" value={fields.role} maxLength={80} onChange={(event) => set({ role: event.target.value })} autoFocus />
      <TextField label="Name" value={fields.name} maxLength={120} onChange={(event) => set({ name: event.target.value })} />
      <TextField label="From" type="time" value={fields.from} onChange={(event) => set({ from: event.target.value })} />
      <TextField label="Until" type="time" value={fields.until} onChange={(event) => set({ until: event.target.value })} />
      <TextField
        label="Area (empty: everywhere)"
        value={fields.area}
        maxLength={80}
        onChange={(event) => set({ area: event.target.value })}
        className="sm:col-span-2"
      />
      <div className="sm:col-span-2">
        <ChoiceSet label="Days" values={chosen} choices={days.map((value) => ({ value, label: value }))} onChange={setChosen} />
      </div>
      {error ? (
        <div className="sm:col-span-2">
          <Notice tone="caution" lead={error} role="alert" />
        </div>
      ) : null}
      <div className="flex flex-wrap gap-3 sm:col-span-2">
        <Button type="submit" look="next">
          Keep
        </Button>
        <Button onClick={onCancel}>Leave as it is</Button>
      </div>
    </Form>
  )
}

function isClock(text: string): boolean {
  return /^([01]\d|2[0-3]):[0-5]\d$/.test(text)
}

function daysWords(on: readonly number[]): string {
  return on.length === days.length ? 'every day' : on.map((day) => days[day - 1]).join(' ')
}
