import { useState } from 'react'
import { v7 as uuidv7 } from 'uuid'
import type { GroupsAnswer } from '#contract/api/practice'
import { paths } from '#contract/api/paths'
import type { PeopleAnswer } from '#contract/api/people'
import { hasRight } from '#contract/rights'
import { Button } from '../../parts/button'
import { ChoiceSet } from '../../parts/choice-row'
import { Notice } from '../../parts/notice'
import { TextField } from '../../parts/text-field'
import { callApi, describeNoAnswer } from '../../sync/api'
import { useAnswer } from '../../sync/use-answer'
import { GroupCard } from './group-card'
import { PracticeSign } from './practice-sign'
import { missingIn } from '../../parts/required'

/** Who learns together, and how they come on: for whoever trains people. */
export function GroupsScreen() {
  const { answer, refusal, reload } = useAnswer<GroupsAnswer>(paths.practiceGroups)
  const people = useAnswer<PeopleAnswer>(paths.people).answer?.people ?? []
  const [error, setError] = useState<string | null>(null)
  const set = async (id: string, name: string, members: readonly string[]): Promise<void> => {
    const result = await callApi('POST', paths.practiceGroup(id), { name, members })
    setError(
      result.kind === 'ok' ? null : result.kind === 'refused' ? result.problem.detail : `${describeNoAnswer(result)}: set it again later.`,
    )
    await reload()
  }
  const learners = people.filter((person) => hasRight(person.roles, 'read'))
  return (
    <main id="main" className="page page-list grid grid-cols-[minmax(0,1fr)] content-start gap-5">
      <header className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <h1 className="text-2xl font-bold">Groups</h1>
        <PracticeSign />
        <p className="basis-full text-soft">Who has done what, what fails most, and how the times lie.</p>
      </header>
      {(error ?? refusal) ? <Notice tone="caution" lead={error ?? refusal ?? ''} role="alert" /> : null}
      {answer?.groups.length === 0 ? <p className="text-soft">No group yet: put one together below.</p> : null}
      {answer?.groups.map((group) => (
        <GroupCard key={group.id} group={group} onEnd={() => void set(group.id, group.name, [])} />
      ))}
      {answer ? <NewGroup people={learners} onSet={(name, members) => void set(uuidv7(), name, members)} /> : null}
    </main>
  )
}

function NewGroup({
  people,
  onSet,
}: {
  people: readonly { readonly id: string; readonly name: string }[]
  onSet: (name: string, members: readonly string[]) => void
}) {
  const [name, setName] = useState('')
  const [members, setMembers] = useState<readonly string[]>([])
  const [error, setError] = useState<string | null>(null)
  const set = (): void => {
    const missing = missingIn('group', { name, members })
    if (missing) return setError(missing)
    setError(null)
    onSet(name.trim(), members)
    setName('')
    setMembers([])
  }
  return (
    <section aria-labelledby="new-group" className="grid gap-3 rounded-3xl border border-line bg-sheet p-5">
      <h2 id="new-group" className="text-lg font-bold">
        Put a group together
      </h2>
      <TextField
        label="Group"
        value={name}
        maxLength={80}
        placeholder="Spring"
        className="max-w-md"
        onChange={(event) => setName(event.target.value)}
      />
      <ChoiceSet
        label="Members"
        values={members}
        choices={people.map((person) => ({ value: person.id, label: person.name }))}
        onChange={setMembers}
      />
      {error ? <Notice tone="caution" lead={error} role="alert" /> : null}
      <Button className="justify-self-start" onClick={set}>
        Keep the group
      </Button>
    </section>
  )
}
