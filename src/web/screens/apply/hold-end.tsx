import { useState } from 'react'
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
]

/** From this part of setting on what lost its hold is held as it lies: bent back it cracks inside (ANSWERS 5). */
const stiffFrom = 0.8

/** How far it has set, 0 to 1 and beyond, by its setting clock; 0 where none runs. */
export function setPart({ timers }: Pick<RunRecord, 'timers'>, nowMs: number): number {
  const set = timers.findLast((timer) => timer.kind === 'set')
  return set ? (nowMs - Date.parse(set.startedAt)) / (set.minutes * 60_000) : 0
}

/** What is done where a hold was lost: soft it is lifted back and held anew, stiff it is held as it lies. */
export function lostHoldWords(part: number): readonly string[] {
  return part < stiffFrom
    ? ['Lift it back to its angle, mould again, hold anew.', 'The setting clock runs on; the clock of the hold begins anew now.']
    : ['Hold it as it lies; do not bend it back.', 'Read the angle, feel pulse and feeling, then call a senior.']
}

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
    const part = setPart(run, serverNow())
    raise('hold-lost', 'the hold was lost')
    if (part < stiffFrom && hold?.kind) {
      const { id: timerId, label, minutes, kind, until } = hold
      void writeEvent('timer', { runId: run.id, timerId, label, minutes, kind, ...(until ? { until } : {}) })
    }
    setLost(lostHoldWords(part))
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
