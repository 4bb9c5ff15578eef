import { useState } from 'react'
import { findTechnique } from '#core/techniques/registry'
import { judgeCaseRounds } from '#contract/case-progress'
import { Lane } from '../../lane/lane'
import { usePlan } from '../../hooks/use-plan'
import { Button, ButtonLink } from '../../parts/button'
import { Notice } from '../../parts/notice'
import { RoundForm } from '../../parts/round-form'
import { StagePage } from '../../parts/stage-page'
import { VerdictPanel } from '../../parts/verdict-panel'
import { useOpenCase, writeEvent } from '../../stores/case-store'
import { useSettings } from '../../stores/session-store'
import { FitTests } from './fit-tests'

/** Circulation, feeling, movement, alignment and fit, beside the baseline and the other side, with what to do about it. */
export function CheckScreen() {
  const open = useOpenCase()
  const { record, episode } = open
  const plan = usePlan(open)
  const { units } = useSettings()
  const [isAgain, setAgain] = useState(false)
  const technique = findTechnique(record.technique)
  const side = episode.injuries[record.injuryId]?.side
  const judged = judgeCaseRounds(record, episode, technique?.onUrgent.device ?? 'shell')
  const latest = judged.findLast((one) => !one.round.isBaseline)
  const hasBaseline = judged.some((one) => one.round.isBaseline)
  const points = plan.geometry.marks.map((mark) => mark.id)
  return (
    <>
      <Lane geometry={plan.geometry} units={units} layers={['padding', 'slab', 'points']} lit={points.filter((id) => id === 'dorsal-foot-pulse')} />
      <StagePage title="Check" next={latest && record.appliedAt ? <ButtonLink look="next" to={`/case/${record.id}/watch`}>Watch</ButtonLink> : null}>
        <div className="grid gap-7 xl:grid-cols-[1.5fr_1fr]">
          <div className="grid content-start gap-4">
            {hasBaseline ? null : <Notice tone="caution" lead="There is no baseline">Any loss counts as new until one is recorded in Size up.</Notice>}
            {latest && !isAgain ? (
              <>
                <VerdictPanel verdict={latest.verdict} device={technique?.onUrgent.actions ?? []} />
                <p className="text-soft">Recorded {new Date(latest.round.at).toLocaleTimeString([], { hour: '2-digit', minute: '2-digit' })} by {latest.round.by}.</p>
                <div><Button onClick={() => setAgain(true)}>Check again</Button></div>
              </>
            ) : side ? (
              <RoundForm limb="leg" injured={side} isBaseline={false} cases={[record.id]} draftKey={`case/${record.id}/check`} submitLabel="Judge this round" onSubmit={(body) => { setAgain(false); void writeEvent('round', body) }} />
            ) : <Notice tone="caution" lead="The side is not set">Choose it in Size up.</Notice>}
          </div>
          <FitTests caseId={record.id} tests={plan.fit} records={record.fit} onSave={(body) => void writeEvent('fit', body)} />
        </div>
      </StagePage>
    </>
  )
}
