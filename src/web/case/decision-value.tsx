import type { Decision } from '#core/model/decision'
import { estimateWords, formatDecision } from '#core/planner/format-decision'
import { useSettings } from '../sync/session-store'

/** A decision as it is read, in the reader's units; one that is an estimate in italics, with ≈ before its figure. */
export function DecisionValue({ decision }: { decision: Decision }) {
  const { units } = useSettings()
  const text = formatDecision(decision, units)
  if (!text.endsWith(estimateWords)) return text
  const value = text.slice(0, -estimateWords.length)
  return (
    <em>
      {/^\d/.test(value) ? `≈ ${value}` : value}
      <span className="sr-only">{estimateWords}</span>
    </em>
  )
}
