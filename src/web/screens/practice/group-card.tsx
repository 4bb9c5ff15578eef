import type { GroupsAnswer } from '#contract/api/practice'
import type { ExaminerAgreement, GroupOverview, TimeSpread } from '#contract/api/practice-overview'
import { stepName } from '#core/runs/step-name'
import { findTechnique } from '#core/techniques/registry'
import { Button } from '../../parts/button'
import { serverNow } from '../../sync/server-clock'
import { Mark } from './stations/result-mark'

/** One group: a row for each member, then what fails most and how long it took. */
export function GroupCard({ group: { name, overview }, onEnd }: { group: GroupsAnswer['groups'][number]; onEnd: () => void }) {
  const techniques = [...new Set(overview.members.flatMap((member) => member.progress.techniques.map((done) => done.technique)))]
  return (
    <section aria-label={name} className="grid grid-cols-[minmax(0,1fr)] gap-4 rounded-3xl border border-line bg-sheet p-5">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <h2 className="text-lg font-bold">{name}</h2>
        <Button look="quiet" onClick={onEnd} aria-label={`End the group ${name}`}>
          End the group
        </Button>
      </div>
      <div className="relative overflow-x-auto" tabIndex={0} role="group" aria-label={`Who in ${name} has done what`}>
        <table className="w-full text-left">
          <thead>
            <tr className="border-b border-line text-sm text-soft">
              <th className="py-1 pr-4 font-semibold">Who</th>
              {techniques.map((id) => (
                <th key={id} className="px-2 py-1 font-semibold">
                  {nameOf(id)}
                </th>
              ))}
              <th className="px-2 py-1 font-semibold">On patients</th>
              <th className="px-2 py-1 font-semibold">Due</th>
            </tr>
          </thead>
          <tbody>
            {overview.members.map((member) => (
              <MemberRow key={member.id} member={member} techniques={techniques} />
            ))}
          </tbody>
        </table>
      </div>
      <div className="grid gap-4 lg:grid-cols-3">
        <Fails
          title="Steps that fail most"
          lines={overview.steps.map((step) => ({
            words: `${stepName({ id: step.stepId })} (${nameOf(step.technique)})`,
            count: step.count,
            of: step.of,
          }))}
        />
        <Fails
          title="Pairs that fail most"
          lines={overview.pairs.map((pair) => ({
            words: `“${stepName({ id: pair.after })}” done before “${stepName({ id: pair.before })}” (${nameOf(pair.technique)})`,
            count: pair.count,
            of: pair.of,
          }))}
        />
        <div className="grid content-start gap-2">
          <h3 className="font-bold">Times</h3>
          {overview.times.map((time) => (
            <Spread key={time.stationName} spread={time} />
          ))}
          {overview.times.length === 0 ? <p className="text-soft">None yet.</p> : null}
        </div>
        {overview.examiners.sittings > 0 ? <Examiners agreement={overview.examiners} /> : null}
      </div>
    </section>
  )
}

function MemberRow({ member, techniques }: { member: GroupOverview['members'][number]; techniques: readonly string[] }) {
  const { progress, name } = member
  const due = progress.techniques.filter((technique) => Date.parse(technique.dueAt) <= serverNow()).length
  const live = progress.techniques.reduce((sum, one) => sum + one.live, 0) + progress.liveOnly.reduce((sum, one) => sum + one.live, 0)
  return (
    <tr className="border-b border-line last:border-b-0">
      <th scope="row" className="py-2 pr-4 font-semibold whitespace-nowrap">
        {name}
      </th>
      {techniques.map((id) => {
        const done = progress.techniques.find((technique) => technique.technique === id)
        return (
          <td key={id} className="px-2 py-2 whitespace-nowrap">
            {done ? (
              <>
                <Mark total={done.last.total} hasPassed={done.last.hasPassed} /> <span className="text-soft">× {done.count}</span>
              </>
            ) : (
              <span className="text-soft">not yet</span>
            )}
          </td>
        )
      })}
      <td className="numeral px-2 py-2">{live}</td>
      <td className={`numeral px-2 py-2 ${due > 0 ? 'font-bold text-caution' : ''}`}>{due > 0 ? `▲ ${due}` : '0'}</td>
    </tr>
  )
}

function Fails({
  title,
  lines,
}: {
  title: string
  lines: readonly { readonly words: string; readonly count: number; readonly of: number }[]
}) {
  return (
    <div className="grid content-start gap-1">
      <h3 className="font-bold">{title}</h3>
      {lines.map((line) => (
        <p key={line.words} className="flex justify-between gap-3">
          <span className="min-w-0">{line.words}</span>
          <span className="numeral shrink-0 text-soft">
            {line.count} of {line.of}
          </span>
        </p>
      ))}
      {lines.length === 0 ? <p className="text-soft">None so far.</p> : null}
    </div>
  )
}

/** How far two examiners agree, where two marked the same runs. */
function Examiners({ agreement: { sittings, kappa, steps } }: { agreement: ExaminerAgreement }) {
  return (
    <div className="grid content-start gap-1 lg:col-span-3">
      <h3 className="font-bold">Two examiners</h3>
      <p className="text-soft">
        {sittings} {sittings === 1 ? 'run' : 'runs'} marked by two; kappa{' '}
        {kappa === null ? 'says nothing, they saw everything alike' : kappa.toFixed(2)}.
      </p>
      {steps.map((step) => (
        <p key={`${step.technique} ${step.stepId}`} className="flex justify-between gap-3">
          <span className="min-w-0">
            {stepName({ id: step.stepId })} ({nameOf(step.technique)})
          </span>
          <span className="numeral shrink-0 text-soft">
            apart {step.count} of {step.of}
            {step.kappa === null ? '' : `, kappa ${step.kappa.toFixed(2)}`}
          </span>
        </p>
      ))}
    </div>
  )
}

/** Least, middle half with the median, and most, on a scale of their own. */
function Spread({ spread }: { spread: TimeSpread }) {
  const width = Math.max(1, spread.mostS)
  const at = (seconds: number): string => `${(100 * seconds) / width}%`
  return (
    <div className="grid gap-1">
      <p className="flex justify-between gap-3">
        <span className="min-w-0">{spread.stationName}</span>
        <span className="numeral shrink-0 text-soft">
          {Math.round(spread.leastS)} to {Math.round(spread.mostS)} s
        </span>
      </p>
      <div
        className="relative h-3 rounded-full bg-well"
        role="img"
        aria-label={`${spread.stationName}: half of ${spread.count} runs took ${Math.round(spread.lowS)} to ${Math.round(spread.highS)} s, the middle one ${Math.round(spread.medianS)} s`}
      >
        <span
          className="absolute inset-y-0 rounded-full bg-soft/50"
          style={{ left: at(spread.lowS), width: at(Math.max(width / 60, spread.highS - spread.lowS)) }}
        />
        <span className="absolute -inset-y-0.5 w-1 rounded-full bg-ink" style={{ left: `min(${at(spread.medianS)}, calc(100% - 4px))` }} />
      </div>
    </div>
  )
}

function nameOf(technique: string): string {
  return findTechnique(technique)?.name ?? technique
}
