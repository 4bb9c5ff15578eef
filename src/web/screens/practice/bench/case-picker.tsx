import { useState } from 'react'
import { createMemo } from '#core/model/plan-context'
import type { Bench, BenchState } from '#core/practice/bench'
import { allControls, onStep } from '#core/practice/bench'
import { planCase } from '#core/techniques/plan-case'
import { paths } from '#contract/api/paths'
import type { CaseAnswer } from '#contract/api/answers'
import { protocolOf } from '#contract/records/case'
import type { BoardAnswer } from '#contract/api/board'
import { toClinicalCase } from '#ward/case/clinical-case'
import { browserContext } from '../../../case/plan/use-plan'
import { Dialog } from '../../../parts/dialog'
import { Notice } from '../../../parts/notice'
import { callApi } from '../../../sync/api'
import { useAnswer } from '../../../sync/use-answer'

/** Takes what a bench turns from a live case, to read only: nothing goes back to it. */
export function CasePicker({ bench, onClose, onTaken }: { bench: Bench; onClose: () => void; onTaken: (state: BenchState) => void }) {
  const { answer, refusal } = useAnswer<BoardAnswer>(paths.board)
  const [said, setSaid] = useState<string | null>(null)
  const take = async (caseId: string): Promise<void> => {
    const result = await callApi<CaseAnswer>('GET', paths.case(caseId))
    if (result.kind !== 'ok') return setSaid('The case could not be read: try again when the line is back.')
    const state = stateOf(bench, result.value)
    if (!state)
      return setSaid(`The ${bench.name.toLowerCase()} bench takes nothing from this case: its plan has none of it. Choose another.`)
    onTaken(state)
  }
  return (
    <Dialog title="From a case" isOpen onClose={onClose}>
      <div className="grid gap-3">
        <p className="text-soft">Its figures are copied to the bench; the case is not changed.</p>
        {said ? <Notice tone="caution" lead={said} role="alert" /> : null}
        {refusal ? <Notice tone="caution" lead={refusal} role="alert" /> : null}
        <ul className="grid gap-1.5" aria-label="Live cases">
          {answer?.rows.map((row) => (
            <li key={row.caseId}>
              <button
                type="button"
                onClick={() => void take(row.caseId)}
                className="flex min-h-12 w-full flex-wrap items-baseline gap-x-3 rounded-2xl border border-line bg-sheet px-4 py-2 text-left"
              >
                <span className="font-bold">{row.patient}</span>
                <span className="text-soft">
                  {row.place}, {row.techniqueName}
                </span>
              </button>
            </li>
          ))}
        </ul>
      </div>
    </Dialog>
  )
}

/** What a bench takes from a case, each figure on the step of its control; null where that is nothing. */
function stateOf(bench: Bench, { record, episode }: CaseAnswer): BenchState | null {
  const ctx = { ...browserContext(protocolOf(record)), memo: createMemo() }
  const clinicalCase = toClinicalCase(record, episode)
  const plan = planCase(clinicalCase, ctx)
  const state = plan ? (bench.fromCase?.(clinicalCase, plan, ctx) ?? null) : null
  if (!state || Object.keys(state).length === 0) return null
  const controls = new Map(allControls(bench).map((control) => [control.id, control]))
  return Object.fromEntries(
    Object.entries(state).map(([id, value]) => {
      const control = controls.get(id)
      return [id, control?.kind === 'range' && typeof value === 'number' ? onStep(control, value) : value]
    }),
  )
}
