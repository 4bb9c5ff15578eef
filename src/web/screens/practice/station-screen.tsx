import { useMemo } from 'react'
import { useParams } from 'react-router'
import { catalogue } from '#core/catalogue/catalogue'
import { createMemo, type PlanContext } from '#core/model/plan-context'
import type { Plan } from '#core/model/plan'
import { criticalsAlone } from '#core/practice/stations/criticals-alone'
import { scoreStation } from '#core/practice/stations/score-station'
import { findStation, planOfStation } from '#core/practice/stations/shipped-stations'
import type { Station } from '#core/practice/stations/station'
import { defaultProtocol } from '#core/quantities/defaults'
import { Button, ButtonLink } from '../../parts/button'
import { Notice } from '../../parts/notice'
import { PracticeSign } from './practice-sign'
import { StationRunView } from './station-run'
import { StationSheet } from './station-sheet'
import { useStationRun } from './use-station-run'

/** Stations go by the built-in figures, so that everybody is scored alike. */
const context: PlanContext = { catalogue, protocol: defaultProtocol, seed: 1, now: '2026-01-01T08:00:00Z', zone: 'UTC', memo: createMemo() }

/** One station, done alone: the application is the manikin. */
export function StationScreen() {
  const { station: id } = useParams()
  const station = useMemo(() => findStation(id ?? '', context), [id])
  const plan = useMemo(() => (station ? planOfStation(station, context) : null), [station])
  if (station && plan) return <OpenStation key={station.id} station={station} plan={plan} />
  return (
    <main id="main" className="mx-auto grid w-full max-w-lg flex-1 content-start gap-4 p-6">
      <h1 className="text-xl font-bold">No such station</h1>
      <Notice tone="note" lead="The address names no station: choose one from the list." />
      <ButtonLink to="/practice">Practice</ButtonLink>
    </main>
  )
}

function OpenStation({ station, plan }: { station: Station; plan: Plan }) {
  const control = useStationRun(station.id)
  const { run } = control
  const isDone = run.endedMs !== null
  return (
    <main
      id="main"
      className="mx-auto grid w-full max-w-6xl flex-1 print:[zoom:0.62] grid-cols-[minmax(0,1fr)] content-start gap-4 px-3 py-4 sm:px-5"
    >
      <header className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <h1 className="text-2xl font-bold">{station.name}</h1>
        <PracticeSign />
      </header>
      {!control.isRead ? null : isDone ? (
        <StationSheet station={station} plan={plan} run={run} score={scoreStation(station, plan, run)} control={control} />
      ) : run.startedAt === null ? (
        <Brief station={station} onBegin={control.begin} />
      ) : (
        <StationRunView
          station={station}
          plan={plan}
          control={control}
          startedAt={run.startedAt}
          onEnd={() => control.end((ended) => criticalsAlone(station, plan, ended).map((one) => ({ id: one, atMs: ended.endedMs ?? 0 })))}
        />
      )}
    </main>
  )
}

/** What the candidate is told before the clock runs. */
function Brief({ station, onBegin }: { station: Station; onBegin: () => void }) {
  return (
    <section aria-label="Before you begin" className="grid max-w-2xl gap-4 rounded-3xl border border-line bg-sheet p-5">
      {station.given.map((text) => (
        <p key={text} className="text-lg">
          {text}
        </p>
      ))}
      <dl className="grid grid-cols-2 gap-2 sm:grid-cols-3">
        <Fact name="Time" value={`${Math.round(station.limitS / 60)} min`} />
        <Fact name="Steps that count" value={String(station.required.length)} />
        <Fact name="Figures asked" value={String(station.asked.length)} />
      </dl>
      <p className="text-soft">
        Tap each step when you do it, in the order in which you do it. Order is worth 40, completeness 30, figures 20, time 10. Circulation
        not checked before or after fails it.
      </p>
      <Button look="next" className="justify-self-start" onClick={onBegin}>
        Start the clock
      </Button>
    </section>
  )
}

function Fact({ name, value }: { name: string; value: string }) {
  return (
    <div className="rounded-xl bg-well px-3 py-1.5">
      <dt className="text-sm text-soft">{name}</dt>
      <dd className="numeral font-bold">{value}</dd>
    </div>
  )
}
