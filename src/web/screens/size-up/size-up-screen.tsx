import { formatClock } from '../../parts/format-time'
import { useState } from 'react'
import { findTechnique } from '#core/techniques/registry'
import { unknownInjury, type InjuryRecord } from '#contract/episode-record'
import { toClinicalCase } from '#contract/case-record'
import { judgeSuitability } from '#core/techniques/suits'
import { browserContext, usePlan } from '../../hooks/use-plan'
import { Button, ButtonLink } from '../../parts/button'
import { PlanMessages } from '../../parts/plan-messages'
import { RoundForm } from '../../parts/round-form'
import { StagePage } from '../../parts/stage-page'
import { useOpenCase, writeEvent } from '../../stores/case-store'
import { IdentityForm } from './identity-form'
import { InjuryForm } from './injury-form'
import { PatientFlagsForm } from './patient-flags-form'

/** Who, which injury and side, what is different about this patient, and the baseline. Only region and side are needed to go on. */
export function SizeUpScreen() {
  const open = useOpenCase()
  const { record, episode } = open
  const plan = usePlan(open)
  const injury = episode.injuries[record.injuryId] ?? unknownInjury
  const technique = findTechnique(record.technique)
  const isReady = injury.region !== null && injury.side !== null
  const save = (next: InjuryRecord): void => void writeEvent('injury', { injuryId: record.injuryId, injury: next })
  const relevant = technique
    ? { ...plan, problems: [], cautions: judgeSuitability(technique, toClinicalCase(record, episode), browserContext()).reasons }
    : plan
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
      <div className="grid gap-8 lg:grid-cols-[1.2fr_1fr]">
        <InjuryForm injury={injury} onSave={save} />
        <div className="grid content-start gap-6">
          {isReady ? (
            <section aria-labelledby="technique" className="grid gap-2 rounded-3xl border border-line bg-sheet p-4">
              <h2 id="technique" className="font-bold">
                {technique?.name}
              </h2>
              <p className="text-soft">{technique?.purpose}</p>
              {relevant.cautions.length > 0 ? (
                <PlanMessages plan={relevant} />
              ) : (
                <p className="font-semibold text-calm">Nothing entered speaks against it.</p>
              )}
            </section>
          ) : null}
          <PatientFlagsForm flags={episode.flags} onSave={(flags) => void writeEvent('flags', { flags })} />
          <IdentityForm key={episode.id} episode={episode} />
        </div>
      </div>
      {isReady && injury.side ? <Baseline caseId={record.id} side={injury.side} /> : null}
    </StagePage>
  )
}

function Baseline({ caseId, side }: { caseId: string; side: 'left' | 'right' }) {
  const { episode } = useOpenCase()
  const [isOpen, setOpen] = useState(false)
  const baseline = episode.rounds.find((round) => round.isBaseline)
  return (
    <section aria-labelledby="baseline" className="mt-8 border-t border-line pt-5">
      <div className="mb-3 flex flex-wrap items-center gap-4">
        <h2 id="baseline" className="text-lg font-bold">
          Baseline, both legs
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
        <RoundForm
          limb="leg"
          injured={side}
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
