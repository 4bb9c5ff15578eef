import { useMoment } from '../../sync/use-moment'
import { useState } from 'react'
import type { AskedRoles, ManagedPerson, PersonAction } from '#contract/api/people'
import { personRoles, type Role } from '#contract/rights'
import { Button } from '../../parts/button'
import { ChoiceSet } from '../../parts/choice-row'
import { formatClock } from '../../parts/format-time'

/** One person: roles, where they are signed in, and what can be done about their access. */
export function PersonCard({
  person,
  me,
  onAct,
  onRoles,
}: {
  person: ManagedPerson
  /** Id of the admin who looks. */
  me: string
  /** @param session where one of them is ended */
  onAct: (action: PersonAction, session?: string) => void
  onRoles: (roles: readonly Role[]) => void
}) {
  const moment = useMoment()
  const [isOpen, setOpen] = useState(false)
  const { name, signIn, roles, isActive } = person
  const isMe = person.id === me
  return (
    <li className="rounded-3xl border border-line bg-sheet px-5 py-3">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
        <div className="min-w-0 flex-1">
          <h2 className="font-bold">
            {name} <span className="font-normal text-soft">{signIn}</span>
          </h2>
          <p className="text-sm text-soft">
            {[roles.join(', '), ...(person.hasSecondFactor ? ['authenticator app'] : []), stateOf(person, moment)].join('; ')}
          </p>
        </div>
        <Button look="quiet" aria-expanded={isOpen} aria-label={`${isOpen ? 'Close' : 'Change'} ${name}`} onClick={() => setOpen(!isOpen)}>
          {isOpen ? 'Close' : 'Change'}
        </Button>
      </div>
      {person.asked ? <Asked person={person} asked={person.asked} me={me} onRoles={onRoles} /> : null}
      {isOpen ? (
        <div className="mt-3 grid gap-4 border-t border-line pt-4">
          <ChoiceSet
            label="Roles"
            values={roles}
            choices={personRoles.map((value) => ({ value, label: value }))}
            onChange={(chosen) => onRoles(chosen)}
          />
          {person.sessions.length > 0 ? (
            <ul aria-label={`Sessions of ${name}`} className="grid gap-1">
              {person.sessions.map(({ id, since, lastSeenAt, isLocked }) => (
                <li key={id} className="flex flex-wrap items-center gap-x-4">
                  <span className="min-w-0 flex-1">
                    since {moment(Date.parse(since))}, last seen {moment(Date.parse(lastSeenAt))}
                    {isLocked ? ', locked' : ''}
                  </span>
                  <Button
                    look="quiet"
                    aria-label={`End the session since ${moment(Date.parse(since))}`}
                    onClick={() => onAct('end-session', id)}
                  >
                    End
                  </Button>
                </li>
              ))}
            </ul>
          ) : null}
          <div className="flex flex-wrap gap-3">
            <Button onClick={() => onAct('code')}>New one-time code</Button>
            {person.pauses.length > 0 ? <Button onClick={() => onAct('let-in')}>Let them try again</Button> : null}
            {person.sessions.length > 1 ? <Button onClick={() => onAct('end-sessions')}>Sign out everywhere</Button> : null}
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

/** What one admin asks, and another one gives or refuses. */
function Asked({
  person: { name, roles },
  asked,
  me,
  onRoles,
}: {
  person: ManagedPerson
  asked: AskedRoles
  me: string
  onRoles: (roles: readonly Role[]) => void
}) {
  const words = asked.roles.join(' and ')
  return (
    <div className="mt-2 flex flex-wrap items-center gap-3 rounded-2xl bg-caution-wash px-4 py-2">
      <p className="min-w-0 basis-full sm:flex-1 sm:basis-0">
        <strong>{asked.by}</strong> asks to make {name} <strong>{words}</strong>. {asked.byId === me ? 'Another admin confirms it.' : ''}
      </p>
      {asked.byId === me ? null : (
        <Button onClick={() => onRoles([...new Set([...roles, ...asked.roles])])} aria-label={`Make ${name} ${words}`}>
          Make {words}
        </Button>
      )}
      <Button look="quiet" onClick={() => onRoles(roles)} aria-label={`Do not make ${name} ${words}`}>
        {asked.byId === me ? 'Take it back' : 'Refuse'}
      </Button>
    </div>
  )
}

function stateOf({ isActive, mustChange, sessions, pauses }: ManagedPerson, moment: (atMs: number) => string): string {
  if (!isActive) return 'access ended'
  const [paused] = pauses
  if (paused) return `has to wait until ${formatClock(paused.until)}: wrong sign-ins from ${paused.address || 'one place'}`
  if (mustChange) return 'has a code, no password yet'
  const [last] = sessions
  if (!last) return 'not signed in'
  const where = sessions.length === 1 ? 'signed in once' : `signed in at ${sessions.length} places`
  return `${where}, last seen ${moment(Date.parse(last.lastSeenAt))}`
}
