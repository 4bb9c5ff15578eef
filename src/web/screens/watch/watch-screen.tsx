import { wordsInUnits } from '#core/quantities/words-in-units'
import { lazy, Suspense, useMemo, useState } from 'react'
import { useSearchParams } from 'react-router'
import { hasRig } from '#core/techniques/families/traction/describe-rig'
import { isCaseAtRisk } from '#core/standing/case-facts'
import { caseRounds } from '#contract/views/case-progress'
import { toClinicalCase } from '#contract/views/clinical-case'
import { standCaseRounds } from '#contract/views/case-rounds'
import { isHeld } from '#contract/views/standing-of-case'
import { trendsOf } from '#contract/views/trends'
import { takeHomeRefusal } from '#contract/views/take-home'
import { workOwed } from '#contract/views/work-owed'
import type { RoundRecord } from '#contract/records/episode'
import { paths } from '#contract/api/paths'
import { hasRight, mayCorrect } from '#contract/rights'
import { useNow } from '../../sync/use-now'
import { RigPanel } from '../../case/rig-panel'
import { StandingPanel } from '../../case/standing-panel'
import { usePlanInForce } from '../../case/use-plan'
import { useStanding } from '../../case/use-standing'
import { Lane } from '../../lane/lane'
import { Button, ButtonLink } from '../../parts/button'
import { Dialog } from '../../parts/dialog'
import { Notice } from '../../parts/notice'
import { PaperLinks } from '../../case/paper-links'
import { RoundEntry } from '../../round/round-entry'
import { roundTitle } from '../../round/round-title'
import { StagePage } from '../../parts/stage-page'
import { casesServed } from '#contract/views/related-cases'
import { useOpenCase, writeEvent } from '../../sync/case-store'
import { usePerson, useSettings } from '../../sync/session-store'
import { CorrectRound } from './correct-round'
import { OpeningPanel } from './opening-panel'
import { NotDoneSheet } from '../../case/not-done-sheet'
import { RoundList } from './round-list'
import { DoneTasks } from './done-tasks'
import { DueLine } from './due-line'
import { EndingSheet } from './ending-sheet'
import { IncidentSheet } from './incident-sheet'
import { OwedList } from './owed-list'

const fileLink = 'inline-flex min-h-11 items-center font-semibold underline decoration-soft decoration-2 underline-offset-4'

const CareTrend = lazy(async () => ({ default: (await import('./care-trend')).CareTrend }))
const TrendChart = lazy(async () => ({ default: (await import('./trend-chart')).TrendChart }))

/** The rounds due and done, what was found, and what is still to come until the device is off. */
export function WatchScreen() {
  const open = useOpenCase()
  const [asked] = useSearchParams()
  const { record, episode } = open
  const plan = usePlanInForce(open)
  const { units } = useSettings()
  const person = usePerson()
  const now = useNow(5_000)
  const [sheet, setSheet] = useState<'round' | 'not-done' | 'ending' | 'incident' | null>(null)
  const [correcting, setCorrecting] = useState<RoundRecord | null>(null)
  const standing = useStanding(open)
  const injury = episode.injuries[record.injuryId]
  const side = injury?.side
  const { judged } = standCaseRounds(record, episode, now)
  const rounds = caseRounds(record, episode, now)
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
        <TrendChart judged={judged} side={side} appliedAt={record.appliedAt} />
      </Suspense>
    ) : null
  const list = (
    <RoundList
      rounds={rounds}
      judged={judged}
      notDone={episode.rounds.filter((round) => round.outcome !== 'done' && round.cases.includes(record.id))}
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
          <Lane geometry={plan.geometry} units={units} layers={['padding', 'slab', 'points']} isSceneElsewhere={hasRig(plan.technique)} />
        }
        aside={
          <div className="grid min-w-0 grid-cols-[minmax(0,1fr)] gap-4">
            {trend}
            {list}
            {trends.length > 0 ? (
              <Suspense fallback={<p className="min-h-44 text-soft">Drawing…</p>}>
                <CareTrend trends={trends} />
              </Suspense>
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
                  <Button onClick={() => setSheet('not-done')}>Not done</Button>
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
          {record.removedAt ? null : <OpeningPanel open={open} isUrgent={standing.level === 'urgent'} />}
          {record.removedAt ? null : <OwedList open={open} owed={owed} now={now} doing={asked.get('do')} />}
          <RigPanel open={open} plan={plan} />
          <section aria-labelledby="papers" className="grid gap-2">
            <h2 id="papers" className="font-bold">
              Papers
            </h2>
            <PaperLinks
              caseId={record.id}
              refused={noSheet ? { 'take-home': noSheet } : {}}
              papers={[
                'take-home',
                'round-chart',
                'case-summary',
                'release-card',
                'bedside-label',
                'run-record',
                ...(record.incidents?.length ? (['incident'] as const) : []),
              ]}
            />
            <p className="flex flex-wrap items-center gap-x-5 gap-y-1">
              <ButtonLink to={`/case/${record.id}/record`}>Run record</ButtonLink>
              <Button onClick={() => setSheet('incident')}>Report an incident</Button>
              <a className={fileLink} href={paths.calendar(record.id)} download>
                Owed work for a calendar
              </a>
              <a className={fileLink} href={paths.observations(record.id)} download>
                Observations as a table
              </a>
              <a className={fileLink} href={paths.caseFile(record.id)} download>
                Case file
              </a>
            </p>
          </section>
          <section aria-labelledby="care">
            <h2 id="care" className="mb-1 font-bold">
              For patient and ward
            </h2>
            <ul className="grid list-disc gap-1 pl-5">
              {plan.care.map((line) => (
                <li key={line}>{wordsInUnits(line, units)}</li>
              ))}
            </ul>
          </section>
        </div>
      </StagePage>
      {injury ? (
        <Dialog title={roundTitle('Round', episode, injury)} isWhole isOpen={sheet === 'round'} onClose={() => setSheet(null)}>
          <RoundEntry
            injury={injury}
            episode={episode}
            isBaseline={false}
            cases={casesServed(record)}
            draftKey={`case/${record.id}/round`}
            submitLabel="Judge this round"
            onSubmit={(body, minutesAgo) => {
              setSheet(null)
              void writeEvent('round', body, minutesAgo)
            }}
          />
        </Dialog>
      ) : null}
      {injury && correcting ? (
        <CorrectRound round={correcting} injury={injury} episode={episode} onClose={() => setCorrecting(null)} />
      ) : null}
      {sheet === 'not-done' ? (
        <NotDoneSheet
          title="Round not done"
          draftKey={`case/${record.id}/not-done`}
          {...(isCaseAtRisk(toClinicalCase(record, episode)) ? { onWake: () => setSheet('round') } : {})}
          onClose={() => setSheet(null)}
          onSave={(outcome, reason) => {
            setSheet(null)
            void writeEvent('round', { cases: casesServed(record), isBaseline: false, outcome, reason, findings: { limbs: [] } })
          }}
        />
      ) : null}
      {sheet === 'incident' ? <IncidentSheet record={record} onClose={() => setSheet(null)} /> : null}
      {sheet === 'ending' ? (
        <EndingSheet
          caseId={record.id}
          episode={episode}
          isOff={record.removedAt !== null}
          onClose={() => setSheet(null)}
          onOff={(body) => {
            setSheet(null)
            void writeEvent('removed', body)
          }}
          onEnd={(body) => {
            setSheet(null)
            void writeEvent('ended', body)
          }}
        />
      ) : null}
    </>
  )
}
