import { v7 as uuidv7 } from 'uuid'
import { findTechnique } from '#core/techniques/registry'
import { takingOffRun, wrongPlace } from '#ward/body/taking-off'
import { usePlanInForce } from '../../case/plan/use-plan'
import { Button } from '../../parts/button'
import { Notice } from '../../parts/notice'
import { writeEvent, type OpenCase } from '../../sync/case-store'
import { tabId } from '../../sync/tab-id'
import { SlipUndo } from './slip-undo'

/** It is on the wrong limb: what comes now, and the one button that begins it. */
export function TakeOff({ open }: { open: OpenCase }) {
  const { record, episode } = open
  const worn = usePlanInForce(open)
  const run = takingOffRun(record, episode, worn)
  const place = wrongPlace(record, episode)
  const begin = (): void => {
    if (!run) return
    const runId = uuidv7()
    void writeEvent('run-started', { runId, device: tabId(), ...run })
  }
  return (
    <main id="main" className="mx-auto grid w-full max-w-2xl flex-1 content-start gap-4 p-4 sm:p-6">
      <h1 className="text-[1.6rem] leading-tight font-bold">It comes off the {place}</h1>
      <SlipUndo open={open} />
      <Notice tone="stop" lead={`${findTechnique(record.technique)?.name ?? 'The device'} on the ${place}: the wrong one.`} role="alert">
        The run has ended as wrong side. Nothing done in it counts for the right one; what was used stays used.
      </Notice>
      <Button look="next" className="min-h-16 text-lg" disabled={!run} onClick={begin}>
        Take it off, step by step
      </Button>
      <ol className="grid list-decimal gap-1 pl-6">
        {run?.plan?.procedure.steps.map((step) => (
          <li key={step.id}>{step.text}</li>
        ))}
      </ol>
    </main>
  )
}
