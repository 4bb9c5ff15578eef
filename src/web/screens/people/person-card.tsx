import { useState } from 'react'
import type { ManagedPerson, PersonAction } from '#contract/api/people'
import { personRoles, type Role } from '#contract/rights'
import { Button } from '../../parts/button'
import { ChoiceSet } from '../../parts/choice-row'
import { formatWhen } from '../../parts/format-time'

/** One person: roles, where they are signed in, and what can be done about their access. */
export function PersonCard({
  person,
  isMe,
  now,
  onAct,
  onRoles,
}: {
  person: ManagedPerson
  isMe: boolean
  now: number
  onAct: (action: PersonAction) => void
  onRoles: (roles: readonly Role[]) => void
}) {
  const [isOpen, setOpen] = useState(false)
  const { name, signIn, roles, isActive } = person
  return (
    <li className="rounded-3xl border border-line bg-sheet px-5 py-3">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
        <div className="min-w-0 flex-1">
          <h2 className="font-bold">
            {name} <span className="font-normal text-soft">{signIn}</span>
          </h2>
          <p className="text-sm text-soft">
            {[roles.join(', '), ...(person.hasSecondFactor ? ['authenticator app'] : []), stateOf(person, now)].join('; ')}
          </p>
        </div>
        <Button look="quiet" aria-expanded={isOpen} aria-label={`${isOpen ? 'Close' : 'Change'} ${name}`} onClick={() => setOpen(!isOpen)}>
          {isOpen ? 'Close' : 'Change'}
        </Button>
      </div>
      {isOpen ? (
        <div className="mt-3 grid gap-4 border-t border-line pt-4">
          <ChoiceSet
            label="Roles"
            values={roles}
            choices={personRoles.map((value) => ({ value, label: value }))}
            onChange={(chosen) => onRoles(chosen)}
          />
          <div className="flex flex-wrap gap-3">
            <Button onClick={() => onAct('code')}>New one-time code</Button>
            {person.sessions > 0 ? <Button onClick={() => onAct('end-sessions')}>Sign out everywhere</Button> : null}
            {person.hasSecondFactor && !isMe ? (
              <Button onClick={() => onAct('second-factor-off')}>Take the authenticator app away</Button>
            ) : null}
            {isMe ? null : isActive ? (
              <Button look="danger" onClick={() => onAct('end')}>
                End access
              </Button>
            ) : (
              <Button onClick={() => onAct('restore')}>Let in again</Button>
            )}
          </div>
        </div>
      ) : null}
    </li>
  )
}

function stateOf({ isActive, mustChange, sessions, lastSeenAt }: ManagedPerson, now: number): string {
  if (!isActive) return 'access ended'
  if (mustChange) return 'has a code, no password yet'
  if (sessions === 0) return 'not signed in'
  const where = sessions === 1 ? 'signed in once' : `signed in at ${sessions} places`
  return lastSeenAt ? `${where}, last seen ${formatWhen(Date.parse(lastSeenAt), now)}` : where
}
