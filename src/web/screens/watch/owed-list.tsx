import { useMoment } from '../../sync/use-moment'
import { useWords } from '../../sync/use-words'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { v7 as uuidv7 } from 'uuid'
import { dueState } from '#core/rounds/due-state'
import { findTechnique } from '#core/techniques/registry'
import { isCaseAtRisk } from '#core/standing/case-facts'
import { toClinicalCase } from '#ward/case/clinical-case'
import { isTicked } from '#core/rounds/task-form-of'
import type { OwedWork } from '#ward/owed/work-owed'
import { DeviceSheet } from '../../case/plan/device-sheet'
import { formatDue } from '../../parts/format-time'
import { Button } from '../../parts/button'
import { ToneShape, type Tone } from '../../parts/tone-shape'
import { writeEvent, type OpenCase } from '../../sync/case-store'
import { AddTaskSheet } from './add-task-sheet'
import { NotDoneSheet } from '../../case/run/not-done-sheet'
import { TaskSheet } from './task-sheet'

const tones: Readonly<Record<ReturnType<typeof dueState>, Tone>> = { later: 'calm', due: 'caution', grace: 'caution', overdue: 'stop' }

/** Everything owed beside rounds: when each falls due, and doing it or saying why not. */
export function OwedList({
  open,
  owed,
  now,
  doing,
  asking,
  onEnd,
}: {
  open: OpenCase
  owed: readonly OwedWork[]
  now: number
  /** The id of the work that somebody came here to do: its form opens. */
  doing: string | null
  /** Each time that it is asked for has its own, so that the same link opens the form again. */
  asking: string
  /** That form was closed. */
  onEnd: () => void
}) {
  const moment = useMoment()
  const say = useWords()
  const [sheet, setSheet] = useState<{ readonly what: 'do' | 'not-done' | 'add' | 'convert'; readonly work: OwedWork | null } | null>(null)
  const [answered, setAnswered] = useState('')
  if (asking !== answered) {
    setAnswered(asking)
    // A run of its steps leads here too: what was found is said next.
    const work = owed.find((one) => one.id === doing)
    if (work && !isElsewhere(work)) setSheet({ what: work.kind === 'convert' ? 'convert' : 'do', work })
  }
  const close = (): void => {
    setSheet(null)
    onEnd()
  }
  const caseId = open.record.id
  const isAtRisk = isCaseAtRisk(toClinicalCase(open.record, open.episode))
  const technique = findTechnique(open.record.technique)
  return (
    <section aria-labelledby="owed" className="grid gap-2">
      <div className="flex flex-wrap items-baseline justify-between gap-3">
        <h2 id="owed" className="font-bold">
          Owed
        </h2>
        <Button look="quiet" onClick={() => setSheet({ what: 'add', work: null })}>
          Add something owed
        </Button>
      </div>
      {owed.length === 0 ? <p className="text-soft">Nothing beside the rounds.</p> : null}
      <ul className="grid gap-2">
        {owed.map((work) => (
          <li key={work.id} className="flex flex-wrap items-center gap-x-4 gap-y-2 rounded-2xl border border-line bg-sheet px-4 py-2.5">
            <div className="min-w-0 flex-1 basis-64">
              <p className="font-semibold leading-snug">{say(work.text)}</p>
              <p className="flex flex-wrap items-center gap-x-2 text-sm">
                <DueWords work={work} now={now} />
                {work.lastDoneAt ? <span className="text-soft">last {moment(Date.parse(work.lastDoneAt))}</span> : null}
              </p>
            </div>
            {isElsewhere(work) ? null : (
              <div className="flex flex-wrap gap-2">
                {work.kind === 'convert' ? (
                  <Button aria-label={`Choose it: ${work.text}`} onClick={() => setSheet({ what: 'convert', work })}>
                    Choose it
                  </Button>
                ) : (
                  <>
                    {work.id === technique?.repeatedAs ? <CareRun open={open} work={work} /> : null}
                    <Button aria-label={`Do it: ${work.text}`} onClick={() => setSheet({ what: 'do', work })}>
                      Do it
                    </Button>
                  </>
                )}
                <Button look="quiet" aria-label={`Not done: ${work.text}`} onClick={() => setSheet({ what: 'not-done', work })}>
                  Not done
                </Button>
              </div>
            )}
          </li>
        ))}
      </ul>
      {sheet?.what === 'add' ? <AddTaskSheet caseId={caseId} now={now} onClose={close} /> : null}
      {sheet?.what === 'convert' ? <DeviceSheet open={open} onClose={close} /> : null}
      {sheet?.what === 'do' && sheet.work ? <TaskSheet open={open} work={sheet.work} onClose={close} /> : null}
      {sheet?.what === 'not-done' && sheet.work ? (
        <NotDoneSheet
          title={`Not done: ${sheet.work.text}`}
          draftKey={`case/${caseId}/task-not-done/${sheet.work.id}`}
          canEnd
          {...(isAtRisk ? { onWake: () => setSheet({ what: 'do', work: sheet.work }) } : {})}
          onClose={close}
          onSave={(outcome, reason) => {
            close()
            const { id, text } = sheet.work!
            void writeEvent('task-done', { taskId: id, text, outcome, reason, answers: {} })
          }}
        />
      ) : null}
    </section>
  )
}

/** Rounds, opening and taking off have a way of their own. */
function isElsewhere({ kind }: OwedWork): boolean {
  return kind === 'round' || (kind !== 'added' && !isTicked(kind))
}

/** Owed work that is the whole procedure again: a new run of its steps, or the one that was begun and not ended. */
function CareRun({ open: { record }, work }: { open: OpenCase; work: OwedWork }) {
  const navigate = useNavigate()
  const last = record.runs.at(-1)
  const isBegun = last?.care?.taskId === work.id && Date.parse(last.startedAt) > Date.parse(work.lastDoneAt ?? record.openedAt)
  const begin = (): void => {
    if (!isBegun) void writeEvent('run-started', { runId: uuidv7(), care: { taskId: work.id, text: work.text } })
    void navigate(`/case/${record.id}/apply`)
  }
  return (
    <Button aria-label={`${isBegun ? 'Go on step by step' : 'Step by step'}: ${work.text}`} onClick={begin}>
      {isBegun ? 'Go on step by step' : 'Step by step'}
    </Button>
  )
}

function DueWords({ work, now }: { work: OwedWork; now: number }) {
  const moment = useMoment()
  const minutes = (work.dueAt - now) / 60_000
  const state = dueState(minutes, work.graceMin)
  return (
    <span className={`inline-flex items-center gap-1.5 font-semibold ${state === 'overdue' ? 'text-stop' : ''}`}>
      {state === 'later' ? null : <ToneShape tone={tones[state]} />}
      {formatDue(-minutes)}, {moment(work.dueAt)}
    </span>
  )
}
