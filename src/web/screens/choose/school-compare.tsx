import { useMemo, useState } from 'react'
import { comparePlans } from '#core/planner/compare-plans'
import type { Plan } from '#core/model/plan'
import { planCase } from '#core/techniques/plan-case'
import type { OptionValue } from '#core/planner/technique'
import { toClinicalCase } from '#ward/case/clinical-case'
import { protocolOf } from '#contract/records/case'
import { browserContext } from '../../case/plan/use-plan'
import { Button } from '../../parts/button'
import { ChoiceRow } from '../../parts/choice-row'
import { Dialog } from '../../parts/dialog'
import { useOpenCase } from '../../sync/case-store'

/** Two schools side by side: what the other one would change in figures, cautions and steps. */
export function SchoolCompare({
  plan,
  optionId,
  label,
  value,
  values,
  onTake,
  onClose,
}: {
  plan: Plan
  optionId: string
  label: string
  value: string
  values: readonly OptionValue[]
  onTake: (value: string) => void
  onClose: () => void
}) {
  const { record, episode } = useOpenCase()
  const others = values.filter((one) => one.id !== value)
  const [other, setOther] = useState(others[0]?.id ?? '')
  const changed = useMemo(() => {
    const file = toClinicalCase({ ...record, options: { ...record.options, [optionId]: other } }, episode)
    return planCase(file, browserContext(protocolOf(record)))
  }, [record, episode, optionId, other])
  const own = values.find((one) => one.id === value)
  const chosen = others.find((one) => one.id === other)
  if (!changed) return null
  const changes = comparePlans(plan, changed)
  const ready = new Set(changed.pending.map((task) => task.decision as string))
  const figures = changes.decisions.filter((decision) => !ready.has(decision.id))
  const steps = {
    before: [...changes.stepsGone, ...changes.stepsReworded.map((one) => one.before)],
    after: [...changes.stepsNew, ...changes.stepsReworded.map((one) => one.after)],
  }
  const isSame = figures.length + changes.cautionsGone.length + changes.cautionsNew.length + steps.before.length + steps.after.length === 0
  return (
    <Dialog title={`${label}: two ways`} isWide isOpen onClose={onClose}>
      <div className="grid gap-5">
        <ChoiceRow
          label={`Beside ${own?.label.toLowerCase() ?? 'now'}`}
          value={other}
          choices={others.map((one) => ({ value: one.id, label: one.label }))}
          onChange={setOther}
        />
        <div className="overflow-x-auto">
          <table className="w-full border-collapse text-left">
            <thead>
              <tr className="border-b border-line align-top">
                <td className="py-2 pr-4" />
                <th scope="col" className="py-2 pr-4 font-bold">
                  {own?.label}
                  <span className="block text-sm font-normal text-soft">{own?.why}</span>
                </th>
                <th scope="col" className="py-2 font-bold">
                  {chosen?.label}
                  <span className="block text-sm font-normal text-soft">{chosen?.why}</span>
                </th>
              </tr>
            </thead>
            <tbody className="divide-y divide-line">
              {figures.map((figure) => (
                <tr key={figure.id}>
                  <th scope="row" className="py-2 pr-4 text-sm font-semibold text-soft">
                    {figure.label}
                  </th>
                  <td className="py-2 pr-4 font-semibold">{figure.before ?? '–'}</td>
                  <td className="py-2 font-semibold">{figure.after ?? '–'}</td>
                </tr>
              ))}
              <WordRow label="Cautions" before={changes.cautionsGone} after={changes.cautionsNew} />
              <WordRow label="Steps" before={steps.before} after={steps.after} />
            </tbody>
          </table>
        </div>
        {isSame ? <p role="status">For this patient both come to the same.</p> : null}
        <div className="flex flex-wrap justify-end gap-3">
          <Button onClick={onClose}>Keep {own?.label.toLowerCase()}</Button>
          <Button look="next" onClick={() => onTake(other)}>
            Take {chosen?.label.toLowerCase()}
          </Button>
        </div>
      </div>
    </Dialog>
  )
}

function WordRow({ label, before, after }: { label: string; before: readonly string[]; after: readonly string[] }) {
  if (before.length + after.length === 0) return null
  return (
    <tr className="align-top">
      <th scope="row" className="py-2 pr-4 text-sm font-semibold text-soft">
        {label}
      </th>
      {[before, after].map((texts, index) => (
        <td key={index} className="py-2 pr-4">
          {texts.length === 0 ? '–' : null}
          <ul className="grid gap-1">
            {texts.map((text) => (
              <li key={text}>{text}</li>
            ))}
          </ul>
        </td>
      ))}
    </tr>
  )
}
