import { decisionInRole } from '#core/techniques/decision-in-role'
import type { Decision } from '#core/model/decision'
import type { Plan } from '#core/model/plan'

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
      return people && typeof line.value === 'number' ? [{ people, odds: line.value }] : []
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
      {odds.length > 0 ? <OddsTable odds={odds} /> : null}
    </section>
  )
}

function OddsTable({ odds }: { odds: readonly { readonly people: string; readonly odds: number }[] }) {
  return (
    <table className="w-full">
      <caption className="pb-1 text-left text-sm font-semibold text-soft">Odds of shaping each part in time, in this estimate</caption>
      <tbody>
        {odds.map((odd) => (
          <tr key={odd.people}>
            <th scope="row" className="w-24 py-1 text-left font-normal">
              {odd.people === '1' ? '1 person' : `${odd.people} people`}
            </th>
            <td>
              <div aria-hidden className="h-3.5 overflow-hidden rounded-full bg-well">
                <div
                  className={`h-full rounded-full ${odd.odds >= 0.9 ? 'bg-calm' : 'bg-caution'}`}
                  style={{ width: `${odd.odds * 100}%` }}
                />
              </div>
            </td>
            <td className="numeral w-28 pl-3 text-right">{odd.odds === 0 ? 'cannot hold' : `${(odd.odds * 100).toFixed(0)} %`}</td>
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
        <span className="numeral text-lg leading-tight">{decision?.display.replace(', in this estimate', '') ?? '…'}</span>
      </button>
    </li>
  )
}
