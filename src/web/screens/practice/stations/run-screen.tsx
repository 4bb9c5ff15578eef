import { useEffect, useState } from 'react'
import { useParams } from 'react-router'
import type { SittingAnswer } from '#contract/api/practice'
import { paths } from '#contract/api/paths'
import { teamRoles, type Candidate } from '#contract/records/practice'
import { hasRight } from '#contract/rights'
import { sheetsOf } from '#ward/practice/sitting-sheets'
import { planOfStation } from '#core/practice/stations/shipped-stations'
import { stationContext } from '#core/practice/stations/station-context'
import type { Station } from '#core/practice/stations/station'
import { Button } from '../../../parts/button'
import { formatDayAndClock } from '../../../parts/format-time'
import { Notice } from '../../../parts/notice'
import { joinRun } from '../../../sync/practice-runs'
import { serverNow } from '../../../sync/server-clock'
import { usePerson } from '../../../sync/session-store'
import { useAnswer } from '../../../sync/use-answer'
import { CandidateView } from '../bench/candidate-view'
import { NothingHere } from '../nothing-here'
import { PracticePage } from '../practice-page'
import { RunSheets } from './run-sheets'
import { StationRunView } from './station-run'
import { useRun } from './use-run'

/** How often a tablet that looks on asks what is new. */
const followMs = 2_000

/** A run that is examined: marked here, followed on the candidate's tablet, and its sheets once it is over. */
export function RunScreen() {
  const { run: id = '' } = useParams()
  const person = usePerson()
  const control = useRun(id)
  const isMarking = control !== null && control !== undefined && control.marked.endedMs === null
  const [isSettled, setSettled] = useState(false)
  const { answer, refusal } = useAnswer<SittingAnswer>(
    isMarking || control === undefined ? null : paths.practiceSitting(id),
    isSettled ? undefined : followMs,
  )
  useEffect(() => setSettled(answer?.isEnded === true), [answer])
  const shared = answer?.sitting
  const begun = control?.run ?? shared
  if (control === undefined || (!begun && !refusal)) return <main id="main" className="flex-1" />
  if (!begun) return <NothingHere title="No such run" lead={refusal ?? 'The address names no run of yours.'} />
  const plan = planOfStation(begun.station, stationContext)
  if (!plan) return <NothingHere title="No such run" lead="Its technique is not known here." />
  const { station } = begun
  // What was marked here is there at once, whatever the line does.
  const own = control ? [{ id: person.id, name: person.name, marks: control.run.marks }] : []
  const isOver = answer?.isEnded === true
  const sheets = sheetsOf({ station, begunAt: begun.begunAt, examiners: isOver && shared ? shared.examiners : own }, plan, serverNow())
  return (
    <PracticePage
      title={station.name}
      beside={
        <p className="basis-full">
          {namesOf(begun.candidates)}
          <span className="text-soft">
            {sheets.sheets.length > 0 ? `, examined by ${sheets.sheets.map((sheet) => sheet.by.name).join(' and ')}` : ''},{' '}
            {formatDayAndClock(Date.parse(begun.begunAt))}
          </span>
        </p>
      }
    >
      {control?.refusal ? (
        <Notice tone="caution" lead="The server does not take this run; it is kept on this device." role="alert">
          {control.refusal}
        </Notice>
      ) : null}
      {control && control.unsent > 0 && !control.refusal ? (
        <p role="status" className="text-soft">
          {control.unsent} {control.unsent === 1 ? 'mark is' : 'marks are'} kept here and not yet sent.
        </p>
      ) : null}
      {isMarking ? (
        <StationRunView station={station} plan={plan} control={control} isExaminer onEnd={() => control.add({ kind: 'end' })} />
      ) : sheets.sheets.length > 0 ? (
        <RunSheets
          id={id}
          station={station}
          plan={plan}
          sheets={sheets}
          bands={answer?.bands ?? []}
          isOwn={answer?.isCandidate ?? false}
          isOver={isOver}
        />
      ) : (
        <>
          <CandidateView station={station} startedAt={Date.parse(begun.begunAt)} told={answer?.told ?? []} candidates={begun.candidates} />
          {shared && !answer?.isCandidate && hasRight(person.roles, 'decide') ? (
            <JoinRun id={id} answer={answer} station={station} />
          ) : null}
        </>
      )}
    </PracticePage>
  )
}

/** A second examiner marks apart from the first: neither sees the other's marks before both have ended. */
function JoinRun({ id, answer: { sitting }, station }: { id: string; answer: SittingAnswer; station: Station }) {
  return (
    <section aria-label="Mark it too" className="grid gap-2 rounded-3xl border border-line bg-sheet p-5">
      <p>Two examiners mark apart, and see how far they agree once both have ended.</p>
      <Button
        look="next"
        className="justify-self-start"
        onClick={() => joinRun({ id, way: sitting.way, station, candidates: sitting.candidates, begunAt: sitting.begunAt })}
      >
        Mark it too
      </Button>
    </section>
  )
}

function namesOf(candidates: readonly Candidate[]): string {
  return candidates.map((candidate) => (candidate.role ? `${candidate.name} ${teamRoles[candidate.role]}` : candidate.name)).join(', ')
}
