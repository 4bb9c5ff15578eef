import { deviceChanges } from '#contract/events/applying/after-change'
import { formatClock } from '../../parts/format-time'
import { Button } from '../../parts/button'
import { writeEvent, type OpenCase } from '../../sync/case-store'

/** Something was changed on a device that is on: what is read from now on is another occasion, and is not pooled with what was read before. */
export function AfterChange({ open }: { open: OpenCase }) {
  const { record } = open
  if (record.appliedAt === null || record.removedAt !== null) return null
  const last = record.changes?.at(-1)
  return (
    <section aria-label="After a change" className="grid gap-2">
      <h2 className="font-bold">After a change</h2>
      <p className="text-sm text-soft">
        {last ? `Last: ${last.what} ${formatClock(last.at)}, ${last.by}. ` : ''}
        Readings from then on are a new occasion.
      </p>
      <div className="flex flex-wrap gap-2">
        {deviceChanges.map((what) => (
          <Button key={what} onClick={() => void writeEvent('after-change', { what })}>
            {what.charAt(0).toUpperCase() + what.slice(1)}
          </Button>
        ))}
      </div>
    </section>
  )
}
