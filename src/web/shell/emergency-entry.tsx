import { useState } from 'react'
import { useNavigate } from 'react-router'
import { Siren } from 'lucide-react'
import { Button } from '../parts/button'
import { Notice } from '../parts/notice'
import { useSession } from '../sync/session-store'

/**
 * On a paired device: begins without an account, at once, with or without a line; what was begun so goes on where it was left.
 * @param onOpen called once it is open
 */
export function EmergencyEntry({ onOpen }: { onOpen?: () => void }) {
  const pairedAs = useSession((store) => store.pairedAs)
  const enter = useSession((store) => store.enterEmergency)
  const [refusal, setRefusal] = useState<string | null>(null)
  const navigate = useNavigate()
  const [isBusy, setBusy] = useState(false)
  if (pairedAs === null) return null
  const press = async (): Promise<void> => {
    setBusy(true)
    const outcome = await enter()
    setBusy(false)
    if ('refusal' in outcome) return setRefusal(outcome.refusal)
    if (outcome.goesTo) await navigate(outcome.goesTo)
    onOpen?.()
  }
  return (
    <section aria-label="Emergency entry" className="grid gap-2 border-t border-line pt-6">
      <Button look="danger" className="min-h-16 text-lg" disabled={isBusy} onClick={() => void press()}>
        <Siren size={22} aria-hidden />
        {isBusy ? 'Opening…' : 'Emergency: begin without signing in'}
      </Button>
      <p className="text-sm text-soft">
        What is entered is kept as unattributed, {pairedAs}; a clinician claims it later. Only this device’s patients are shown.
      </p>
      {refusal ? <Notice tone="stop" lead={refusal} role="alert" /> : null}
    </section>
  )
}
