import { useState } from 'react'
import type { ManagedPerson, PersonAction } from '#contract/api/people'
import { unattributedPrefix } from '#contract/records/episode'
import { Button } from '../../parts/button'
import { Notice } from '../../parts/notice'
import { TextField } from '../../parts/text-field'
import { useSession } from '../../sync/session-store'
import { Form } from '../../parts/form'
import { missingIn } from '../../parts/required'

/** Devices that may begin a case without an account, and the way to make this one such. */
export function PairedDevices({
  devices,
  onPair,
  onAct,
}: {
  devices: readonly ManagedPerson[]
  /** Null, or what is wrong in words. */
  onPair: (name: string) => Promise<string | null>
  onAct: (device: ManagedPerson, action: PersonAction) => void
}) {
  const pairedAs = useSession((store) => store.pairedAs)
  const load = useSession((store) => store.load)
  const [name, setName] = useState('')
  const [wrong, setWrong] = useState<string | null>(null)
  const pair = async (): Promise<void> => {
    const missing = missingIn('pair', { name })
    if (missing) return setWrong(missing)
    const refused = await onPair(name.trim())
    setWrong(refused)
    if (refused !== null) return
    setName('')
    await load()
  }
  return (
    <section aria-labelledby="paired" className="grid gap-3">
      <header>
        <h2 id="paired" className="text-xl font-bold">
          Emergency entry
        </h2>
        <p className="text-soft">A paired device may begin a case without an account, add to it, and see nothing else.</p>
      </header>
      <ul aria-label="Paired devices" className="grid gap-2">
        {devices.map((device) => (
          <li key={device.id} className="flex flex-wrap items-center gap-3 rounded-2xl border border-line bg-sheet px-5 py-2">
            <p className="min-w-0 flex-1">
              <strong>{device.name.slice(unattributedPrefix.length)}</strong>{' '}
              <span className="text-soft">{device.isActive ? 'paired' : 'no longer paired'}</span>
            </p>
            {device.isActive ? (
              <Button look="danger" aria-label={`Unpair ${device.name}`} onClick={() => onAct(device, 'end')}>
                Unpair
              </Button>
            ) : null}
          </li>
        ))}
        {devices.length === 0 ? <li className="text-soft">No device is paired.</li> : null}
      </ul>
      <Form onSend={() => void pair()} aria-label="Pair this device" className="flex flex-wrap items-end gap-3">
        <TextField
          label={pairedAs === null ? 'This device is called' : `This device is ${pairedAs}; pair it as`}
          maxLength={40}
          value={name}
          onChange={(event) => setName(event.target.value)}
          className="min-w-56 flex-1"
        />
        <Button type="submit">Pair this device</Button>
      </Form>
      {wrong ? <Notice tone="stop" lead={wrong} role="alert" /> : null}
    </section>
  )
}
