import { useMemo, useState } from 'react'
import { isOfPatient, type AskedFlag } from '#core/model/flag-words'
import { isColumnRegion, sides, spoken, type InjuryFlag, type PatientFlag, type Region, type Side } from '#core/model/vocabulary'
import { formatLength } from '#core/planner/format-decision'
import type { Question, WhatIf } from '#core/techniques/what-if'
import { rankBySuit, rankTechniques } from '#core/techniques/rank-techniques'
import { findTechnique } from '#core/techniques/registry'
import { betterDevice } from '#ward/case/better-device'
import { isUntouched } from '#ward/case/case-from-file'
import { isPlaced } from '#ward/case/is-placed'
import { toClinicalCase } from '#ward/case/clinical-case'
import { unknownInjury, type EpisodeRecord, type InjuryRecord } from '#contract/records/episode'
import { browserContext, usePlan } from '../../case/plan/use-plan'
import { Button, ButtonLink } from '../../parts/button'
import { ChoiceRow } from '../../parts/choice-row'
import { formatClock } from '../../parts/format-time'
import { isBareLimb } from '#ward/case/is-bare-limb'
import { comparedWords, RoundEntry } from '../../round/round-entry'
import { StagePage } from '../../parts/stage-page'
import { useNarrow } from '../../parts/use-narrow'
import { useOpenCase, writeEvent, type OpenCase } from '../../sync/case-store'
import { questionsOf } from '#ward/case/questions'
import { isOtherPlace, isTakenAway } from '#contract/records/side-change'
import { isIdentityRead } from '#ward/case/done-with-role'
import { hasRight, mayChangeSide } from '#contract/rights'
import { protocolOf } from '#contract/records/case'
import { Notice } from '../../parts/notice'
import { usePerson, useSettings } from '../../sync/session-store'
import { QuestionGroups } from './question-groups'
import { SideSheet } from './side-sheet'
import { BodyChart } from './body-chart'
import { FileIn } from './file-in'
import { FoundOn } from './found-on'
import { IdentityForm } from './identity-form'
import { ConfidentialLine } from './confidential-line'
import { MergeLine } from './merge-line'
import { PatternField, SwellingField } from './injury-form'
import { LevelField } from './level-field'
import { LevelLane } from './level-lane'
import { missingIn } from '../../parts/required'
import { OrdersForm } from './orders-form'
import { PhotoStrip } from './photo-strip'
import { PositionChooser } from './position-chooser'
import { VoidCase } from './void-case'
import { ChosenLine, TechniqueChooser } from './technique-chooser'
import { useWhatIf } from './use-what-if'

