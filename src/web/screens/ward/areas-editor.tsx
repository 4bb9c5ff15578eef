import { useState } from 'react'
import type { AreasSetBody } from '#contract/events/ward/areas-set'
import type { Area, WardRecord } from '#contract/records/ward'
import { Button } from '../../parts/button'
import { Notice } from '../../parts/notice'
import { TextField } from '../../parts/text-field'
import { Form } from '../../parts/form'
import { missingIn } from '../../parts/required'

/** The beds of each area: what a new case and a move offer. */
export function AreasEditor({ ward, mayChange, onKeep }: { ward: WardRecord; mayChange: boolean; onKeep: (body: AreasSetBody) => void }) {
  const [name, setName] = useState('')
  const [beds, setBeds] = useState('')
  const [error, setError] = useState<string | null>(null)
  const add = (): void => {
    const area = readArea(name, beds)
    if (typeof area === 'string') return setError(area)
    onKeep({ areas: [...ward.areas.filter((one) => one.name !== area.name), area] })
  }
  return (
    <section aria-labelledby="areas" className="grid gap-3">
      <h2 id="areas" className="text-lg font-bold">
        Places
      </h2>
      {ward.areas.length === 0 ? <p className="text-soft">None are set: places are typed as they come.</p> : null}
      <ul className="grid gap-1">
        {ward.areas.map((area) => (
          <li key={area.name} className="flex flex-wrap items-center gap-x-3 rounded-2xl border border-line bg-sheet px-4 py-2">
            <strong>{area.name}</strong>
            <span className="text-soft">{area.beds.length === 0 ? 'one place' : area.beds.join(', ')}</span>
            {mayChange ? (
              <Button
                look="quiet"
                className="ml-auto"
                aria-label={`Take out ${area.name}`}
                onClick={() => onKeep({ areas: ward.areas.filter((one) => one !== area) })}
              >
                Take out
              </Button>
            ) : null}
          </li>
        ))}
      </ul>
      {mayChange ? (
        <Form onSend={add} className="grid items-end gap-3 sm:grid-cols-[1fr_1fr_auto]">
          <TextField label="Area" value={name} maxLength={60} placeholder="Ward A" onChange={(event) => setName(event.target.value)} />
          <TextField
            label="Beds: how many, or their names"
            value={beds}
            maxLength={600}
            placeholder="12, or: window, door"
            onChange={(event) => setBeds(event.target.value)}
          />
          <Button type="submit">Keep the area</Button>
          {error ? (
            <div className="sm:col-span-3">
              <Notice tone="caution" lead={error} role="alert" />
            </div>
          ) : null}
        </Form>
      ) : null}
    </section>
  )
}

const mostBeds = 100

/** What was typed as an area, or what is wrong with it in words. */
function readArea(name: string, beds: string): Area | string {
  const own = name.trim()
  const missing = missingIn('area', { area: own })
  if (missing) return missing
  const text = beds.trim()
  if (/^\d+$/.test(text)) {
    const count = Number(text)
    if (count > mostBeds) return `Beds are too many: ${mostBeds} at most in one area.`
    return { name: own, beds: Array.from({ length: count }, (_, at) => `bed ${at + 1}`) }
  }
  const names = [...new Set(text.split(',').map((one) => one.trim()))].filter(Boolean)
  if (names.length > mostBeds) return `Beds are too many: ${mostBeds} at most in one area.`
  if (names.some((one) => one.length > 30)) return 'The name of a bed is too long: keep it to 30 letters.'
  return { name: own, beds: names }
}
