import { useParams } from 'react-router'
import { hasRight } from '#contract/rights'
import { sheetsOf } from '#ward/practice/sitting-sheets'
import type { Plan } from '#core/model/plan'
import type { Station } from '#core/practice/stations/station'
import { Button, ButtonLink } from '../../../parts/button'
import { saveJson } from '../../../parts/save-file'
import { beginRun } from '../../../sync/practice-runs'
import { serverNow } from '../../../sync/server-clock'
import { usePerson } from '../../../sync/session-store'
import { useDraft } from '../../../sync/use-draft'
import { DebriefNotes } from './debrief-notes'
import { ExamineForm } from './examine-form'
import { usePracticeStation } from './find-practice-station'
import { NothingHere } from '../nothing-here'
import { PracticePage } from '../practice-page'
import { StationRunView } from './station-run'
import { StationSheet } from './station-sheet'
import { useRun, type RunControl } from './use-run'
import { useRunBands } from './use-run-bands'

/** One station: done alone, with the application as the manikin, or begun to be examined. */
export function StationScreen() {
  const { station: id } = useParams()
  const found = usePracticeStation(id ?? '')
  if (found) return <OpenStation key={found.station.id} {...found} />
  if (found === undefined) return <main id="main" className="flex-1" />
  return <NothingHere title="No such station" lead="The address names no station: choose one from the list." />
}

function OpenStation({ station, plan }: { station: Station; plan: Plan }) {
  const { id: personId, name } = usePerson()
  // Which run of it this is; it goes on over a reload.
  const [runId, writeRunId, isRead] = useDraft(`practice/alone/${station.id}`)
  const control = useRun(runId === '' ? null : runId)
  const begin = (): void => writeRunId(beginRun({ way: 'alone', station, candidates: [{ id: personId, name, role: null }] }))
  const end = (running: RunControl): void => running.add({ kind: 'end' })
  return (
    <PracticePage title={station.name}>
      {!isRead || control === undefined ? null : control === null ? (
        <Brief station={station} onBegin={begin} />
      ) : control.marked.endedMs === null ? (
        <StationRunView station={station} plan={plan} control={control} isExaminer={false} onEnd={() => end(control)} />
      ) : (
        <AloneSheet station={station} plan={plan} control={control} onAgain={() => writeRunId('')} />
      )}
    </PracticePage>
  )
}

function AloneSheet({ station, plan, control, onAgain }: { station: Station; plan: Plan; control: RunControl; onAgain: () => void }) {
  const { id, name } = usePerson()
  const { run } = control
  const bands = useRunBands(run.id, control.unsent === 0)
  const [sheet] = sheetsOf({ station, begunAt: run.begunAt, examiners: [{ id, name, marks: run.marks }] }, plan, serverNow()).sheets
  if (!sheet) return null
  return (
    <>
      <StationSheet station={station} plan={plan} sheet={sheet} bands={bands} isOwn>
        <Button look="next" onClick={onAgain}>
          Again
        </Button>
        <Button
          onClick={() =>
            saveJson(`station-${station.technique}.json`, {
              format: 'zesty-wren/station-run',
              version: 1,
              practice: true,
              station,
              run: sheet.run,
              score: sheet.score,
            })
          }
        >
          Save as a file
        </Button>
        <Button onClick={() => window.print()}>Print</Button>
        <ButtonLink to="/practice/progress">My progress</ButtonLink>
      </StationSheet>
      <DebriefNotes run={run.id} />
    </>
  )
}

/** What the candidate is told before the clock runs. */
function Brief({ station, onBegin }: { station: Station; onBegin: () => void }) {
  const { roles } = usePerson()
  return (
    <div className="grid items-start gap-4 lg:grid-cols-2">
      <section aria-label="Before you begin" className="grid gap-4 rounded-3xl border border-line bg-sheet p-5">
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
          Tap each step when you do it, in the order in which you do it. Order is worth 40, completeness 30, figures 20, time 10.
          Circulation not checked before or after fails it.
        </p>
        <Button look="next" className="justify-self-start" onClick={onBegin}>
          Start the clock
        </Button>
      </section>
      {hasRight(roles, 'decide') ? <ExamineForm station={station} /> : null}
    </div>
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
