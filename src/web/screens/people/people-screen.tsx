import { useEffect, useRef, useState } from 'react'
import type { CodeAnswer, ManagedPeopleAnswer, ManagedPerson, PersonAction } from '#contract/api/people'
import { paths } from '#contract/api/paths'
import { hasRight, isPairedDevice, type Role } from '#contract/rights'
import { Button, ButtonLink } from '../../parts/button'
import { formatClock } from '../../parts/format-time'
import { Notice } from '../../parts/notice'
import { callApi, describeNoAnswer } from '../../sync/api'
import { usePerson } from '../../sync/session-store'
import { useAnswer } from '../../sync/use-answer'
import { AddPerson } from './add-person'
import { CodeNotice, type GivenCode } from './code-notice'
import { PairedDevices } from './paired-devices'
import { ProveSheet } from './prove-sheet'
import { PersonCard } from './person-card'

/** Who may come in, with which roles; codes for new people and for forgotten passwords; where somebody is signed in. */
export function PeopleScreen() {
  const me = usePerson()
  const mayManage = hasRight(me.roles, 'manage-people')
  const { answer, refusal, reload } = useAnswer<ManagedPeopleAnswer>(mayManage ? paths.managedPeople : null)
  const [code, setCode] = useState<GivenCode | null>(null)
  const [wrong, setWrong] = useState<string | null>(null)
  const [proving, setProving] = useState<((isProved: boolean) => void) | null>(null)

  // Said at the top, asked for anywhere in the list.
  const said = useRef<HTMLDivElement>(null)
  useEffect(() => {
    if (code || wrong) said.current?.scrollIntoView({ block: 'nearest' })
  }, [code, wrong])

  /** @returns null, or what is wrong in words */
  const ask = async (path: string, body: object, who: string): Promise<string | null> => {
    setCode(null)
    let result = await callApi<Partial<CodeAnswer>>('POST', path, body)
    if (result.kind === 'refused' && result.problem.type.endsWith('prove-again')) {
      const isProved = await new Promise<boolean>((resolve) => setProving(() => resolve))
      setProving(null)
      if (!isProved) return 'Nothing was changed: the password was not given.'
      result = await callApi<Partial<CodeAnswer>>('POST', path, body)
    }
    if (result.kind === 'refused') return result.problem.detail
    if (result.kind !== 'ok') return `${describeNoAnswer(result)}: nothing was changed. Try again.`
    const { code: given, until } = result.value
    if (given !== undefined && until !== undefined) setCode({ who, code: given, until })
    await reload()
    return null
  }
  const act = async (person: ManagedPerson, action: PersonAction, session?: string): Promise<void> =>
    setWrong(await ask(paths.personActions(person.id), { action, ...(session ? { session } : {}) }, person.name))
  const setRoles = async (person: ManagedPerson, roles: readonly Role[]): Promise<void> =>
    setWrong(await ask(paths.personRoles(person.id), { roles }, person.name))

  const openAddress = async (address: string): Promise<void> => setWrong(await ask(paths.shutAddresses, { address }, address))

  const isDevice = ({ roles }: ManagedPerson): boolean => isPairedDevice(roles)
  const people = answer?.people.filter((person) => !isDevice(person)) ?? []
  const devices = answer?.people.filter(isDevice) ?? []
  if (!mayManage)
    return (
      <main id="main" className="page page-text">
        <h1 className="text-2xl font-bold">People</h1>
        <Notice tone="note" lead="Only an admin manages people" role="status">
          Ask one for a new code, other roles, or an end of access.
        </Notice>
      </main>
    )
  return (
    <main id="main" className="page page-text grid content-start gap-6">
      <header className="flex flex-wrap items-center gap-x-6 gap-y-2">
        <div className="min-w-0 basis-full sm:flex-1 sm:basis-0">
          <h1 className="text-2xl font-bold">People</h1>
          <p className="text-soft">Who may come in, and as what. Everything changed here is kept with your name.</p>
        </div>
        <ButtonLink to="/ward">Teams</ButtonLink>
        <ButtonLink to="/audit">Who read what</ButtonLink>
      </header>
      {refusal ? <Notice tone="caution" lead={refusal} role="status" /> : null}
      <div ref={said} className="scroll-mt-4 empty:hidden">
        {wrong ? <Notice tone="stop" lead={wrong} role="alert" /> : null}
        {code ? <CodeNotice given={code} onClose={() => setCode(null)} /> : null}
      </div>
      {(answer?.shut ?? []).map(({ address, until }) => (
        <Notice
          key={address}
          tone="caution"
          lead={`New devices at ${address} wait until ${formatClock(Date.parse(until))}: many wrong sign-ins`}
        >
          <p>Whoever signed in on a device before still does, and emergency entry goes on. Many devices may share one address.</p>
          <Button className="mt-2" onClick={() => void openAddress(address)}>
            Let new devices try again
          </Button>
        </Notice>
      ))}
      <AddPerson onAdd={(person) => ask(paths.managedPeople, person, person.name)} />
      <ul aria-label="People" className="grid gap-3">
        {people.map((person) => (
          <PersonCard
            key={person.id}
            person={person}
            me={me.id}
            onAct={(action, session) => void act(person, action, session)}
            onRoles={(roles) => void setRoles(person, roles)}
          />
        ))}
      </ul>
      {proving ? <ProveSheet onProved={() => proving(true)} onClose={() => proving(false)} /> : null}
      <PairedDevices
        devices={devices}
        onPair={(name) => ask(paths.pairedDevices, { name }, name)}
        onAct={(device, action) => void act(device, action)}
      />
    </main>
  )
}
