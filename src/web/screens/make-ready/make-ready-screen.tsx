import type { Plan } from '#core/model/plan'
import { slowDecisions, taskOf, type SlowTask } from '#core/model/slow-task'
import { hasRig } from '#core/techniques/families/traction/describe-rig'
import { decisionInRole } from '#core/techniques/decision-in-role'
import { useMemo, useState } from 'react'
import { Link, useNavigate } from 'react-router'
import { v7 as uuidv7 } from 'uuid'
import { spoken } from '#core/model/vocabulary'
import type { Decision } from '#core/model/decision'
import { gripWords, gripsNeeded } from '#core/runs/grips'
import { orderLines } from '#ward/case/order-lines'
import { gapsOf, isChangeWaiting, planInForce } from '#ward/case/plan-in-force'
import { countingRuns } from '#contract/records/run-kind'
import { sideStateOf } from '#ward/case/side-state'
import { protocolOf } from '#contract/records/case'
import { OrdersPanel } from '../../case/orders/orders-panel'
import { BeginWithout } from '../../case/run/begin-without'
import { usePlanInHand } from '../../case/plan/use-plan'
import { Lane } from '../../lane/lane'
import { Button, ButtonLink } from '../../parts/button'
import { Notice } from '../../parts/notice'
import { PlanMessages } from '../../case/plan/plan-messages'
import { RigPanel } from '../../case/run/rig-panel'
import { WorkingSheet } from '../../case/frame/working-sheet'
import { StagePage } from '../../parts/stage-page'
import { useOpenCase, writeEvent } from '../../sync/case-store'
import { useSettings } from '../../sync/session-store'
import { tabId } from '../../sync/tab-id'
import { nameAt } from '../../case/run/run-state'
import { CrewForecast } from './crew-forecast'
import { CrewPanel } from './crew-panel'
import { HeatPanel } from './heat-panel'
import { LayOutList } from './lay-out-list'
import { SetupForm } from './setup-form'
import { TemplatePanel } from './template-panel'
import { WetStrip } from '../../case/plan/wet-strip'

/** People that a plan needs, of whichever decision says so; those that its holds need while the slow one is worked out. */
function peopleNeeded(plan: Plan, crew: Extract<SlowTask, { decision: 'least-crew' }> | null): number | null {
  const decided = plan.decisions.find(({ id }) => peopleDecisions.some((one) => one === id))?.value
  return typeof decided === 'number' ? decided : (crew?.input.floor ?? null)
}

const peopleDecisions = ['least-crew', 'people', 'lifters'] as const

