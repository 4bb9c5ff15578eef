import { decisionInRole } from '#core/techniques/decision-in-role'
import type { Decision } from '#core/model/decision'
import type { Plan } from '#core/model/plan'
import { DecisionValue } from '../../case/plan/decision-value'
import { crewWords, groupOdds, type CrewRange } from './crew-odds'

/** People needed; for what sets also the odds of ending moulding before set by crew size, setting time and heat. */
export function CrewForecast({ plan, onOpen }: { plan: Plan; onOpen: (decision: Decision) => void }) {
  const find = (id: string): Decision | undefined => plan.decisions.find((decision) => decision.id === id)
  const sets = decisionInRole(plan, 'sets')
  const crew = find('least-crew')
  const isPending = (id: string): boolean => plan.pending.some((task) => task.decision === id)
  const facts = [
    { id: sets?.id ?? '', label: 'Sets in', isShown: sets !== undefined },
    { id: 'least-crew', label: 'People needed', isShown: true },
    { id: 'peak-skin-temp', label: 'Warmest skin', isShown: find('peak-skin-temp') !== undefined || isPending('peak-skin-temp') },
  ].filter((one) => one.isShown)
  const odds =
    crew?.working.flatMap((line) => {
      const people = /with (\d)$/.exec(line.label)?.[1]
      return people && typeof line.value === 'number' ? [{ people: Number(people), odds: line.value }] : []
    }) ?? []
  return (
    <section aria-labelledby="forecast" className="grid gap-3 rounded-3xl border border-line bg-sheet p-4">
      <h2 id="forecast" className="font-bold">
        Forecast
      </h2>
      <ul className="grid grid-cols-3 gap-3">
        {facts.map((fact) => (
          <Fact key={fact.id} label={fact.label} decision={find(fact.id)} onOpen={onOpen} />
        ))}
      </ul>
      {odds.length > 0 ? <OddsTable ranges={groupOdds(odds)} /> : null}
    </section>
  )
}

/** A line for each crew size that does better or worse than the one before; bars only where there is something to compare. */
function OddsTable({ ranges }: { ranges: readonly CrewRange[] }) {
  const hasBars = ranges.filter((range) => range.odds > 0).length > 1
  return (
    <table className={hasBars ? 'w-full' : ''}>
      <caption className="pb-1 text-left text-sm font-semibold text-soft">Odds of shaping each part in time, estimated</caption>
      <tbody>
        {ranges.map((range) => (
          <tr key={range.from}>
            <th scope="row" className={`py-1 text-left font-normal whitespace-nowrap ${hasBars ? 'w-32' : ''}`}>
              {crewWords(range)}
            </th>
            {hasBars ? (
              <td>
                <div aria-hidden className="h-3.5 overflow-hidden rounded-full bg-well">
                  <div
                    className={`h-full rounded-full ${range.odds >= 0.9 ? 'bg-calm' : 'bg-caution'}`}
                    style={{ width: `${range.odds * 100}%` }}
                  />
                </div>
              </td>
            ) : null}
            <td className={`numeral pl-3 ${hasBars ? 'w-28 text-right' : 'font-bold'}`}>
              {range.odds === 0 ? 'cannot hold' : `${(range.odds * 100).toFixed(0)} %`}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}

function Fact({ label, decision, onOpen }: { label: string; decision: Decision | undefined; onOpen: (decision: Decision) => void }) {
  return (
    <li>
      <button
        type="button"
        disabled={!decision}
        onClick={() => decision && onOpen(decision)}
        className="grid min-h-14 w-full content-start rounded-xl bg-well px-3 py-1.5 text-left"
      >
        <span className="text-sm text-soft">{label}</span>
        <span className="numeral text-lg leading-tight">{decision ? <DecisionValue decision={decision} /> : '…'}</span>
      </button>
    </li>
  )
}
