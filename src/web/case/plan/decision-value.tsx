import type { Decision } from '#core/model/decision'
import { estimateIn, formatDecision } from '#core/planner/format-decision'
import { useSettings } from '../../sync/session-store'

/** A decision as it is read, in the reader's units; one that is an estimate in italics, with ≈ before its figure. */
export function DecisionValue({ decision }: { decision: Decision }) {
  const { units } = useSettings()
  const text = formatDecision(decision, units)
  const value = estimateIn(text)
  if (value === null) return text
  return (
    <em>
      <span aria-hidden>≈ </span>
      <span className="sr-only">about </span>
      {value}
    </em>
  )
}
