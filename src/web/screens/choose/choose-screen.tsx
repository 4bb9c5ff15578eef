import { useMemo, useState } from 'react'
import { useNavigate } from 'react-router'
import type { Decision } from '#core/model/decision'
import type { Caution, Plan } from '#core/model/plan'
import { planCase } from '#core/techniques/plan-case'
import { toClinicalCase } from '#ward/case/clinical-case'
import { isChangeWaiting } from '#ward/case/plan-in-force'
import { countingRuns } from '#contract/records/run-kind'
import { hasRight, isPairedDevice } from '#contract/rights'
import { protocolOf } from '#contract/records/case'
import { Lane } from '../../lane/lane'
import { BeginWithout } from '../../case/run/begin-without'
import { browserContext, usePlan } from '../../case/plan/use-plan'
import { Button, ButtonLink } from '../../parts/button'
import { Notice } from '../../parts/notice'
import { ReasonSheet } from '../../case/run/reason-sheet'
import { PlanMessages } from '../../case/plan/plan-messages'
import { StagePage } from '../../parts/stage-page'
import { WorkingSheet } from '../../case/frame/working-sheet'
import { useOpenCase, writeAndHear, writeEvent, type OpenCase } from '../../sync/case-store'
import { serverNow } from '../../sync/server-clock'
import { usePerson, useSettings } from '../../sync/session-store'
import { CutList } from './cut-list'
import { DecisionGroups } from './decision-groups'
import { OptionPanel } from './option-panel'
import { OverruleSheet } from './overrule-sheet'
import { PlanAnswer } from './plan-answer'
import { SizeStripView } from './size-strip'
import { StockSource } from './stock-source'
import { stockedWidths, widthDecision, WidthTrial } from './width-trial'

type Sheet =
  | { kind: 'working'; decision: Decision }
  | { kind: 'overrule'; decision: Decision; suggested?: number }
  | { kind: 'set-aside'; caution: Caution }
  | null

