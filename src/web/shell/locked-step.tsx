import { firstAction } from '#core/model/standing'
import { useWords } from '../sync/use-words'
import { usePlanOfRun } from '../case/plan/use-plan'
import { useStanding } from '../case/standing/use-standing'
import { toneOf } from '../parts/level-mark'
import { toneInk, toneWash } from '../parts/tone-shape'
import type { OpenCase } from '../sync/case-store'
import { isFreeingRun } from '#contract/records/run-kind'
import { runInSight, sideStateOf } from '#ward/case/side-state'
import { currentStep } from '../case/run/run-state'
import { TroubleButton } from '../case/standing/trouble-button'

/** What stays in sight of the case in hand through the lock. */
export function LockedStep({ open }: { open: OpenCase }) {
  const say = useWords()
  const run = runInSight(open.record, sideStateOf(open.record, open.episode))
  const plan = usePlanOfRun(open, run)
  const standing = useStanding(open)
  // Without a name: who is meant is known at the bed, and nobody else's business.
  const worst = standing.items.find((item) => item.level === 'urgent' || item.level === 'stop' || item.level === 'review')
  const first = standing.level === 'urgent' ? firstAction(standing) : null
  const step = run && (!open.record.appliedAt || isFreeingRun(run)) ? currentStep(plan.procedure.steps, run) : null
  return (
    <div className="grid gap-4">
      {worst ? (
        <p
          className={`rounded-xl border-l-[10px] px-3 py-2 font-bold ${toneInk[toneOf(standing.level)]} ${toneWash[toneOf(standing.level)]}`}
        >
          {worst.text}
          {first ? <span className="mt-1 block text-[1.2rem]">First: {first.text}</span> : null}
        </p>
      ) : null}
      {step ? <p className="text-[1.5rem] leading-snug font-semibold text-balance">{say(step.text)}</p> : null}
      <div>
        <TroubleButton open={open} isThroughLock />
      </div>
    </div>
  )
}