/** Who, which injury and side, what is different about this patient, and the baseline. Only region and side are needed to go on. */
export function SizeUpScreen() {
  const open = useOpenCase()
  const { record, episode } = open
  const plan = usePlan(open)
  const injury = episode.injuries[record.injuryId] ?? unknownInjury
  const technique = findTechnique(record.technique)
  const isReady = isPlaced(injury)
  // Before it is known where it hurts nothing is ranked, asked or taken for granted.
  const hasRegion = injury.region !== null
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
    if (isOther && isIdentityRead(record) && !mayChangeSide(person.roles, record.accepted !== null))
      return setRefusal('Side, region and pattern were read aloud: they are a clinician’s to change. Call one.')
    setRefusal(null)
    if (isOther && isIdentityRead(record)) return setAsked(next)
    void writeEvent('injury', { injuryId: record.injuryId, injury: next })
    setTaken(goOnWithBetter(open, { ...episode, injuries: { ...episode.injuries, [record.injuryId]: next } }))
  }
  const ranked = useMemo(() => rankTechniques(toClinicalCase(record, episode), browserContext(protocolOf(record))), [record, episode])
  const questions = questionsOf(record, episode)
  const results = useWhatIf(open)
  // What is asked takes its room once it is known: until then nothing below it can be pressed, since it would move away under the thumb.
  const [settledCase, setSettledCase] = useState<string | null>(null)
  if (results && settledCase !== record.id) setSettledCase(record.id)
  const settling = settledCase === record.id ? '' : 'settling'
  const { units } = useSettings()
  const changes = (question: Question): boolean =>
    results?.some((result) => result.question === question && result.consequence !== 'nothing') === true
  const setFlag = (flag: AskedFlag, isSo: boolean): void => {
    if (!isOfPatient(flag)) return save({ ...injury, flags: withFlag(injury.flags, flag as InjuryFlag, isSo) })
    const isBound = record.accepted !== null && !mayDecide && !isSo
    setRefusal(isBound ? 'Since the plan was accepted, taking a flag away is a clinician’s. Adding one is yours.' : null)
    if (isBound) return
    const flags = withFlag(episode.flags, flag as PatientFlag, isSo)
    void writeEvent('flags', { flags })
    setTaken(goOnWithBetter(open, { ...episode, flags }))
  }
  const pick = (region: Region, side: Side | null): void =>
    save({ ...injury, region, side: isColumnRegion(region) ? null : (side ?? injury.side) })
  return (
    <StagePage
      title="Size up"
      lead="Region and side are enough to pick up the tape; the rest can follow."
      next={
        isReady ? (
          <>
            <ChosenLine record={record} ranked={ranked} />
            <ButtonLink look="next" to={`/case/${record.id}/measure`}>
              Measure
            </ButtonLink>
          </>
        ) : (
          <Button look="next" refuses={missingIn('size-up', { place: null })}>
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
      {/* Until it is known where it hurts the body is what the page is. */}
      <div className={`grid gap-x-6 gap-y-4 ${isReady ? 'lg:grid-cols-[22rem_minmax(0,1fr)]' : 'lg:grid-cols-[2fr_1fr]'}`}>
        <div className="grid content-start gap-4 ">
          <Where injury={injury} onPick={pick} onSide={(side) => save({ ...injury, side })} />
          <IdentityForm key={`${episode.id} ${episode.patientId}`} episode={episode} matters={isReady ? figuresThatMatter(results) : []} />
          {hasRegion ? <PhotoStrip caseId={record.id} /> : null}
        </div>
        <div className="grid grid-cols-[minmax(0,1fr)] content-start gap-x-4 gap-y-4 lg:grid-cols-[auto_minmax(0,1fr)_minmax(0,1fr)]">
          <div className="grid content-start gap-4 lg:col-span-3">
            {hasRegion ? (
              <PatternField key={injury.region} injury={injury} onPattern={(pattern) => save({ ...injury, pattern })} />
            ) : (
              <p className="text-soft">Tap where it hurts. What can be done there, and what is asked, comes up then.</p>
            )}
            {refusal ? <Notice tone="caution" lead={refusal} role="alert" /> : null}
          </div>
          {hasRegion ? (
            <SwellingField
              swelling={injury.swelling}
              isOpen={questions.open.includes('swelling')}
              onSwelling={(swelling) => {
                if (swelling === 'none') void writeEvent('asked', { injuryId: record.injuryId, questions: ['swelling'] })
                if (swelling !== injury.swelling) save({ ...injury, swelling })
              }}
            />
          ) : null}
          {hasRegion ? (
            <div className="lg:col-span-3">
              <QuestionGroups
                questions={questions}
                results={results}
                about={[record.technique, injury.region, injury.side, injury.pattern].join(' ')}
                onSet={setFlag}
                onNotSo={(flags) => void writeEvent('asked', { injuryId: record.injuryId, questions: flags })}
              />
            </div>
          ) : null}
          {/* What may be said later stands behind what is asked first. */}
          <div className={`grid grid-cols-[minmax(0,1fr)] gap-4 lg:col-span-3 lg:grid-cols-[auto_minmax(0,1fr)] ${settling}`}>
            {isReady && plan.options['position'] !== undefined ? (
              <PositionChooser
                open={open}
                value={String(plan.options['position'])}
                onChoose={(position) => void writeEvent('options', { options: { ...record.options, position } })}
              />
            ) : null}
            {isReady && !isColumnRegion(injury.region ?? 'neck') ? (
              <details className="self-start rounded-2xl border border-line px-4 open:lg:col-span-2" open={changes('level') || undefined}>
                <summary className="min-h-12 content-center py-1.5 leading-tight font-semibold">
                  Level of the injury{' '}
                  <span className="font-normal whitespace-nowrap text-soft">
                    {injury.levelCm !== null ? formatLength(injury.levelCm, units) : 'not set'}
                  </span>
                </summary>
                <div className="grid gap-3 pb-3">
                  <LevelLane geometry={plan.geometry} level={injury.levelCm} onLevel={(levelCm) => save({ ...injury, levelCm })} />
                  <LevelField caseId={record.id} injury={injury} onSave={(levelCm) => save({ ...injury, levelCm })} />
                </div>
              </details>
            ) : null}
          </div>
          <div className={`grid content-start gap-4 lg:col-span-3 ${settling}`}>
            {isReady ? (
              <TechniqueChooser record={record} ranked={ranked} onChoose={(id) => void writeEvent('technique', { technique: id })} />
            ) : null}
            {isReady && technique?.asks ? (
              <OrdersForm
                open={open}
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
      </div>
      <footer className={`${settling} mt-3 flex flex-wrap items-center gap-x-4 gap-y-2 border-t border-line pt-3`}>
        {isReady ? <Baseline caseId={record.id} injury={injury} /> : null}
        {isReady ? <FoundOn record={record} /> : null}
        {isUntouched(record, episode) ? <FileIn open={open} onTaken={setTaken} /> : null}
        <MergeLine episode={episode} />
        <ConfidentialLine episode={episode} />
        {mayDecide && record.appliedAt === null && record.runs.length === 0 && !record.ended ? <VoidCase caseId={record.id} /> : null}
      </footer>
      {asked ? <SideSheet record={record} before={injury} after={asked} onClose={() => setAsked(null)} /> : null}
    </StagePage>
  )
}

function withFlag<F extends string>(flags: readonly F[], flag: F, isSo: boolean): readonly F[] {
  return isSo ? [...flags.filter((one) => one !== flag), flag] : flags.filter((one) => one !== flag)
}

const figureNames: Partial<Record<Question, string>> = { age: 'Age', height: 'Height', mass: 'Weight' }

/** Which of age, height and weight could change the plan, and how. */
function figuresThatMatter(results: readonly WhatIf[] | null): readonly string[] {
  return (results ?? []).flatMap(({ question, consequence, how }) => {
    const name = figureNames[question]
    return name && consequence !== 'nothing' && consequence !== 'other-devices' ? [`${name} matters here: ${how}`] : []
  })
}

/** Region and side: the body to tap, folded on a narrow screen once they are known. */
function Where({
  injury,
  onPick,
  onSide,
}: {
  injury: InjuryRecord
  onPick: (region: Region, side: Side | null) => void
  onSide: (side: Side) => void
}) {
  const isNarrow = useNarrow()
  const { region, side } = injury
  const isColumn = region !== null && isColumnRegion(region)
  const chart = <BodyChart region={region} side={side} onPick={onPick} />
  return (
    <div className="grid content-start gap-4 max-sm:grid-cols-[minmax(0,1fr)_auto] max-sm:items-start max-sm:gap-2">
      {isNarrow && isPlaced(injury) ? (
        <details className="rounded-2xl border border-line bg-sheet open:col-span-2">
          <summary className="min-h-12 content-center px-4 py-1.5 leading-tight font-bold">
            {[side?.toUpperCase(), region ? spoken(region) : ''].filter(Boolean).join(' ')}{' '}
            <span className="font-normal text-soft">on the body</span>
          </summary>
          {chart}
        </details>
      ) : (
        <div className="max-sm:col-span-2">{chart}</div>
      )}
      {isColumn ? null : (
        <ChoiceRow
          label="Side"
          value={side}
          choices={sides.map((value) => ({ value, label: value.toUpperCase() }))}
          onChange={onSide}
          isLabelHidden
        />
      )}
    </div>
  )
}

/** Goes on with a better device where the one in hand cannot stay; what is said of it, or null. */
function goOnWithBetter({ record }: OpenCase, episode: EpisodeRecord): string | null {
  const better = betterDevice(record, episode, rankBySuit(toClinicalCase(record, episode), browserContext(protocolOf(record))))
  if (better) void writeEvent('technique', { technique: better.technique })
  return better?.words ?? null
}

function Baseline({ caseId, injury }: { caseId: string; injury: InjuryRecord }) {
  const { episode, record } = useOpenCase()
  const [isOpen, setOpen] = useState(false)
  const baseline = episode.rounds.find((round) => round.isBaseline)
  return (
    <section aria-labelledby="baseline" className={isOpen && !baseline ? 'w-full' : ''}>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
        <h2 id="baseline" className="text-lg font-bold">
          Baseline, {comparedWords(injury)}
        </h2>
        {baseline ? (
          <p className="text-soft">
            Recorded {formatClock(baseline.at)} by {baseline.by}.
          </p>
        ) : null}
        {!baseline && !isOpen ? <Button onClick={() => setOpen(true)}>Record it now</Button> : null}
      </div>
      {!baseline && isOpen ? (
        <RoundEntry
          isTimed
          injury={injury}
          episode={episode}
          isBaseline
          isBare={isBareLimb(record)}
          cases={[caseId]}
          draftKey={`case/${caseId}/baseline`}
          submitLabel="Record the baseline"
          onSubmit={(body) => void writeEvent('round', body)}
        />
      ) : null}
    </section>
  )
}
