import { useState } from 'react'
import { signInPattern } from '#contract/sign-in-name'
import { personRoles, type Role } from '#contract/rights'
import { Button } from '../../parts/button'
import { ChoiceSet } from '../../parts/choice-row'
import { Notice } from '../../parts/notice'
import { TextField } from '../../parts/text-field'
import { useDraft } from '../../sync/use-draft'
import { Form } from '../../parts/form'
import { missingIn } from '../../parts/required'

export interface NewPerson {
  readonly name: string
  readonly signIn: string
  readonly roles: readonly Role[]
}

/** A new person: name, the name they sign in with, roles. */
export function AddPerson({ onAdd }: { onAdd: (person: NewPerson) => Promise<string | null> }) {
  const [isOpen, setOpen] = useState(false)
  const [name, setName] = useDraft('people/name')
  const [signIn, setSignIn] = useDraft('people/sign-in')
  const [chosen, setChosen] = useState<readonly Role[]>(['clinician'])
  const [wrong, setWrong] = useState<string | null>(null)
  const [isBusy, setBusy] = useState(false)
  const add = async (): Promise<void> => {
    const missing = missingIn('add-person', { name, roles: chosen })
    if (missing) return setWrong(missing)
    if (!signInPattern.test(signIn.trim())) return setWrong('Signs in as must be 2 to 40 letters, digits, dots or hyphens: change it.')
    setBusy(true)
    const refused = await onAdd({ name: name.trim(), signIn: signIn.trim().toLowerCase(), roles: chosen })
    setBusy(false)
    setWrong(refused)
    if (refused !== null) return
    setName('')
    setSignIn('')
    setOpen(false)
  }
  if (!isOpen)
    return (
      <Button look="next" onClick={() => setOpen(true)} className="justify-self-start max-sm:w-full">
        Add a person
      </Button>
    )
  return (
    <Form onSend={() => void add()} aria-label="New person" className="grid gap-4 rounded-3xl border border-line bg-sheet p-5">
      <div className="grid gap-4 sm:grid-cols-2">
        <TextField label="Name" autoFocus maxLength={120} value={name} onChange={(event) => setName(event.target.value)} />
        <TextField
          label="Signs in as"
          hint="2 to 40 letters, digits, dots or hyphens."
          maxLength={40}
          autoCapitalize="none"
          value={signIn}
          onChange={(event) => setSignIn(event.target.value)}
        />
      </div>
      <ChoiceSet label="Roles" values={chosen} choices={personRoles.map((value) => ({ value, label: value }))} onChange={setChosen} />
      {wrong ? <Notice tone="stop" lead={wrong} role="alert" /> : null}
      <div className="flex flex-wrap gap-3">
        <Button type="submit" look="next" disabled={isBusy}>
          {isBusy ? 'Adding…' : 'Add and make a code'}
        </Button>
        <Button look="quiet" onClick={() => setOpen(false)}>
          Not now
        </Button>
      </div>
    </Form>
  )
}