/** Size and cut list: every number opens its working, every school can be changed, and the plan is accepted. */
export function ChooseScreen() {
  const open = useOpenCase()
  const { record } = open
  const plan = usePlan(open)
  const { units } = useSettings()
  const person = usePerson()
  const navigate = useNavigate()
  const [sheet, setSheet] = useState<Sheet>(null)
  const [isBusy, setBusy] = useState(false)
  const [storeFault, setStoreFault] = useState<string | null>(null)
  const [tried, setTried] = useState<number | null>(null)
  const widths = stockedWidths(record, plan)
  const widthId = widthDecision(plan)?.id
  const trial = useMemo(
    () => (tried === null || widthId === undefined ? null : planWithWidth(open, widthId, tried)),
    [open, tried, widthId],
  )
  const sized = plan.decisions.filter((decision) => decision.strip)
  const mayDecide = hasRight(person.roles, 'decide')
  const isDevice = isPairedDevice(person.roles)
  const isBegun = countingRuns(record).length > 0
  const isAccepted = record.accepted !== null && !isChangeWaiting(record, open.episode, plan)
  const openStops = plan.cautions.filter((caution) => caution.level === 'stop' && !caution.overruled)
  const lit = sheet && sheet.kind !== 'set-aside' ? sheet.decision.working.flatMap((line) => line.where ?? []) : []
  const accept = async (): Promise<void> => {
    setBusy(true)
    const body = { plan: JSON.parse(JSON.stringify(plan)) as Plan }
    const outcome = await writeAndHear('plan', body, (problem) => problem.type === 'urn:zesty-wren:error:out-of-stock')
    setBusy(false)
    setStoreFault(outcome.kind === 'refused' ? outcome.problem.detail : null)
    if (outcome.kind === 'refused') return
    void navigate(`/case/${record.id}/make-ready`)
  }
  const pick = (id: string): void => {
    const decision =
      plan.decisions.find((one) => one.id === id) ?? plan.decisions.find((one) => one.working.some((line) => line.where === id))
    if (decision) setSheet({ kind: 'working', decision })
  }
  return (
    <>
      <StagePage
        lane={<Lane geometry={(trial ?? plan).geometry} units={units} layers={['readings', 'slab', 'sheet']} lit={lit} onPick={pick} />}
        aside={
          <div className="grid gap-4">
            {widths.length > 1 ? (
              <WidthTrial
                plan={plan}
                trial={trial}
                widths={widths}
                tried={tried}
                units={units}
                onTry={setTried}
                onUse={(widthCm) => {
                  const decision = widthDecision(plan)
                  if (decision) setSheet({ kind: 'overrule', decision, suggested: widthCm })
                }}
              />
            ) : null}
            {sized.map((decision) => (
              <SizeStripView key={decision.id} decision={decision} units={units} />
            ))}
          </div>
        }
        title="Choose"
        lead={isAccepted ? `Accepted by ${record.accepted?.by ?? ''}` : record.accepted ? 'Changed since it was accepted' : undefined}
        next={
          isAccepted ? (
            <>
              {record.runs.length === 0 && mayDecide ? (
                <Button look="quiet" onClick={() => void writeEvent('plan-dropped', {})}>
                  Drop the plan
                </Button>
              ) : null}
              <ButtonLink look="next" to={`/case/${record.id}/make-ready`}>
                Make ready
              </ButtonLink>
            </>
          ) : (
            <>
              {openStops.length > 0 ? (
                <p className="font-semibold text-stop">{openStops.length === 1 ? 'A stop stands.' : `${openStops.length} stops stand.`}</p>
              ) : null}
              {mayDecide ? null : (
                <p className="text-soft">{isDevice ? 'A clinician accepts the plan later.' : 'A clinician accepts the plan.'}</p>
              )}
              {isDevice ? (
                isBegun ? (
                  <ButtonLink look="next" to={`/case/${record.id}`}>
                    Go on
                  </ButtonLink>
                ) : (
                  <BeginWithout open={open} refuses={plan.decisions.length === 0 ? noSizeYet : null} />
                )
              ) : (
                <Button
                  look="next"
                  disabled={isBusy}
                  refuses={whyNotAccepted(plan, openStops.length, mayDecide)}
                  onClick={() => void accept()}
                >
                  {plan.pending.length > 0 ? 'Working out the last figures…' : 'Accept the plan'}
                </Button>
              )}
            </>
          )
        }
      >
        <div className="grid gap-6">
          <div className="grid content-start gap-4">
            {storeFault ? (
              <Notice tone="stop" lead="Not accepted: something is gone" role="alert">
                {storeFault} Look at the stock again, then choose what there is.
              </Notice>
            ) : null}
            <PlanAnswer plan={trial ?? plan} units={units} />
            <PlanMessages
              isFolded
              plan={plan}
              levels={['stop', 'caution']}
              onSetAside={mayDecide ? (caution) => setSheet({ kind: 'set-aside', caution }) : undefined}
            />
            <PlanMessages isFolded plan={plan} levels={['note']} showProblems={false} />
          </div>
          <DecisionGroups plan={plan} onOpen={(decision) => setSheet({ kind: 'working', decision })} />
          <CutList plan={trial ?? plan} units={units} />
          <StockSource record={record} />
          <OptionPanel record={record} episode={open.episode} plan={plan} onSave={(options) => void writeEvent('options', { options })} />
        </div>
      </StagePage>
      {sheet?.kind === 'working' ? (
        <WorkingSheet
          decision={sheet.decision}
          onClose={() => setSheet(null)}
          onOverrule={mayDecide ? () => setSheet({ kind: 'overrule', decision: sheet.decision }) : undefined}
        />
      ) : null}
      {sheet?.kind === 'overrule' ? (
        <OverruleSheet
          record={record}
          decision={sheet.decision}
          suggested={sheet.suggested}
          onClose={() => setSheet(null)}
          onSave={(value, reason) => {
            setSheet(null)
            void writeEvent('overrule', { decision: sheet.decision.id, value, reason })
          }}
        />
      ) : null}
      {sheet?.kind === 'set-aside' ? (
        <ReasonSheet
          title={`Set aside: ${sheet.caution.text}`}
          draftKey={`case/${record.id}/set-aside/${sheet.caution.code}`}
          submitLabel="Set it aside"
          backLabel="Leave as it is"
          hint="The caution and this reason stay visible. It comes back when its figure gets worse, or for another cause."
          onClose={() => setSheet(null)}
          onReason={(reason) => {
            setSheet(null)
            const { code, from, figure } = sheet.caution
            void writeEvent('overrule', { caution: code, reason, ...(from ? { from } : {}), ...(figure === undefined ? {} : { figure }) })
          }}
        />
      ) : null}
    </>
  )
}

/** The plan as it would be with another width. */
function planWithWidth({ record, episode }: OpenCase, decision: string, widthCm: number): Plan | null {
  const clinicalCase = toClinicalCase(record, episode)
  const overrule = { decision, value: widthCm, reason: 'tried out', by: '', at: new Date(serverNow()).toISOString() }
  return planCase({ ...clinicalCase, overrules: [...clinicalCase.overrules, overrule] }, browserContext(protocolOf(record)))
}

const noSizeYet = 'There is no size yet: take the readings that are asked.'

/** Why a plan is not accepted now; null where it may be. */
function whyNotAccepted(plan: Plan, stops: number, mayDecide: boolean): string | null {
  if (!mayDecide) return 'A clinician accepts the plan: ask one.'
  if (plan.pending.length > 0) return 'The last figures are being worked out: a moment.'
  if (plan.decisions.length === 0) return noSizeYet
  return stops > 0 ? 'A stop stands: change what raises it, or set it aside with a reason.' : null
}
