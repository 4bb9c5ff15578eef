import { useNavigate } from 'react-router'
import { v7 as uuidv7 } from 'uuid'
import type { Plan } from '#core/model/plan'
import { againPlan } from '#core/techniques/again-plan'
import { findTechnique } from '#core/techniques/registry'
import { kindOfRun } from '#contract/records/run-kind'
import { isInHand } from '#ward/case/work-in-hand'
import { usePlan } from '../../case/plan/use-plan'
import { Button } from '../../parts/button'
import { serverNow } from '../../sync/server-clock'
import { writeEvent, type OpenCase } from '../../sync/case-store'
import { tabId } from '../../sync/tab-id'

/** The short run of what its wearer had off, with this patient's own figures. @param worn the plan of what is on */
export function PutOnAgain({ open, worn }: { open: OpenCase; worn: Plan }) {
  const { record } = open
  const live = usePlan(open)
  const navigate = useNavigate()
  const technique = findTechnique(record.technique)
  const plan = technique ? againPlan(worn, live, technique, record.measurements) : null
  if (!plan) return null
  const begun = record.runs.findLast((run) => kindOfRun(run) === 'again' && isInHand(record, run, serverNow()))
  const begin = (): void => {
    if (!begun) void writeEvent('run-started', { runId: uuidv7(), device: tabId(), isAgain: true, plan })
    void navigate(`/case/${record.id}/apply`)
  }
  return (
    <section
      aria-labelledby="again"
      className="flex flex-wrap items-center justify-between gap-3 rounded-3xl border border-line bg-sheet p-4"
    >
      <div className="min-w-0 flex-1">
        <h2 id="again" className="font-bold">
          It was off
        </h2>
        <p className="text-soft">Washed, X-rayed, or off for the night: on again with this patient’s own figures.</p>
      </div>
      <Button onClick={begin}>{begun ? 'Go on putting it on' : 'Put it on again'}</Button>
    </section>
  )
}
