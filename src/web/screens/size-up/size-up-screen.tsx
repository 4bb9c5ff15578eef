import { useState } from 'react'
import { bodyRegionOf, type Region, type Side } from '#core/model/vocabulary'
import { rankTechniques } from '#core/techniques/rank-techniques'
import { findTechnique } from '#core/techniques/registry'
import { isUntouched } from '#contract/views/case-from-file'
import { isPlaced } from '#contract/views/is-placed'
import { toClinicalCase } from '#contract/views/clinical-case'
import { unknownInjury, type InjuryRecord } from '#contract/records/episode'
import { browserContext, usePlan } from '../../case/use-plan'
import { Button, ButtonLink } from '../../parts/button'
import { formatClock } from '../../parts/format-time'
import { comparedWords, RoundEntry } from '../../round/round-entry'
import { StagePage } from '../../parts/stage-page'
import { useOpenCase, writeEvent, type OpenCase } from '../../sync/case-store'
import { isIdentityRead, isOtherPlace } from '#contract/views/side-change'
import { hasRight } from '#contract/rights'
import { protocolOf } from '#contract/records/case'
import { Notice } from '../../parts/notice'
import { usePerson } from '../../sync/session-store'
import { SideSheet } from './side-sheet'
import { BodyChart } from './body-chart'
import { FileIn } from './file-in'
import { FoundOn } from './found-on'
import { IdentityForm } from './identity-form'
import { MergeLine } from './merge-line'
import { InjuryForm, isColumnRegion } from './injury-form'
import { LevelLane } from './level-lane'
import { OrdersForm } from './orders-form'
import { PatientFlagsForm } from './patient-flags-form'
import { PhotoStrip } from './photo-strip'
import { PositionChooser } from './position-chooser'
import { VoidCase } from './void-case'
import { TechniqueChooser } from './technique-chooser'

/** Who, which injury and side, what is different about this patient, and the baseline. Only region and side are needed to go on. */
export function SizeUpScreen() {
  const open = useOpenCase()
  const { record, episode } = open
  const plan = usePlan(open)
  const injury = episode.injuries[record.injuryId] ?? unknownInjury
  const technique = findTechnique(record.technique)
  const isReady = isPlaced(injury)
  const person = usePerson()
  const mayDecide = hasRight(person.roles, 'decide')
  const [asked, setAsked] = useState<InjuryRecord | null>(null)
  const [taken, setTaken] = useState<string | null>(null)
  const [refusal, setRefusal] = useState<string | null>(null)
  const save = (next: InjuryRecord): void => {
    const isOther = isOtherPlace(injury, next)
    const isBound = record.accepted !== null && !mayDecide
    if (isBound && (isOther || isTakenAway(injury.flags, next.flags)))
      return setRefusal(
        'Since the plan was accepted, side, region, pattern and flags taken away are a clinician’s. Adding a flag is yours.',
      )
    setRefusal(null)
    if (isOther && isIdentityRead(record)) return setAsked(next)
    void writeEvent('injury', { injuryId: record.injuryId, injury: next })
    suggestTechnique(open, next)
  }
  const pick = (region: Region, side: Side | null): void =>
    save({ ...injury, region, side: isColumnRegion(region) ? null : (side ?? injury.side) })
  return (
    <StagePage
      title="Size up"
      lead="Region and side are enough to pick up the tape; the rest can follow."
      next={
        isReady ? (
          <ButtonLink look="next" to={`/case/${record.id}/measure`}>
            Measure
          </ButtonLink>
        ) : (
          <Button look="next" disabled>
            Choose region and side
          </Button>
        )
      }
    >
      {taken ? (
        <div className="mb-4">
          <Notice tone="calm" lead={taken} role="status" />
        </div>
      ) : null}
      <div className="grid gap-6 lg:grid-cols-[19rem_minmax(0,1fr)_minmax(0,1.05fr)]">
        <div className="grid content-start gap-5">
          <BodyChart region={injury.region} side={injury.side} onPick={pick} />
          <div>
            <IdentityForm key={`${episode.id} ${episode.patientId}`} episode={episode} />
            <MergeLine episode={episode} />
          </div>
          <PhotoStrip caseId={record.id} />
          {isUntouched(record, episode) ? <FileIn open={open} onTaken={setTaken} /> : null}
        </div>
        <div className="grid content-start gap-5">
          <InjuryForm injury={injury} onSave={save} />
          <PatientFlagsForm
            flags={episode.flags}
            onSave={(flags) => {
              const isBound = record.accepted !== null && !mayDecide && isTakenAway(episode.flags, flags)
              setRefusal(isBound ? 'Since the plan was accepted, taking a flag away is a clinician’s. Adding one is yours.' : null)
              if (!isBound) void writeEvent('flags', { flags })
            }}
          />
          {refusal ? <Notice tone="caution" lead={refusal} role="alert" /> : null}
        </div>
        <div className="grid content-start gap-5">
          {isReady ? <TechniqueChooser open={open} onChoose={(id) => void writeEvent('technique', { technique: id })} /> : null}
          {isReady ? <FoundOn record={record} /> : null}
          {isReady && !isColumnRegion(injury.region ?? 'neck') ? (
            <LevelLane geometry={plan.geometry} level={injury.levelCm} onLevel={(levelCm) => save({ ...injury, levelCm })} />
          ) : null}
          {isReady && plan.options['position'] !== undefined ? (
            <PositionChooser
              open={open}
              value={String(plan.options['position'])}
              onChoose={(position) => void writeEvent('options', { options: { ...record.options, position } })}
            />
          ) : null}
          {isReady && technique?.asks ? (
            <OrdersForm
              caseId={record.id}
              asks={technique.asks}
              orders={record.orders ?? {}}
              entered={record.ordersEntered}
              device={record.device ?? {}}
              onOrders={(orders) => void writeEvent('orders', { orders })}
              onDevice={(device) => void writeEvent('device', { device })}
            />
          ) : null}
        </div>
      </div>
      {isReady ? <Baseline caseId={record.id} injury={injury} /> : null}
      {mayDecide && record.appliedAt === null && record.runs.length === 0 && !record.ended ? <VoidCase caseId={record.id} /> : null}
      {asked ? <SideSheet record={record} before={injury} after={asked} onClose={() => setAsked(null)} /> : null}
    </StagePage>
  )
}

