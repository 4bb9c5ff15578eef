import { useState } from 'react'
import type { TeamsSetBody } from '#contract/events/ward/teams-set'
import type { WardRecord } from '#contract/records/ward'
import { Button } from '../../parts/button'
import { ChoiceSet } from '../../parts/choice-row'
import { Notice } from '../../parts/notice'
import { TextField } from '../../parts/text-field'
import { Form } from '../../parts/form'
import { missingIn } from '../../parts/required'

/** Teams and the areas that are theirs: whoever joins one has its places as their own. */
export function TeamsEditor({ ward, mayChange, onKeep }: { ward: WardRecord; mayChange: boolean; onKeep: (body: TeamsSetBody) => void }) {
  const teams = ward.teams ?? []
  const [name, setName] = useState('')
  const [areas, setAreas] = useState<readonly string[]>([])
  const [error, setError] = useState<string | null>(null)
  const add = (): void => {
    const own = name.trim()
    const missing = missingIn('team', { name: own, places: areas })
    if (missing) return setError(missing)
    onKeep({ teams: [...teams.filter((team) => team.name !== own), { name: own, areas }] })
  }
  return (
    <section aria-labelledby="teams" className="grid gap-3">
      <h2 id="teams" className="text-lg font-bold">
        Teams
      </h2>
      {teams.length === 0 ? <p className="text-soft">None are set: everybody chooses their own places in Settings.</p> : null}
      <ul className="grid gap-1">
        {teams.map((team) => (
          <li key={team.name} className="flex flex-wrap items-center gap-x-3 rounded-2xl border border-line bg-sheet px-4 py-2">
            <strong>{team.name}</strong>
            <span className="text-soft">{team.areas.join(', ')}</span>
            {mayChange ? (
              <Button
                look="quiet"
                className="ml-auto"
                aria-label={`Take out team ${team.name}`}
                onClick={() => onKeep({ teams: teams.filter((one) => one !== team) })}
              >
                Take out
              </Button>
            ) : null}
          </li>
        ))}
      </ul>
      {mayChange && ward.areas.length > 0 ? (
        <Form onSend={add} className="grid gap-3">
          <TextField
            label="Team"
            value={name}
            maxLength={60}
            placeholder="Orthopaedics"
            className="max-w-md"
            onChange={(event) => setName(event.target.value)}
          />
          <ChoiceSet
            label="Its places"
            values={areas}
            choices={ward.areas.map((area) => ({ value: area.name, label: area.name }))}
            onChange={setAreas}
          />
          {error ? <Notice tone="caution" lead={error} role="alert" /> : null}
          <div>
            <Button type="submit">Keep the team</Button>
          </div>
        </Form>
      ) : null}
    </section>
  )
}
