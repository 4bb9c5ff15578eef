import { useLocation } from 'react-router'
import { Button } from '../parts/button'
import { listTimers, useTimers } from '../strip/timer-store'
import { useNow } from '../sync/use-now'
import { useOutbox } from '../sync/outbox'
import { takeNewVersion, useNewVersion } from '../sync/register-worker'

const lookMs = 5_000

/** Screens on which hands are at a patient. */
const atWork = /^\/case\/[^/]+\/(apply|check|watch)/

/** Says that a newer version is here, once nothing is running that it could disturb. */
export function NewVersion() {
  const isThere = useNewVersion((store) => store.state !== 'none')
  return isThere ? <Offer /> : null
}

function Offer() {
  const now = useNow(lookMs)
  const { pathname } = useLocation()
  const byCase = useTimers((store) => store.byCase)
  const waits = useOutbox((store) => store.pending.length)
  const isRunning = atWork.test(pathname) || waits > 0 || listTimers(byCase, now, null).length > 0
  if (isRunning) return null
  return (
    <section
      aria-label="A newer version"
      className="flex flex-wrap items-center gap-x-4 gap-y-2 border-b border-line bg-well px-4 py-2 sm:px-6"
    >
      <p role="status" className="font-semibold">
        A newer version is ready. Nothing is running here.
      </p>
      <Button onClick={() => void takeNewVersion()}>Go on with it</Button>
    </section>
  )
}
