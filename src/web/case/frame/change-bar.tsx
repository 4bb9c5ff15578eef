import { useState } from 'react'
import type { Plan } from '#core/model/plan'
import { cautionsBrought } from '#core/planner/compare-plans'
import { stepName } from '#core/runs/step-name'
import { changeWaiting, changeWords } from '#ward/case/plan-in-force'
import { hasRight } from '#contract/rights'
import { v7 as uuidv7 } from 'uuid'
import { adjustmentPlan } from '#core/runs/adjustment-plan'
import { Button } from '../../parts/button'
import { ToneShape } from '../../parts/tone-shape'
import { writeAndHear, writeEvent, type OpenCase } from '../../sync/case-store'
import { usePerson } from '../../sync/session-store'
import { tabId } from '../../sync/tab-id'
import { ReasonSheet } from '../run/reason-sheet'
import { outcomesOf } from '#contract/records/run'
import { countingRuns } from '#contract/records/run-kind'
import { usePlan } from '../plan/use-plan'

/** A changed plan waits, on every stage: what is in force stays until somebody takes the change, or keeps what was accepted and says why. */
export function ChangeBar({ open }: { open: OpenCase }) {
  const { record } = open
  const live = usePlan(open)
  const person = usePerson()
  const [isKeeping, setKeeping] = useState(false)
  const [fault, setFault] = useState<string | null>(null)
  const waiting = record.removedAt ? null : changeWaiting(record, open.episode, live)
  if (!waiting) return null
  const words = changeWords(waiting.changes)
  if (waiting.isNews)
    return <ProductNews words={words} onSeen={() => void writeEvent('plan-kept', kept(waiting.mark, words, newerProduct))} />
  const mayDecide = hasRight(person.roles, 'decide')
  const doubted = questioned(open, live)
  const bringsStop = cautionsBrought(record.accepted?.plan.cautions ?? [], live.cautions).some((caution) => caution.level === 'stop')
  const take = async (): Promise<void> => {
    const before = record.accepted?.plan
    const outcome = await writeAndHear('plan', { plan: JSON.parse(JSON.stringify(live)) as Plan }, () => true)
    setFault(outcome.kind === 'refused' ? outcome.problem.detail : null)
    if (outcome.kind === 'refused' || !record.appliedAt || !before) return
    const runId = uuidv7()
    void writeEvent('run-started', { runId, device: tabId(), plan: adjustmentPlan(before, live, waiting.changes), isAdjustment: true })
  }
  return (
    <section aria-label="A changed plan waits" className="border-b-2 border-caution bg-caution-wash">
      <div className="mx-auto grid max-w-7xl gap-2 px-3 py-2.5 sm:px-6">
        <p className="flex items-center gap-2 font-bold text-caution">
          <ToneShape tone="caution" />
          The plan changed after it was accepted; what was accepted stays in force
        </p>
        <ul className="grid gap-x-6 gap-y-0.5 sm:grid-cols-2">
          {words.slice(0, 6).map((line) => (
            <li key={line}>{line}</li>
          ))}
          {words.length > 6 ? (
            <li>
              <details>
                <summary className="min-h-11 cursor-pointer content-center font-semibold">and {words.length - 6} more</summary>
                <ul>
                  {words.slice(6).map((line) => (
                    <li key={line}>{line}</li>
                  ))}
                </ul>
              </details>
            </li>
          ) : null}
        </ul>
        {doubted.length > 0 ? (
          <p className="font-semibold text-stop">Done before this was known, look at it first: {doubted.join(', ')}.</p>
        ) : null}
        {fault ? (
          <p role="alert" className="font-bold text-stop">
            Not taken: {fault}
          </p>
        ) : null}
        {mayDecide ? (
          <div className="flex flex-wrap gap-3">
            {/* What brings a stop is accepted, but it is never the way on. */}
            <Button look={bringsStop ? 'plain' : 'next'} disabled={live.pending.length > 0} onClick={() => void take()}>
              {live.pending.length > 0 ? 'Working out the last figures…' : 'Accept the change'}
            </Button>
            <Button look="quiet" onClick={() => setKeeping(true)}>
              Keep what was accepted
            </Button>
          </div>
        ) : (
          <p className="text-soft">A clinician accepts it, or keeps what was accepted.</p>
        )}
      </div>
      {isKeeping ? (
        <ReasonSheet
          title="Keep what was accepted?"
          draftKey={`case/${record.id}/keep/${waiting.mark}`}
          submitLabel="Keep it"
          backLabel="Back"
          hint="What would have changed is kept with this reason. A stop that it brings goes on standing."
          onClose={() => setKeeping(false)}
          onReason={(reason) => {
            setKeeping(false)
            void writeEvent('plan-kept', kept(waiting.mark, words, reason))
          }}
        />
      ) : null}
    </section>
  )
}

const newerProduct = 'Only the program is newer: the case is the same.'

function kept(change: string, words: readonly string[], reason: string): { change: string; words: readonly string[]; reason: string } {
  return { change, words: words.slice(0, 60).map((line) => line.slice(0, 400)), reason }
}

/** What a newer product would plan otherwise, said once: nothing about the patient changed, so nothing is asked. */
function ProductNews({ words, onSeen }: { words: readonly string[]; onSeen: () => void }) {
  const person = usePerson()
  return (
    <section aria-label="The program was renewed" className="border-b border-line bg-sheet">
      <details className="mx-auto max-w-7xl px-3 sm:px-6">
        <summary className="min-h-12 cursor-pointer content-center font-semibold">
          The program was renewed; what was accepted stays in force. Made now, the plan would differ in {words.length}{' '}
          {words.length === 1 ? 'line' : 'lines'}
        </summary>
        <ul className="grid gap-x-6 gap-y-0.5 pb-3 sm:grid-cols-2">
          {words.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ul>
        {hasRight(person.roles, 'decide') ? (
          <div className="pb-3">
            <Button look="quiet" onClick={onSeen}>
              Seen: keep what was accepted
            </Button>
          </div>
        ) : null}
      </details>
    </section>
  )
}

/** Steps already done that the change puts in doubt: a stop that came to stand on them, or words that are others now. */
function questioned({ record }: OpenCase, live: Plan): readonly string[] {
  const run = countingRuns(record).at(-1)
  const accepted = record.accepted?.plan
  if (!run || !accepted) return []
  const outcomes = outcomesOf(run)
  const had = new Set(accepted.cautions.map((caution) => caution.code))
  return live.procedure.steps
    .filter((step) => outcomes.get(step.id) === 'done')
    .filter((step) =>
      live.cautions.some(
        (caution) => caution.level === 'stop' && !caution.overruled && caution.steps.includes(step.id) && !had.has(caution.code),
      ),
    )
    .map(stepName)
}
