import { Link } from 'react-router'
import { benches } from '#core/practice/benches'
import { nights } from '#core/practice/drill/nights'
import { stationLines } from '#core/practice/stations/shipped-stations'
import { hasRight } from '#contract/rights'
import { CardPicture } from '../../cards/card-picture'
import { ButtonLink } from '../../parts/button'
import { usePerson } from '../../sync/session-store'
import { MadeHere } from './stations/made-here'
import { PracticeSign } from './practice-sign'
import { RunningNow } from './running-now'

/** Rooms without a patient: what can be tried, by the same core as the path. */
export function PracticeScreen() {
  const { roles } = usePerson()
  return (
    <main id="main" className="page page-list grid content-start gap-5">
      <header className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <h1 className="text-2xl font-bold">Practice</h1>
        <PracticeSign />
        <p className="basis-full text-soft">Nothing here touches the Board, the store or anybody’s record.</p>
        <nav aria-label="Practice" className="flex basis-full flex-wrap gap-2 pt-1">
          <ButtonLink to="/practice/progress">My progress</ButtonLink>
          {hasRight(roles, 'train') ? <ButtonLink to="/practice/groups">Groups</ButtonLink> : null}
          {hasRight(roles, 'decide') ? <ButtonLink to="/practice/make">Make a station</ButtonLink> : null}
        </nav>
      </header>
      <RunningNow />
      <section aria-labelledby="benches" className="grid gap-3">
        <div>
          <h2 id="benches" className="text-lg font-bold">
            Bench
          </h2>
          <p className="text-soft">Turn one thing and see the rest move.</p>
        </div>
        <ul className="grid gap-3 sm:grid-cols-2 lg:grid-cols-3">
          {benches.map((bench) => (
            <li key={bench.id}>
              <Link
                to={`/practice/bench/${bench.id}`}
                className="grid h-full grid-cols-[6.5rem_minmax(0,1fr)] items-center gap-4 rounded-2xl border border-line bg-sheet py-3 pr-4 pl-3"
              >
                <CardPicture of="benches" id={bench.id} />
                <span className="grid gap-1">
                  <span className="text-lg font-bold">{bench.name}</span>
                  <span className="text-[0.95rem]">{bench.purpose}</span>
                </span>
              </Link>
            </li>
          ))}
        </ul>
      </section>
      <section aria-labelledby="stations" className="grid gap-3">
        <div>
          <h2 id="stations" className="text-lg font-bold">
            Stations
          </h2>
          <p className="text-soft">A timed skill, scored: alone, with the application as the manikin, or examined on a real one.</p>
        </div>
        <MadeHere />
        <ul className="grid gap-2 sm:grid-cols-2 lg:grid-cols-3">
          {stationLines.map((station) => (
            <li key={station.id}>
              <Link
                to={`/practice/station/${station.id}`}
                className="grid min-h-20 grid-cols-[6.5rem_minmax(0,1fr)] items-center gap-4 rounded-2xl border border-line bg-sheet py-2 pr-4 pl-3 font-semibold"
              >
                <CardPicture of="techniques" id={station.technique.id} />
                <span className="col-start-2">{station.name}</span>
              </Link>
            </li>
          ))}
        </ul>
      </section>
      <section aria-labelledby="drill" className="grid gap-3">
        <div>
          <h2 id="drill" className="text-lg font-bold">
            Drill
          </h2>
          <p className="text-soft">A night shift in quick time: who is looked at when, and what is done about it.</p>
        </div>
        <ul className="grid gap-3 sm:grid-cols-2 lg:grid-cols-3">
          {nights.map((night) => (
            <li key={night.id}>
              <Link
                to={`/practice/drill/${night.id}`}
                className="grid h-full content-start gap-1 rounded-2xl border border-line bg-sheet px-4 py-3"
              >
                <span className="text-lg font-bold">{night.name}</span>
                <span className="text-[0.95rem]">{night.about}</span>
              </Link>
            </li>
          ))}
        </ul>
      </section>
    </main>
  )
}