/** What to lay out, who is here and holds what, how warm the water is, and whether they will finish before it sets. */
export function MakeReadyScreen() {
  const open = useOpenCase()
  const { record } = open
  const [trial, setTrial] = useState<Readonly<Record<string, string>>>({})
  const tried = useMemo(
    () => (Object.keys(trial).length === 0 ? open : { ...open, record: { ...open.record, options: { ...open.record.options, ...trial } } }),
    [open, trial],
  )
  const { plan: live, tasks } = usePlanInHand(tried)
  const isTrying = Object.keys(trial).length > 0
  // What is laid out and held is the plan in force; forecasts answer to water, people and room as they are now.
  const plan = isTrying ? live : planInForce(record, live)
  const gaps = gapsOf(record, open.episode)
  const waits = isChangeWaiting(record, open.episode, live)
  const isOrdered = orderLines(record).length > 0
  const isHeld = sideStateOf(record, open.episode) !== 'settled'
  const heat = taskOf(tasks, 'peak-skin-temp')
  const crew = taskOf(tasks, 'least-crew')
  const { units } = useSettings()
  const navigate = useNavigate()
  const run = countingRuns(record).at(-1)
  const [shown, setShown] = useState<Decision | null>(null)
  const start = (): void => {
    if (!run && record.accepted) {
      const runId = uuidv7()
      void writeEvent('run-started', { runId, device: tabId(), plan: record.accepted.plan })
    }
    void navigate(`/case/${record.id}/apply`)
  }
  const tryOption = (option: string, value: string): void =>
    setTrial(() => {
      const others = Object.fromEntries(Object.entries(trial).filter(([id]) => id !== option))
      return (record.accepted?.plan.options[option] ?? record.options[option]) === value ? others : { ...others, [option]: value }
    })
  const takeTrial = (): void => {
    void writeEvent('options', { options: { ...record.options, ...trial } })
    void navigate(`/case/${record.id}/choose`)
  }
  const hands = gripsNeeded(plan.procedure.steps).map((place) => {
    const name = nameAt(record.crew, place)
    return { place, label: name ?? gripWords(place, plan.geometry.body), isActive: name !== null }
  })
  return (
    <StagePage
      lane={
        <Lane
          geometry={plan.geometry}
          units={units}
          layers={['padding', 'slab', 'bandage']}
          hands={hands}
          isSceneElsewhere={hasRig(plan.technique)}
        />
      }
      aside={
        <div className="grid grid-cols-[minmax(0,1fr)] gap-5">
          <LayOutList record={record} plan={plan} units={units} />
          <TemplatePanel caseId={record.id} plan={plan} />
        </div>
      }
      title="Make ready"
      lead={
        <>
          {record.accepted ? '' : 'The plan is not accepted yet. '}
          <Link to={`/guide/${record.technique}`} className="underline underline-offset-4">
            Read it in the guide
          </Link>
        </>
      }
      next={
        record.accepted && gaps.length > 0 && !run ? (
          <>
            <p className="font-semibold text-caution">Figures are missing or doubted: {gaps[0]?.message}</p>
            <BeginWithout open={open} />
          </>
        ) : record.accepted ? (
          <>
            {waits && !run ? <p className="font-semibold text-caution">A changed plan waits: take it or keep what was accepted.</p> : null}
            <Button
              look="next"
              refuses={
                isHeld
                  ? 'Say first which side it is: it is asked on this page.'
                  : waits && !run
                    ? 'A changed plan waits: take it, or keep what was accepted.'
                    : null
              }
              onClick={start}
            >
              {run ? 'Go on applying' : 'Start applying'}
            </Button>
          </>
        ) : (
          <ButtonLink look="next" to={`/case/${record.id}/choose`}>
            Back to the plan
          </ButtonLink>
        )
      }
    >
      <div className="grid grid-cols-[minmax(0,1fr)] content-start gap-5">
        {/* What was ordered is said back first; where nothing was, the way to enter one stands after the work. */}
        {isOrdered ? <OrdersPanel open={open} /> : null}
        <SetupForm
          setup={record.setup}
          technique={record.technique}
          protocol={protocolOf(record)}
          options={live.options}
          isWet={heat !== null || crew !== null}
          needed={peopleNeeded(live, crew)}
          onSave={(setup) => void writeEvent('setup', setup)}
          onTry={run ? undefined : tryOption}
        />
        {isTrying ? (
          <Notice tone="note" lead="Tried, not taken" role="status">
            <p className="mb-2">
              The forecast below is for {Object.values(trial).map(spoken).join(', ')}. Taken over, it waits as a change of the plan.
            </p>
            <p className="flex flex-wrap gap-2">
              <Button onClick={takeTrial}>Take it over</Button>
              <Button look="quiet" onClick={() => setTrial({})}>
                Back to the plan as it is
              </Button>
            </p>
          </Notice>
        ) : null}
        <CrewForecast plan={live} onOpen={setShown} />
        <RigPanel open={open} plan={plan} />
        {crew ? <WetStrip input={crew.input} people={record.setup.people ?? crew.input.floor} /> : null}
        <CrewPanel record={record} plan={plan} />
        {heat ? (
          <HeatPanel
            input={heat.input}
            vulnerable={heat.vulnerable}
            setting={{ packMin: record.setup.packSetMin, protocol: protocolOf(record) }}
          />
        ) : null}
        <PlanMessages plan={live} decisions={[...slowDecisions, 'people', decisionInRole(live, 'sets')?.id ?? '']} showProblems={false} />
        {isOrdered ? null : <OrdersPanel open={open} />}
      </div>
      {shown ? <WorkingSheet decision={shown} onClose={() => setShown(null)} /> : null}
    </StagePage>
  )
}
