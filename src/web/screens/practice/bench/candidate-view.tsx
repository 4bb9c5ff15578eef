import { teamRoles, type Candidate } from '#contract/records/practice'
import type { Station } from '#core/practice/stations/station'
import { StationClock } from '../stations/station-run'

/** What stands beside a candidate who works on a manikin: the clock, what is given, and what was told on asking. */
export function CandidateView({
  station,
  startedAt,
  told,
  candidates,
}: {
  station: Station
  startedAt: number
  told: readonly number[]
  candidates: readonly Candidate[]
}) {
  const team = candidates.filter((candidate) => candidate.role !== null)
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] items-start gap-4 lg:grid-cols-2">
      <section aria-labelledby="given" className="grid gap-3 rounded-3xl border border-line bg-sheet p-5">
        <StationClock station={station} startedAt={startedAt} />
        <h2 id="given" className="font-bold">
          Given
        </h2>
        {station.given.map((text) => (
          <p key={text} className="text-xl">
            {text}
          </p>
        ))}
      </section>
      <div className="grid gap-4">
        <section aria-labelledby="told" className="grid gap-2 rounded-3xl border border-line bg-sheet p-5">
          <h2 id="told" className="font-bold">
            What you asked
          </h2>
          <div role="status" className="grid gap-1 text-lg">
            {told.map((index) => (
              <p key={index}>
                <span className="text-soft">{station.onAsking[index]?.ask}</span> <strong>{station.onAsking[index]?.answer}</strong>
              </p>
            ))}
          </div>
          {told.length === 0 ? <p className="text-soft">Ask your examiner; what they answer stands here.</p> : null}
        </section>
        {team.length > 0 ? (
          <section aria-labelledby="team" className="grid gap-1 rounded-3xl border border-line bg-sheet p-5">
            <h2 id="team" className="font-bold">
              Team
            </h2>
            {team.map((one) => (
              <p key={one.id}>
                <strong>{one.name}</strong> {one.role ? teamRoles[one.role] : ''}
              </p>
            ))}
          </section>
        ) : null}
      </div>
    </div>
  )
}
