import type { Step } from '#core/model/step'
import type { Trouble } from '#core/model/trouble'
import { liveTimers, type RunRecord, type TimerRecord } from '#contract/records/run'
import { Button } from '../../parts/button'
import { Dialog } from '../../parts/dialog'
import { writeEvent } from '../../sync/case-store'
import { serverNow } from '../../sync/server-clock'

/** The clock of a hold that still runs: before its end the hold ends only for a reason. How long a roll stays workable is no hold. */
export function runningHold(run: RunRecord, step: Step): TimerRecord | null {
  const now = serverNow()
  const own = liveTimers(run, now, 0).filter((timer) => timer.until === step.id && timer.kind === 'hold')
  return own.find((timer) => Date.parse(timer.startedAt) + timer.minutes * 60_000 > now) ?? null
}

const reasons: readonly { readonly words: string; readonly trouble: string | null }[] = [
  { words: 'it is hard', trouble: null },
  { words: 'too hot', trouble: 'too-hot' },
  { words: 'too painful', trouble: 'pain-rising' },
  { words: 'the hold was lost', trouble: 'hold-lost' },
]

/** Why a hold ends before its clock: hard already, or something went wrong, which then stands. */
export function HoldEnd({
  run,
  step,
  troubles,
  onEnd,
  onClose,
}: {
  run: RunRecord
  step: Step
  troubles: readonly Trouble[]
  onEnd: (reason: string) => void
  onClose: () => void
}) {
  const end = ({ words, trouble }: (typeof reasons)[number]): void => {
    const known = troubles.find((one) => one.id === trouble)
    if (trouble)
      void writeEvent('trouble', {
        runId: run.id,
        stepId: step.id,
        troubleId: known?.id ?? 'other',
        label: known?.label ?? `The hold ended: ${words}`,
        note: words,
      })
    onEnd(words)
  }
  return (
    <Dialog title="Before the clock: why does the hold end?" isOpen onClose={onClose}>
      <div className="grid gap-3 sm:grid-cols-2">
        {reasons.map((reason) => (
          <Button key={reason.words} look={reason.trouble ? 'danger' : 'plain'} className="min-h-16 text-lg" onClick={() => end(reason)}>
            {reason.words.charAt(0).toUpperCase() + reason.words.slice(1)}
          </Button>
        ))}
        <Button look="quiet" className="min-h-16 sm:col-span-2" onClick={onClose}>
          Go on holding
        </Button>
      </div>
    </Dialog>
  )
}
