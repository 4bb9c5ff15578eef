import { findTechnique } from '#core/techniques/registry'
import type { Decision } from '#core/model/decision'
import { formatDecision, type DisplayUnits } from '#core/planner/format-decision'
import type { Plan } from '#core/model/plan'
import { ToneShape } from '../../parts/tone-shape'

/** The numbers of a plan, each a door to its working. */
export function DecisionGrid({ plan, units, onOpen }: { plan: Plan; units: DisplayUnits; onOpen: (decision: Decision) => void }) {
  return (
    <ul aria-label="Decisions" className="grid grid-cols-2 gap-2.5 md:grid-cols-3">
      {plan.decisions.map((decision) => (
        <li key={decision.id}>
          <button
            type="button"
            onClick={() => onOpen(decision)}
            className={`grid h-full min-h-22 w-full content-between gap-1 rounded-2xl border bg-sheet px-3.5 py-2.5 text-left ${decision.status === 'stop' ? 'border-2 border-stop' : decision.status === 'caution' ? 'border-2 border-caution' : 'border-line'}`}
          >
            <span className="flex items-center gap-1.5 text-sm font-semibold text-soft">
              {decision.status === 'ok' ? null : <ToneShape tone={decision.status} size={14} />}
              {decision.label}
              {decision.status === 'ok' ? null : <span className="sr-only">, {decision.status}</span>}
            </span>
            <DecisionValue text={formatDecision(decision, units)} />
            {decision.overruled ? (
              <span className="text-sm font-semibold text-caution">computed {decision.overruled.computedDisplay}</span>
            ) : null}
          </button>
        </li>
      ))}
      {plan.pending.map((task) => (
        <li key={task.decision} className="grid min-h-22 content-between rounded-2xl border border-dashed border-line px-3.5 py-2.5">
          <span className="text-sm font-semibold text-soft">{labelOf(plan, task.decision)}</span>
          <span role="status" className="text-soft">
            working it out…
          </span>
        </li>
      ))}
    </ul>
  )
}

/** Short values are read from across the room; sentences stay sentences. */
function DecisionValue({ text }: { text: string }) {
  return <span className={text.length <= 12 ? 'numeral text-[1.35rem] leading-tight' : 'leading-snug font-semibold'}>{text}</span>
}

/** What a decision that is still worked out is called. */
function labelOf(plan: Plan, decision: string): string {
  return findTechnique(plan.technique)?.decisions.find((one) => one.id === decision)?.label ?? decision
}
