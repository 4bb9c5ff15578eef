import { useState } from 'react'
import { inUnits } from '#core/quantities/words-in-units'
import { kindOfRun, runName } from '#contract/records/run-kind'
import type { SummaryLine } from '#ward/story/run-summary'
import { summariseRun } from '#ward/story/run-summary'
import type { RunRecord } from '#contract/records/run'
import { usePlan, usePlanOfRun } from '../../case/plan/use-plan'
import { ChoiceRow } from '../../parts/choice-row'
import { formatClock, formatDayAndClock } from '../../parts/format-time'
import { Notice } from '../../parts/notice'
import { LotPanel } from '../../case/plan/lot-panel'
import { PaperLinks } from '../../case/plan/paper-links'
import { StagePage } from '../../parts/stage-page'
import { useOpenCase, type OpenCase } from '../../sync/case-store'
import { useSettings } from '../../sync/session-store'
import { serverNow } from '../../sync/server-clock'

/** What was done by whom when: the run as it is printed on one page. */
export function RecordScreen() {
  const open = useOpenCase()
  const { runs } = open.record
  const [chosen, setChosen] = useState<string | null>(null)
  const run = runs.find((one) => one.id === chosen) ?? runs.at(-1)
  if (!run) {
    return (
      <StagePage title="Run record">
        <Notice tone="note" lead="Nothing has been applied in this case yet">
          The record begins with the first step.
        </Notice>
      </StagePage>
    )
  }
  return (
    <StagePage title="Run record">
      <div className="grid gap-5">
        {runs.length > 1 ? (
          <ChoiceRow
            label="Run"
            value={run.id}
            choices={runs.map((one) => ({
              value: one.id,
              label: `${runName(one)}, ${formatDayAndClock(Date.parse(one.startedAt))}`,
            }))}
            onChange={setChosen}
          />
        ) : null}
        <Summary key={run.id} open={open} run={run} />
      </div>
    </StagePage>
  )
}

function Summary({ open, run }: { open: OpenCase; run: RunRecord }) {
  const plan = usePlanOfRun(open, run)
  const { cautions } = usePlan(open)
  const { units } = useSettings()
  // What was planned reads as on every screen; what people wrote stays as they wrote it.
  const summary = summariseRun(open.record, open.episode, run, inUnits(plan, units), serverNow(), cautions)
  return (
    <>
      <PaperLinks caseId={open.record.id} papers={['run-record', 'release-card', 'bedside-label']} runId={run.id} />
      <dl className="grid gap-x-6 gap-y-1 rounded-2xl border border-line bg-sheet p-4 sm:grid-cols-2">
        {summary.facts.map(([name, value]) => (
          <div key={name} className="flex gap-3">
            <dt className="w-36 shrink-0 text-soft">{name}</dt>
            <dd className="font-semibold">{value}</dd>
          </div>
        ))}
      </dl>
      {kindOfRun(run) === 'application' ? <LotPanel record={open.record} plan={plan} /> : null}
      <div className="gap-x-8 lg:columns-2">
        {summary.sections.map((section) => (
          <section key={section.id} aria-labelledby={`record-${section.id}`} className="mb-5 break-inside-avoid">
            <h2 id={`record-${section.id}`} className="mb-1 border-b border-line font-bold">
              {section.title}
            </h2>
            <ul className="grid gap-0.5">
              {section.lines.map((line, index) => (
                <Line key={index} line={line} />
              ))}
            </ul>
          </section>
        ))}
      </div>
    </>
  )
}

function Line({ line }: { line: SummaryLine }) {
  return (
    <li className="flex gap-3">
      {line.at ? <span className="numeral w-14 shrink-0 text-soft">{formatClock(line.at)}</span> : null}
      <span>
        {line.text}
        {line.by ? <span className="text-soft"> ({line.by})</span> : null}
      </span>
    </li>
  )
}
