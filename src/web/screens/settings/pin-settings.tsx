import { useState } from 'react'
import { pinPattern } from '#contract/api/session'
import { Button } from '../../parts/button'
import { Notice } from '../../parts/notice'
import { TextField } from '../../parts/text-field'
import { useSession } from '../../sync/session-store'
import { Form } from '../../parts/form'

/** The short PIN of this device: set, or set anew, for as long as one stays signed in. */
export function PinSettings() {
  const { hasPin, setPin } = useSession()
  const [pin, setTyped] = useState('')
  const [error, setError] = useState<string>()
  const [isBusy, setBusy] = useState(false)
  const save = async (): Promise<void> => {
    if (!pinPattern.test(pin)) return setError('The PIN must be 4 to 8 digits: type it again.')
    setBusy(true)
    const refused = await setPin(pin)
    setBusy(false)
    setError(refused ?? undefined)
    if (refused === null) setTyped('')
  }
  return (
    <section aria-labelledby="pin" className="grid gap-4 rounded-3xl border border-line bg-sheet p-5">
      <h2 id="pin" className="text-lg font-bold">
        Short PIN for this device
      </h2>
      {hasPin ? (
        <Notice tone="calm" lead="A PIN is set until you sign out">
          It opens this device after a lock, also where there is no connection. After five wrong tries only the password does.
        </Notice>
      ) : (
        <Notice tone="note" lead="No PIN">
          Without one this device does not start while the server cannot be reached, and a lock wants the password.
        </Notice>
      )}
      <Form onSend={() => void save()} className="flex flex-wrap items-end gap-3">
        <TextField
          label="4 to 8 digits"
          type="password"
          inputMode="numeric"
          maxLength={8}
          value={pin}
          onChange={(event) => setTyped(event.target.value.replace(/\D/g, ''))}
          error={error}
          className="min-w-56 flex-1"
        />
        <Button type="submit" disabled={isBusy}>
          {hasPin ? 'Set another PIN' : 'Set the PIN'}
        </Button>
      </Form>
    </section>
  )
}
