import { useState, type ReactNode } from 'react'
import { pinPattern } from '#contract/api/session'
import { Button } from '../parts/button'
import { Notice } from '../parts/notice'
import { TextField } from '../parts/text-field'
import { useSession } from '../sync/session-store'
import { EmergencyEntry } from './emergency-entry'
import { CredentialsForm } from './credentials-form'
import { Form } from '../parts/form'

/**
 * Opens what is locked: by the PIN of whoever is signed in where there is one, by name and password otherwise; anybody may go on under their
 * own name.
 * @param lead who is signed in, and what that means
 * @param name to sign in with, as it was given last; another one may be typed
 * @param onOpen called once it is open
 */
export function UnlockForm({
  lead,
  name,
  submitLabel,
  onOpen,
}: {
  lead: ReactNode
  name: string
  submitLabel: string
  onOpen: () => void
}) {
  const { hasPin, signIn } = useSession()
  const [wantsPassword, setWantsPassword] = useState(false)
  const open = async (theirName: string, password: string, _pin: string, code: string): Promise<string | null> => {
    const refused = await signIn(theirName, password, '', code)
    if (refused === null) onOpen()
    return refused
  }
  return (
    <div className="grid gap-4">
      <p>{lead}</p>
      {hasPin && !wantsPassword ? (
        <>
          <PinForm onOpen={onOpen} />
          <Button look="quiet" onClick={() => setWantsPassword(true)}>
            Use a name and password
          </Button>
        </>
      ) : (
        <CredentialsForm name={name} submitLabel={submitLabel} busyLabel="Opening…" onSubmit={open} />
      )}
      <EmergencyEntry onOpen={onOpen} />
    </div>
  )
}

function PinForm({ onOpen }: { onOpen: () => void }) {
  const unlock = useSession((store) => store.unlock)
  const [pin, setPin] = useState('')
  const [refusal, setRefusal] = useState<string | null>(null)
  const [isBusy, setBusy] = useState(false)
  const submit = async (): Promise<void> => {
    if (!pinPattern.test(pin)) return setRefusal('The PIN is 4 to 8 digits: type all of them.')
    setBusy(true)
    const refused = await unlock(pin)
    setBusy(false)
    setPin('')
    setRefusal(refused)
    if (refused === null) onOpen()
  }
  return (
    <Form onSend={() => void submit()}>
      <TextField
        label="PIN"
        type="password"
        inputMode="numeric"
        maxLength={8}
        autoFocus
        value={pin}
        onChange={(event) => setPin(event.target.value.replace(/\D/g, ''))}
        className="text-2xl"
      />
      {refusal ? <Notice tone="stop" lead={refusal} role="alert" /> : null}
      <Button type="submit" look="next" disabled={isBusy} className="min-h-16 text-lg">
        {isBusy ? 'Opening…' : 'Open'}
      </Button>
    </Form>
  )
}
