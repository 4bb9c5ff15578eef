import { Link } from 'react-router'
import type { OptionValues, Technique } from '#core/planner/technique'

/**
 * The schools of a technique side by side, and the way to read the page by another one: the address keeps what was chosen.
 * @param chosen schools that the page goes by now, each option's
 */
export function SchoolsTable({ technique, chosen, asked }: { technique: Technique; chosen: OptionValues; asked: URLSearchParams }) {
  const addressOf = (option: string, value: string): string => {
    const next = new URLSearchParams(asked)
    next.set(option, value)
    return `?${next.toString()}#schools`
  }
  return (
    <div role="group" tabIndex={0} aria-label="Schools compared" className="overflow-x-auto">
      <table className="w-full min-w-[34rem] text-left">
        <thead>
          <tr className="text-sm text-soft">
            <th className="py-1.5 pr-4 font-semibold">Choice</th>
            <th className="py-1.5 pr-4 font-semibold">School</th>
            <th className="py-1.5 font-semibold">Who prefers it, and why</th>
          </tr>
        </thead>
        <tbody>
          {technique.options.flatMap((option) =>
            option.values.map((value, index) => {
              const isChosen = chosen[option.id] === value.id
              return (
                <tr key={`${option.id}${value.id}`} className={index === 0 ? 'border-t border-line align-top' : 'align-top'}>
                  <th scope="row" className="py-1 pr-4 font-bold">
                    {index === 0 ? option.label : <span className="sr-only">{option.label}</span>}
                  </th>
                  <td className="py-1 pr-4 font-semibold">
                    {isChosen ? (
                      <span className="inline-flex min-h-11 items-center gap-2">
                        <span aria-hidden>●</span> {value.label} <span className="sr-only">, shown here</span>
                      </span>
                    ) : (
                      <Link
                        to={addressOf(option.id, value.id)}
                        aria-label={`Read it by ${option.label}: ${value.label}`}
                        className="inline-flex min-h-11 items-center gap-2 underline decoration-soft underline-offset-4"
                      >
                        <span aria-hidden>○</span> {value.label}
                      </Link>
                    )}
                  </td>
                  <td className="py-2.5">{value.why}</td>
                </tr>
              )
            }),
          )}
        </tbody>
      </table>
    </div>
  )
}
