import { spoken } from '#core/model/vocabulary'
import type { SideChange } from '#contract/records/case'
import { Button } from '../../parts/button'
import { Notice } from '../../parts/notice'
import { writeEvent, type OpenCase } from '../../sync/case-store'
import { Identifiers } from './identifiers'

/** A run that is held: side or region was changed after it had been read aloud, so it is read aloud again. */
export function HeldRun({ open, change }: { open: OpenCase; change: SideChange }) {
  const injury = open.episode.injuries[open.record.injuryId]
  const words = [injury?.side?.toUpperCase(), injury?.region ? spoken(injury.region) : ''].filter(Boolean).join(' ')
  return (
    <main id="main" className="mx-auto grid w-full max-w-2xl flex-1 content-start gap-4 p-4 sm:p-6">
      <h1 className="text-xl font-bold">The run is held</h1>
      <Notice tone="stop" lead={`${change.from} → ${change.to}`} role="alert">
        {change.reason}. {change.by} changed it.{' '}
        {change.isOn
          ? 'The device is on: look at once whether it is on the wrong side.'
          : 'Nothing goes on until both are read aloud again.'}
      </Notice>
      <Identifiers open={open} />
      <Button look="next" className="min-h-16 text-lg" onClick={() => void writeEvent('identity-checked', { words })}>
        Read aloud and confirmed: {words}
      </Button>
    </main>
  )
}
