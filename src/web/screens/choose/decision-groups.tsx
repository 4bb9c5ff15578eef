import { useWords } from '../../sync/use-words'
import { decisionUses, type DecisionUse } from '#core/model/decision-definition'
import type { Decision } from '#core/model/decision'
import type { Plan } from '#core/model/plan'
import { findTechnique } from '#core/techniques/registry'
import { DecisionValue } from '../../case/plan/decision-value'
import { ToneShape } from '../../parts/tone-shape'

const headings: Readonly<Record<DecisionUse, string>> = { cut: 'Cut and set', wrap: 'Wrap and strap', hold: 'Hold', know: 'Good to know' }

/** The figures of a plan by what they are for, each a door to its working. */
export function DecisionGroups({ plan, onOpen }: { plan: Plan; onOpen: (decision: Decision) => void }) {
  const definitions = findTechnique(plan.technique)?.decisions ?? []
  const purposeOf = (id: string): DecisionUse => definitions.find((definition) => definition.id === id)?.use ?? 'know'
  return (
    <section aria-label="Decisions" className="grid gap-x-4 gap-y-5 xl:grid-cols-2">
      {decisionUses.map((use) => {
        const decided = plan.decisions.filter((decision) => purposeOf(decision.id) === use)
        const pending = plan.pending.filter((task) => purposeOf(task.decision) === use)
        if (decided.length + pending.length === 0) return null
        return (
          <div key={use} className="min-w-0">
            <h2 className="mb-1.5 font-bold">{headings[use]}</h2>
            <ul aria-label={headings[use]} className="divide-y divide-line overflow-hidden rounded-2xl border border-line bg-sheet">
              {decided.map((decision) => (
                <li key={decision.id}>
                  <DecisionRow decision={decision} onOpen={() => onOpen(decision)} />
                </li>
              ))}
              {pending.map((task) => (
                <li key={task.decision} className="flex min-h-12 flex-wrap items-center justify-between gap-x-3 px-4 py-1.5 text-soft">
                  <span>{definitions.find((definition) => definition.id === task.decision)?.label ?? ''}</span>
                  <span role="status">working it out…</span>
                </li>
              ))}
            </ul>
          </div>
        )
      })}
    </section>
  )
}

const edges = { ok: 'border-transparent', caution: 'border-caution', stop: 'border-stop' } as const

function DecisionRow({ decision, onOpen }: { decision: Decision; onOpen: () => void }) {
  const say = useWords()
  const { label, status, overruled } = decision
  return (
    <button
      type="button"
      onClick={onOpen}
      className={`flex min-h-12 w-full flex-wrap items-center justify-between gap-x-3 border-l-4 px-3 py-1.5 text-left ${edges[status]}`}
    >
      <span className="flex items-center gap-1.5 text-soft">
        {status === 'ok' ? null : <ToneShape tone={status} size={14} />}
        {label}
        {status === 'ok' ? null : <span className="sr-only">, {status}</span>}
      </span>
      <span className="numeral ml-auto text-right font-semibold">
        <DecisionValue decision={decision} />
      </span>
      {overruled ? (
        <span className="w-full text-right text-sm font-semibold text-caution">computed {say(overruled.computedDisplay)}</span>
      ) : null}
    </button>
  )
}
