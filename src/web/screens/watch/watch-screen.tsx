import { correctionsOf } from '#ward/rounds/correction-words'
import { wordsInUnits } from '#core/quantities/words-in-units'
import { lazy, Suspense, useMemo, useState } from 'react'
import { useLocation, useSearchParams } from 'react-router'
import { findingsOnLimb } from '#core/standing/findings-on-limb'
import { hasRig } from '#core/techniques/families/traction/describe-rig'
import { caseRounds } from '#ward/owed/case-progress'
import { standCaseRounds } from '#ward/rounds/case-rounds'
import { isHeld } from '#ward/standing/standing-of-case'
import { trendsOf } from '#ward/rounds/trends'
import { takeHomeRefusal } from '#ward/story/take-home'
import { workOwed } from '#ward/owed/work-owed'
import type { RoundRecord } from '#contract/records/episode'
import { hasRight, mayCorrect } from '#contract/rights'
import { useNow } from '../../sync/use-now'
import { OrdersPanel } from '../../case/orders/orders-panel'
import { RigPanel } from '../../case/run/rig-panel'
import { StandingPanel } from '../../case/standing/standing-panel'
import { usePlanInForce } from '../../case/plan/use-plan'
import { useStanding } from '../../case/standing/use-standing'
import { roundWork } from '../../case/frame/work-door'
import { Lane } from '../../lane/lane'
import { Button, ButtonLink } from '../../parts/button'
import { Fold } from '../../parts/fold'
import { Notice } from '../../parts/notice'
import { StagePage } from '../../parts/stage-page'
import { useOpenCase } from '../../sync/case-store'
import { usePerson, useSettings } from '../../sync/session-store'
import { CorrectRound } from './correct-round'
import { OpeningPanel } from './opening-panel'
import { RoundList } from './round-list'
import { DoneTasks } from './done-tasks'
import { DueLine } from './due-line'
import { OwedList } from './owed-list'
import { PutOnAgain } from './put-on-again'
import { WatchPapers } from './watch-papers'
import { WatchSheets, type WatchSheet } from './watch-sheets'

const CareTrend = lazy(async () => ({ default: (await import('./care-trend')).CareTrend }))
const TrendChart = lazy(async () => ({ default: (await import('./trend-chart')).TrendChart }))

