import { useMoment } from '../../sync/use-moment'
import { looksBackDays, type LooksInAnswer } from '#contract/api/looks-in'
import { paths } from '#contract/api/paths'
import { Notice } from '../../parts/notice'
import { useAnswer } from '../../sync/use-answer'

/** Who opened a record from outside the care team, and why: for leads. */
export function LooksIn() {
  const moment = useMoment()
  const { answer, refusal } = useAnswer<LooksInAnswer>(paths.looksIn)
  return (
    <section aria-labelledby="looks-in" className="grid gap-3">
      <h2 id="looks-in" className="text-lg font-bold">
        Opened from outside the care team
      </h2>
      {refusal ? <Notice tone="caution" lead={refusal} role="alert" /> : null}
      {answer ? (
        <p className="text-soft">
          {answer.count === 0
            ? `Nobody in the last ${looksBackDays} days.`
            : `${answer.count} in the last ${looksBackDays} days, the newest first.`}
        </p>
      ) : null}
      <ul className="grid gap-2">
        {answer?.looks.map(({ id, at, by, reason, patient, place }) => (
          <li key={id} className="rounded-2xl border border-line bg-sheet p-3">
            <p className="font-semibold">
              {patient}, {place}
            </p>
            <p className="text-soft">
              {moment(Date.parse(at))} · {by}: {reason}
            </p>
          </li>
        ))}
      </ul>
    </section>
  )
}
