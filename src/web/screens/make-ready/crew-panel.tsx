import { X } from 'lucide-react'
import { useState } from 'react'
import { gripWords, gripsNeeded } from '#core/runs/grips'
import type { Plan } from '#core/model/plan'
import type { HandGrip } from '#core/model/step'
import type { CaseRecord, CrewMember } from '#contract/records/case'
import { useDraft } from '../../sync/use-draft'
import { Button } from '../../parts/button'
import { TextField } from '../../parts/text-field'
import { writeEvent } from '../../sync/case-store'
import { usePerson } from '../../sync/session-store'
import { missingIn } from '../../parts/required'

/** Who is here, and where each one's hands are: named once, shown at every step. */
export function CrewPanel({ record, plan }: { record: CaseRecord; plan: Plan }) {
  const person = usePerson()
  const [name, setName] = useDraft(`case/${record.id}/crew-name`)
  const [error, setError] = useState<string>()
  const crew = record.crew ?? []
  const places = gripsNeeded(plan.procedure.steps)
  const { body } = plan.geometry
  const save = (members: readonly CrewMember[]): void => void writeEvent('crew', { members })
  const add = (who: string): void => {
    const free = places.find((place) => !crew.some((member) => member.place === place)) ?? 'fetch'
    if (crew.some((member) => member.name === who)) return setError(`${who} is on the list already: give the second one another name.`)
    if (crew.length >= 12) return setError('Twelve are on the list already: take somebody off first.')
    setError(undefined)
    setName('')
    save([...crew, { name: who, place: free }])
  }
  const place = (member: CrewMember, to: HandGrip): void => save(crew.map((one) => (one === member ? { ...one, place: to } : one)))
  return (
    <section aria-labelledby="crew" className="grid gap-2">
      <h2 id="crew" className="font-bold">
        Who holds what
      </h2>
      {crew.length > 0 ? (
        <ul className="divide-y divide-line rounded-2xl border border-line bg-sheet">
          {crew.map((member) => (
            <li key={member.name} className="flex flex-wrap items-center gap-x-3 gap-y-1 px-3 py-1.5">
              <span className="min-w-28 flex-1 font-semibold">{member.name}</span>
              <select
                aria-label={`${member.name}: place`}
                value={member.place}
                onChange={(event) => place(member, event.target.value as HandGrip)}
                className="min-h-12 rounded-xl border-[1.5px] border-soft bg-sheet px-3"
              >
                {[...new Set([...places, member.place, 'fetch' as const])].map((one) => (
                  <option key={one} value={one}>
                    {gripWords(one, body)}
                  </option>
                ))}
              </select>
              <button
                type="button"
                aria-label={`${member.name} leaves`}
                onClick={() => save(crew.filter((one) => one !== member))}
                className="grid size-12 place-items-center rounded-xl"
              >
                <X size={18} aria-hidden />
              </button>
            </li>
          ))}
        </ul>
      ) : (
        <p className="text-soft">Nobody is named yet; the steps then say “you” and “helper”.</p>
      )}
      <form
        className="flex flex-wrap items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault()
          const missing = missingIn('crew', { name })
          if (missing) return setError(missing)
          add(name.trim())
        }}
      >
        <TextField
          label="Who is here"
          className="min-w-40 flex-1"
          value={name}
          maxLength={60}
          onChange={(event) => setName(event.target.value)}
          error={error}
        />
        <Button type="submit">Add</Button>
        {crew.some((member) => member.name === person.name) ? null : <Button onClick={() => add(person.name)}>Add me</Button>}
      </form>
    </section>
  )
}
