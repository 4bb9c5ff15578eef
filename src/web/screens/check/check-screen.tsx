import { useState } from 'react'
import { standCaseRounds } from '#ward/rounds/case-rounds'
import { isPlaced } from '#ward/case/is-placed'
import { CaseRound } from '../../case/run/case-round'
import { AfterChange } from '../../case/standing/after-change'
import { LotPanel } from '../../case/plan/lot-panel'
import { FitTests } from '../../case/readings/fit-tests'
import { StandingPanel } from '../../case/standing/standing-panel'
import { usePlanInForce } from '../../case/plan/use-plan'
import { useStanding } from '../../case/standing/use-standing'
import { Lane } from '../../lane/lane'
import { Button, ButtonLink } from '../../parts/button'
import { formatClock } from '../../parts/format-time'
import { Notice } from '../../parts/notice'
import { comparedWords } from '../../round/round-entry'
import { StagePage } from '../../parts/stage-page'
import { useOpenCase, writeEvent } from '../../sync/case-store'
import { serverNow } from '../../sync/server-clock'
import { useSettings } from '../../sync/session-store'
import { RunAngles } from './run-angles'

/** Circulation, feeling, movement, alignment and fit, beside the baseline and the other side, with what to do about it. */
export function CheckScreen() {
  const open = useOpenCase()
  const { record, episode } = open
  const plan = usePlanInForce(open)
  const { units } = useSettings()
  const [isAgain, setAgain] = useState(false)
  const standing = useStanding(open)
  const injury = episode.injuries[record.injuryId]
  const { judged } = standCaseRounds(record, episode, serverNow())
  const latest = judged.findLast((round) => !round.round.isBaseline)
  const hasBaseline = judged.some((round) => round.round.isBaseline)
  const fit = (
    <>
      <FitTests tests={plan.fit} record={record} onSave={(body) => void writeEvent('fit', body)} />
      <RunAngles open={open} plan={plan} />
      {record.appliedAt ? <LotPanel record={record} plan={plan} /> : null}
    </>
  )
  const warning = hasBaseline ? null : (
    <Notice tone="caution" lead="There is no baseline">
      Any loss counts as new until one is recorded in Size up.
    </Notice>
  )
  if (!injury || !isPlaced(injury)) {
    return (
      <StagePage title="Check">
        <Notice tone="caution" lead="Region or side is not set">
          Choose them in Size up.
        </Notice>
      </StagePage>
    )
  }
  if (!latest || isAgain) {
    return (
      <StagePage title="Check" lead={`Circulation, feeling, movement: ${comparedWords(injury)}.`}>
        <div className="grid gap-8">
          {warning}
          <CaseRound
            open={open}
            isBaseline={false}
            draftKey={`case/${record.id}/check`}
            submitLabel="Judge this round"
            onSubmit={(body, minutesAgo) => {
              setAgain(false)
              void writeEvent('round', body, minutesAgo)
            }}
          />
          {fit}
        </div>
      </StagePage>
    )
  }
  return (
    <StagePage
      title="Check"
      lead={`Recorded ${formatClock(latest.round.at)} by ${latest.round.by}.`}
      lane={<Lane geometry={plan.geometry} units={units} layers={['padding', 'slab', 'points']} lit={['dorsal-foot-pulse']} />}
      next={
        record.appliedAt ? (
          <>
            <ButtonLink look="quiet" to={`/case/${record.id}/card`}>
              Receiver’s card
            </ButtonLink>
            <ButtonLink look="next" to={`/case/${record.id}/watch`}>
              Watch
            </ButtonLink>
          </>
        ) : null
      }
    >
      <div className="grid content-start gap-5">
        {warning}
        <StandingPanel open={open} standing={standing} isBedsideOnly />
        <div>
          <Button onClick={() => setAgain(true)}>Check again</Button>
        </div>
        <AfterChange open={open} />
        {fit}
      </div>
    </StagePage>
  )
}
