import { useState } from 'react'
import { findTechnique } from '#core/techniques/registry'
import { resolveOptions } from '#core/techniques/resolve-options'
import { defaultProtocol } from '#core/quantities/defaults'
import { toClinicalCase } from '#contract/case-record'
import type { TechniqueMeasurement } from '#core/techniques/technique'
import { otherSide, type Side } from '#core/case/vocabulary'
import type { Measurement } from '#core/case/clinical-case'
import { Lane } from '../../lane/lane'
import { usePlan } from '../../hooks/use-plan'
import { ButtonLink } from '../../parts/button'
import { PlanMessages } from '../../parts/plan-messages'
import { StagePage } from '../../parts/stage-page'
import { useOpenCase, writeEvent, type OpenCase } from '../../stores/case-store'
import { useSettings } from '../../stores/session-store'
import { ReadingEntry } from './reading-entry'
import { ReadingList } from './reading-list'

/** One place after another: the landmark in words, the reading with Enter, the limb redrawn as it is typed. */
export function MeasureScreen() {
  const open = useOpenCase()
  const { units } = useSettings()
  const asked = askedMeasurements(open)
  const [picked, setPicked] = useState<string | null>(null)
  const [provisional, setProvisional] = useState<Measurement | null>(null)
  const plan = usePlan(open, provisional)
  const readings = open.record.measurements
  const next = asked.find((one) => one.need !== 'optional' && !readings.some((reading) => reading.id === one.definition.id))
  const current = asked.find((one) => one.definition.id === picked) ?? next ?? asked[0]
  const injury = open.episode.injuries[open.record.injuryId]
  const usualSide = current ? sideFor(current, injury?.side ?? null, injury?.swelling !== 'none') : null
  const [side, setSide] = useState<{ for: string; side: Side } | null>(null)
  const drawnSide = side && side.for === current?.definition.id ? side.side : usualSide
  const lit = current ? [current.definition.id.replace(/-girth$/, '')] : []
  const isEnough = !asked.some((one) => one.need === 'required' && !readings.some((reading) => reading.id === one.definition.id))
  return (
    <StagePage
      lane={
        <Lane
          geometry={plan.geometry}
          units={units}
          layers={['readings']}
          lit={lit}
          drawnSide={drawnSide ?? undefined}
          onPick={(id) => setPicked(asked.some((one) => one.definition.id === `${id}-girth`) ? `${id}-girth` : id)}
        />
      }
      aside={
        <ReadingList
          asked={asked}
          readings={readings}
          units={units}
          current={current?.definition.id ?? null}
          onPick={setPicked}
          onWithdraw={(key) => void writeEvent('reading-withdrawn', { key })}
        />
      }
      title="Measure"
      lead={
        next
          ? `${asked.filter((one) => one.need !== 'optional' && !readings.some((reading) => reading.id === one.definition.id)).length} places to go`
          : 'All asked places are read'
      }
      next={
        <ButtonLink look={next ? 'plain' : 'next'} to={`/case/${open.record.id}/choose`}>
          {isEnough ? 'Choose the size' : 'Choose with what there is'}
        </ButtonLink>
      }
    >
      <div className="grid gap-5">
        {current ? (
          <ReadingEntry
            key={current.definition.id}
            caseId={open.record.id}
            definition={current.definition}
            side={drawnSide}
            injured={injury?.side ?? null}
            problems={plan.problems.filter((problem) => problem.path.startsWith(`measurements/${current.definition.id}`))}
            onSide={(next) => setSide({ for: current.definition.id, side: next })}
            onTyping={setProvisional}
            onEnter={(reading) => {
              setProvisional(null)
              setPicked(null)
              void writeEvent('reading', reading)
            }}
          />
        ) : null}
        <PlanMessages plan={{ ...plan, cautions: plan.cautions.filter((one) => readingCodes.has(one.code)) }} showProblems={false} />
      </div>
    </StagePage>
  )
}

const readingCodes = new Set(['check-reading', 'injured-side-only', 'sides-differ', 'uncalibrated-fingers', 'girth-order'])

function askedMeasurements(open: OpenCase): readonly TechniqueMeasurement[] {
  const technique = findTechnique(open.record.technique)
  if (!technique) return []
  const clinicalCase = toClinicalCase(open.record, open.episode)
  return technique.measurements(clinicalCase, resolveOptions(technique, clinicalCase, defaultProtocol).values)
}

function sideFor({ definition }: TechniqueMeasurement, injured: Side | null, isSwollen: boolean): Side | null {
  if (!injured || definition.sideRule === 'none') return null
  const wantsInjured = definition.sideRule === 'wearing' || (definition.sideRule === 'swollen' && isSwollen)
  return wantsInjured ? injured : otherSide(injured)
}