/** The rounds due and done, what was found, and what is still to come until the device is off. */
export function WatchScreen() {
  const open = useOpenCase()
  const [asked, setAsked] = useSearchParams()
  const doing = asked.get('do')
  // Two presses of one link are two askings: on a slow page the second comes before the first has left the address.
  const { key: asking } = useLocation()
  const endDoing = (): void => {
    if (doing !== null) setAsked({}, { replace: true })
  }
  const { record, episode } = open
  const plan = usePlanInForce(open)
  const { units } = useSettings()
  const person = usePerson()
  const now = useNow(5_000)
  const [sheet, setSheet] = useState<WatchSheet | null>(null)
  const [correcting, setCorrecting] = useState<RoundRecord | null>(null)
  const standing = useStanding(open)
  const injury = episode.injuries[record.injuryId]
  const side = injury?.side
  const { judged } = standCaseRounds(record, episode, now)
  const rounds = caseRounds(record, episode, now)
  const findings = useMemo(() => findingsOnLimb(plan.geometry, standing.items), [plan.geometry, standing.items])
  const trends = useMemo(() => trendsOf(record), [record])
  if (!record.appliedAt) {
    return (
      <StagePage title="Watch">
        <Notice tone="note" lead="The device is not on yet">
          Rounds begin when Apply is finished.
        </Notice>
        <div className="mt-4">
          <ButtonLink look="next" to={`/case/${record.id}/apply`}>
            Apply
          </ButtonLink>
        </div>
      </StagePage>
    )
  }
  const trend =
    judged.length > 1 && side ? (
      <Suspense fallback={<p className="min-h-44 text-soft">Drawing…</p>}>
        <TrendChart judged={judged} side={side} />
      </Suspense>
    ) : null
  const list = (
    <RoundList
      rounds={rounds}
      judged={judged}
      notDone={episode.rounds.filter((round) => round.outcome !== 'done' && round.cases.includes(record.id))}
      corrections={correctionsOf(record, episode)}
      corrected={(episode.correctedRounds ?? []).filter((round) => round.isBaseline || round.cases.includes(record.id))}
      now={now}
      mayCorrect={(round) => mayCorrect(round, person)}
      onCorrect={setCorrecting}
    />
  )
  // Rounds belong to the stay: they go on after the device is off while anything above known stands.
  const isStanding = isHeld(record, standing)
  const work = workOwed(record, episode, now)
  const owed = work.filter((one) => one.kind !== 'round')
  const next = work.find((one) => one.kind === 'round')
  const noSheet = takeHomeRefusal(record, plan, standing)
  return (
    <>
      <StagePage
        lane={
          <Lane
            isStrip
            geometry={plan.geometry}
            units={units}
            layers={['padding', 'slab']}
            findings={findings}
            isSceneElsewhere={hasRig(plan.technique)}
          />
        }
        aside={
          <div className="grid min-w-0 grid-cols-[minmax(0,1fr)] gap-4">
            <Fold label="Rounds so far">
              {trend}
              {list}
            </Fold>
            {trends.length > 0 ? (
              <Fold label="How readings went">
                <Suspense fallback={<p className="min-h-44 text-soft">Drawing…</p>}>
                  <CareTrend trends={trends} />
                </Suspense>
              </Fold>
            ) : null}
            <DoneTasks record={record} />
          </div>
        }
        title="Watch"
        lead={record.removedAt ? (isStanding ? 'The device is off; rounds go on until nothing stands.' : 'Removed') : undefined}
        next={
          record.ended ? null : (
            <>
              {hasRight(person.roles, 'decide') ? (
                <Button look="quiet" onClick={() => setSheet('ending')}>
                  How it ends
                </Button>
              ) : null}
              {record.removedAt && !isStanding ? null : (
                <>
                  <Button aria-label="Round not done" onClick={() => setSheet('not-done')}>
                    <span className="max-sm:hidden">Round not done</span>
                    {/* On a phone the three ways on stand in one line. */}
                    <span aria-hidden className="sm:hidden">
                      Not done
                    </span>
                  </Button>
                  <Button
                    look={standing.actions.some((action) => action.response === null) ? 'plain' : 'next'}
                    onClick={() => setSheet('round')}
                  >
                    Do the round
                  </Button>
                </>
              )}
            </>
          )
        }
      >
        <div className="grid min-w-0 grid-cols-[minmax(0,1fr)] content-start gap-4">
          <StandingPanel open={open} standing={standing} />
          {next ? <DueLine round={next} now={now} /> : record.ended ? null : <p>No further rounds are planned.</p>}
          {record.removedAt ? null : <OwedList open={open} owed={owed} now={now} doing={doing} asking={asking} onEnd={endDoing} />}
          {record.removedAt ? null : (
            <OpeningPanel
              open={open}
              isUrgent={standing.level === 'urgent'}
              asking={owed.some((one) => one.id === doing && one.kind === 'opening') ? asking : null}
            />
          )}
          {record.removedAt || record.ended ? null : <PutOnAgain open={open} worn={plan} />}
          {hasRig(plan.technique) ? (
            <Fold label="The pull and its bed">
              <RigPanel open={open} plan={plan} />
            </Fold>
          ) : null}
          {record.ended ? null : (
            <Fold label="Orders">
              <OrdersPanel open={open} />
            </Fold>
          )}
          <Fold label="Papers">
            <WatchPapers record={record} noSheet={noSheet} onIncident={() => setSheet('incident')} />
          </Fold>
          <Fold label="For patient and ward">
            <section aria-labelledby="care">
              <h2 id="care" className="mb-1 font-bold max-sm:sr-only">
                For patient and ward
              </h2>
              <ul className="grid list-disc gap-1 pl-5">
                {plan.care.map((line) => (
                  <li key={line}>{wordsInUnits(line, units)}</li>
                ))}
              </ul>
            </section>
          </Fold>
        </div>
      </StagePage>
      <WatchSheets
        open={open}
        sheet={sheet ?? (doing === roundWork ? 'round' : null)}
        onSheet={(next) => {
          endDoing()
          setSheet(next)
        }}
      />
      {injury && correcting ? (
        <CorrectRound round={correcting} injury={injury} episode={episode} onClose={() => setCorrecting(null)} />
      ) : null}
    </>
  )
}
