import { useWords } from '../../sync/use-words'
import { formatClock } from '../../parts/format-time'
import type { Decision, WorkingLine } from '#core/model/decision'
import { formatValue } from '#core/planner/format-decision'
import { Button } from '../../parts/button'
import { DecisionValue } from '../plan/decision-value'
import { Dialog } from '../../parts/dialog'

const sources: Record<WorkingLine['from'], string> = {
  measured: 'measured',
  estimated: 'estimated',
  default: 'default',
  overruled: 'overruled',
  computed: 'worked out',
  option: 'chosen',
}
const kinds: Record<Decision['source'], string> = {
  anatomy: 'anatomy',
  physics: 'physics',
  practice: 'usual practice',
  model: 'our estimate',
}

/** How a number came about: rule in words, inputs with side and time, school, source, doubt; and the way to overrule it. */
export function WorkingSheet({
  decision,
  onClose,
  onOverrule,
}: {
  decision: Decision
  onClose: () => void
  onOverrule?: (() => void) | undefined
}) {
  const say = useWords()
  return (
    <Dialog title={decision.label} isOpen onClose={onClose}>
      <p className="numeral text-4xl">
        <DecisionValue decision={decision} />
      </p>
      {decision.overruled ? (
        <p className="mt-2 rounded-xl bg-caution-wash px-3 py-2">
          Computed: <strong>{say(decision.overruled.computedDisplay)}</strong>. Overruled by {decision.overruled.by || 'a clinician'}:{' '}
          {decision.overruled.reason}
        </p>
      ) : null}
      <h3 className="mt-5 text-sm font-bold text-soft">Rule</h3>
      <p>{say(decision.formula)}</p>
      <h3 className="mt-4 text-sm font-bold text-soft">From</h3>
      <table className="w-full border-collapse">
        <tbody>
          {decision.working.map((line, index) => (
            <tr key={index} className="border-b border-line last:border-0">
              <th scope="row" className="py-1.5 pr-3 text-left font-normal">
                {line.label}
              </th>
              <td className="numeral py-1.5 pr-3 text-right">{say(formatValue(line.value, line.unit))}</td>
              <td className="py-1.5 text-sm text-soft">
                {[line.side, sources[line.from], line.at ? formatClock(line.at) : ''].filter(Boolean).join(', ')}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-4 text-sm text-soft">
        {decision.school ? `School: ${decision.school}. ` : ''}Source: {kinds[decision.source]}.
        {decision.sd === undefined ? '' : ` Doubt (sd): ${formatValue(decision.sd, decision.unit)}.`}
        {decision.odds === undefined ? '' : ` Odds: ${(decision.odds * 100).toFixed(0)} %.`}
      </p>
      {decision.alternatives?.map((alternative) => (
        <p key={alternative.display} className="mt-3 rounded-xl bg-well px-3 py-2">
          <strong>{say(alternative.display)}</strong>. {say(alternative.why)}
        </p>
      ))}
      {onOverrule ? (
        <div className="mt-5">
          <Button onClick={onOverrule}>Overrule this number</Button>
        </div>
      ) : null}
    </Dialog>
  )
}
