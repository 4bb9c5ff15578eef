import { formatClock } from '../../parts/format-time'
import { Button } from '../../parts/button'
import { usePerson } from '../../sync/session-store'
import type { RunControl } from './use-run'

/** Another screen drives this run: this one follows and writes along, or takes over. */
export function DriverBanner({ control }: { control: RunControl }) {
  const { driver } = control.run
  const { name } = usePerson()
  if (control.isDriver || !driver) return null
  return (
    <section
      aria-label="Who drives"
      className="flex flex-wrap items-center justify-between gap-3 rounded-2xl border-[1.5px] border-known bg-well px-4 py-3"
    >
      {driver.by === name ? (
        <p>
          <strong>You drive on another screen</strong> since {formatClock(driver.at)}: take over here, or write along.
        </p>
      ) : (
        <p>
          <strong>Following.</strong> {driver.by} drives on another screen since {formatClock(driver.at)}. Write along here: angles, pull,
          straps, notes, what goes wrong.
        </p>
      )}
      <Button onClick={control.takeOver}>Take over here</Button>
    </section>
  )
}
