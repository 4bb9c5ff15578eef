import { useState } from 'react'
import { useNavigate } from 'react-router'
import { paths } from '#contract/api/paths'
import type { PeopleAnswer } from '#contract/api/people'
import { teamRoleIds, teamRoles, type Candidate, type TeamRole } from '#contract/records/practice'
import { hasRight } from '#contract/rights'
import type { Station } from '#core/practice/stations/station'
import { Button } from '../../../parts/button'
import { ChoiceRow, ChoiceSet } from '../../../parts/choice-row'
import { Notice } from '../../../parts/notice'
import { beginRun } from '../../../sync/practice-runs'
import { usePerson } from '../../../sync/session-store'
import { useAnswer } from '../../../sync/use-answer'
import { missingIn } from '../../../parts/required'

const mostTeam = 6

/** Somebody works on a manikin and is looked at: who it is, and who does what in a team. */
export function ExamineForm({ station }: { station: Station }) {
  const own = usePerson()
  const navigate = useNavigate()
  const { answer, refusal } = useAnswer<PeopleAnswer>(paths.people)
  const [chosen, setChosen] = useState<readonly string[]>([])
  const [roles, setRoles] = useState<Readonly<Record<string, TeamRole>>>({})
  const [error, setError] = useState<string | null>(null)
  // Who learns stands first.
  const people = (answer?.people ?? [])
    .filter((person) => person.id !== own.id && hasRight(person.roles, 'read'))
    .sort((a, b) => Number(hasRight(a.roles, 'decide')) - Number(hasRight(b.roles, 'decide')) || a.name.localeCompare(b.name))
  const isTeam = chosen.length > 1
  const roleOf = (id: string, index: number): TeamRole => roles[id] ?? teamRoleIds[Math.min(index, teamRoleIds.length - 1)] ?? 'fetch'
  const begin = (): void => {
    const missing = missingIn('examination', { candidate: chosen })
    if (missing) return setError(missing)
    if (chosen.length > mostTeam) return setError(`A team has at most ${mostTeam}: take some out.`)
    const candidates = chosen.flatMap((id, index): readonly Candidate[] => {
      const person = people.find((one) => one.id === id)
      return person ? [{ id, name: person.name, role: isTeam ? roleOf(id, index) : null }] : []
    })
    void navigate(`/practice/run/${beginRun({ way: isTeam ? 'team' : 'examined', station, candidates })}`)
  }
  // A list that comes late pushes what lies under it away from the thumb.
  const isKnown = answer !== null || refusal !== null
  return (
    <section aria-labelledby="examine" className="grid gap-4 rounded-3xl border border-line bg-sheet p-5">
      <div>
        <h2 id="examine" className="text-lg font-bold">
          Examine somebody
        </h2>
        <p className="text-soft">They work on a manikin; you mark what you see. Their own tablet shows them the clock and what is given.</p>
      </div>
      {refusal && people.length === 0 ? <Notice tone="caution" lead={refusal} role="alert" /> : null}
      <ChoiceSet
        label="Candidate, or a team"
        values={chosen}
        choices={people.map((person) => ({ value: person.id, label: person.name }))}
        onChange={(ids) => {
          setChosen(ids)
          setError(null)
        }}
      />
      {isTeam
        ? chosen.map((id, index) => (
            <ChoiceRow<TeamRole>
              key={id}
              label={people.find((person) => person.id === id)?.name ?? ''}
              value={roleOf(id, index)}
              choices={teamRoleIds.map((role) => ({ value: role, label: teamRoles[role] }))}
              onChange={(role) => setRoles({ ...roles, [id]: role })}
            />
          ))
        : null}
      {error ? <Notice tone="caution" lead={error} role="alert" /> : null}
      {isKnown ? (
        <Button className="justify-self-start" onClick={begin}>
          Start their clock
        </Button>
      ) : (
        <p className="text-soft">Reading who there is…</p>
      )}
    </section>
  )
}