/** Whether any flag of the first list is missing in the second. */
function isTakenAway(before: readonly string[], after: readonly string[]): boolean {
  return before.some((flag) => !after.includes(flag))
}

/** When the technique in hand is for another part of the body and nothing is measured yet, the best ranked one takes its place. */
function suggestTechnique(open: OpenCase, injury: InjuryRecord): void {
  const { record, episode } = open
  if (injury.region === null || record.measurements.length > 0 || record.runs.length > 0) return
  const current = findTechnique(record.technique)
  if (current && [current.bodyRegion].flat().includes(bodyRegionOf(injury.region))) return
  const next = { ...episode, injuries: { ...episode.injuries, [record.injuryId]: injury } }
  const [best] = rankTechniques(toClinicalCase(record, next), browserContext(protocolOf(record)))
  if (best && best.technique.id !== record.technique) void writeEvent('technique', { technique: best.technique.id })
}

function Baseline({ caseId, injury }: { caseId: string; injury: InjuryRecord }) {
  const { episode } = useOpenCase()
  const [isOpen, setOpen] = useState(false)
  const baseline = episode.rounds.find((round) => round.isBaseline)
  return (
    <section aria-labelledby="baseline" className="mt-8 border-t border-line pt-5">
      <div className="mb-3 flex flex-wrap items-center gap-4">
        <h2 id="baseline" className="text-lg font-bold">
          Baseline, {comparedWords(injury)}
        </h2>
        {baseline ? (
          <p className="text-soft">
            Recorded {formatClock(baseline.at)} by {baseline.by}.
          </p>
        ) : (
          <p className="text-soft">Before anything goes on. It may wait: Apply asks for it.</p>
        )}
        {!baseline && !isOpen ? <Button onClick={() => setOpen(true)}>Record it now</Button> : null}
      </div>
      {!baseline && isOpen ? (
        <RoundEntry
          isTimed
          injury={injury}
          episode={episode}
          isBaseline
          cases={[caseId]}
          draftKey={`case/${caseId}/baseline`}
          submitLabel="Keep the baseline"
          onSubmit={(body) => void writeEvent('round', body)}
        />
      ) : null}
    </section>
  )
}
