import { useState } from 'react'
import type { Step } from '#core/model/step'
import type { Trouble } from '#core/model/trouble'
import type { RunRecord, TimerRecord } from '#contract/records/run'
import { lostHold, setPart } from '#ward/case/run-clocks'
import { Button } from '../../parts/button'
import { Dialog } from '../../parts/dialog'
import { writeEvent } from '../../sync/case-store'
import { serverNow } from '../../sync/server-clock'

const reasons: readonly { readonly words: string; readonly trouble: string | null }[] = [
  { words: 'it is hard', trouble: null },
  { words: 'too hot', trouble: 'too-hot' },
  { words: 'too painful', trouble: 'pain-rising' },
]

/** Why a hold ends before its clock: hard already, or something went wrong, which then stands. */
export function HoldEnd({
  run,
  step,
  troubles,
  hold,
  onEnd,
  onClose,
}: {
  run: RunRecord
  step: Step
  troubles: readonly Trouble[]
  /** Its clock; null where it has run out meanwhile. */
  hold: TimerRecord | null
  onEnd: (reason: string) => void
  onClose: () => void
}) {
  const [lost, setLost] = useState<readonly string[] | null>(null)
  const raise = (trouble: string, words: string): void => {
    const known = troubles.find((one) => one.id === trouble)
    void writeEvent('trouble', {
      runId: run.id,
      stepId: step.id,
      troubleId: known?.id ?? 'other',
      label: known?.label ?? `The hold: ${words}`,
      note: words,
    })
  }
  const end = ({ words, trouble }: (typeof reasons)[number]): void => {
    if (trouble) raise(trouble, words)
    onEnd(words)
  }
  /** It ends no hold: soft plaster is in hand. */
  const lose = (): void => {
    const { words, beginsAnew } = lostHold(setPart(run, serverNow()))
    raise('hold-lost', 'the hold was lost')
    if (beginsAnew && hold?.kind) {
      const { id: timerId, label, minutes, kind, until } = hold
      void writeEvent('timer', { runId: run.id, timerId, label, minutes, kind, ...(until ? { until } : {}) })
    }
    setLost(words)
  }
  if (lost)
    return (
      <Dialog title="The hold was lost" isOpen onClose={onClose}>
        <ol className="grid gap-3 text-[1.2rem] leading-snug font-semibold">
          {lost.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ol>
        <Button look="next" className="mt-4 min-h-16 w-full" onClick={onClose}>
          Held again: go on holding
        </Button>
      </Dialog>
    )
  return (
    <Dialog title="Before the clock: why does the hold end?" isOpen onClose={onClose}>
      <div className="grid gap-3 sm:grid-cols-2">
        {reasons.map((reason) => (
          <Button key={reason.words} look={reason.trouble ? 'danger' : 'plain'} className="min-h-16 text-lg" onClick={() => end(reason)}>
            {reason.words.charAt(0).toUpperCase() + reason.words.slice(1)}
          </Button>
        ))}
        <Button look="danger" className="min-h-16 text-lg" onClick={lose}>
          The hold was lost
        </Button>
        <Button look="quiet" className="min-h-16 sm:col-span-2" onClick={onClose}>
          Go on holding
        </Button>
      </div>
    </Dialog>
  )
}
