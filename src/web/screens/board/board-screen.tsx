import { useMemo, useState, type ReactNode } from 'react'
import { Search } from 'lucide-react'
import { Link, useSearchParams } from 'react-router'
import { hearsAlarm } from '#ward/standing/hears-alarm'
import type { BoardAnswer, UrgentAnswer } from '#contract/api/board'
import { isPairedDevice } from '#contract/rights'
import { paths } from '#contract/api/paths'
import { useNow } from '../../sync/use-now'
import { formatClock } from '../../parts/format-time'
import { Notice } from '../../parts/notice'
import { ButtonLink } from '../../parts/button'
import { EmptyPage } from '../../parts/empty-page'
import { useNarrow } from '../../parts/use-narrow'
import { useLock } from '../../sync/lock-store'
import { usePatientsHere } from '../../sync/patients-here'
import { useAnswer } from '../../sync/use-answer'
import { usePerson } from '../../sync/session-store'
import { filterRows, readFilter, writeFilter, type BoardFilter } from './board-filter'
import { BoardLine } from './board-line'
import { groupRows, orderRows } from './board-order'
import { callsOnBoard, callsThroughLock, useBoardSound } from './board-sound'
import { BoardTable } from './board-table'
import { FilterBar, isFiltering } from './filter-bar'
import { Horizon } from './horizon'
import { FirstDay } from './first-day'
import { PatientsHere } from './patients-here'
import { Welcome } from './welcome'
import { useTitleBadge } from './use-title-badge'
import { WallBoard } from './wall-board'

/** So often it is asked behind a lock what is urgent. */
const throughLockMs = 10_000

/** All live cases, worst first: what is overdue, worsening, due, under way. */
export function BoardScreen() {
  const { answer, refusal } = useAnswer<BoardAnswer>(paths.board)
  const now = useNow(10_000)
  const person = usePerson()
  const [params, setParams] = useSearchParams()
  const filter = readFilter(params)
  const set = (change: Partial<BoardFilter>): void => setParams(writeFilter({ ...filter, ...change }), { replace: true })
  const all = answer ? orderRows(answer.rows, now) : []
  const rows = filterRows(all, filter, { name: person.name, places: person.settings.places ?? [] }, now)
  // Behind a lock the server tells of what is urgent, and of nobody.
  const isLocked = useLock(({ mode }) => mode === 'locked')
  const { answer: urgent } = useAnswer<UrgentAnswer>(isLocked ? paths.urgent : null, throughLockMs)
  const calls = useMemo(
    () =>
      isLocked
        ? urgent && callsThroughLock(urgent)
        : answer &&
          callsOnBoard(
            answer.rows.filter((row) => hearsAlarm(row, person.roles)),
            now,
          ),
    [isLocked, urgent, answer, now, person.roles],
  )
  useBoardSound(calls, now, person.settings.sound)
  useTitleBadge(all.filter((row) => row.level === 'urgent').length)
  const [isSearching, setSearching] = useState(isFiltering(filter))
  const ageMin = answer ? Math.floor((now - Date.parse(answer.now)) / 60_000) : 0
  const isRead = answer !== null || refusal !== null
  // On a phone the first patient comes before the hours ahead.
  const isNarrow = useNarrow()
  const isDevice = isPairedDevice(person.roles)
  const hasHere = usePatientsHere(({ patients }) =>
    patients.some((patient) => patient.personId === person.id && patient.isAccountless && !patient.gone),
  )
  const isPagerAway = answer?.pager?.isAnswering === false
  if (filter.view === 'wall') {
    return (
      <main id="main">
        <h1 className="sr-only">Board</h1>
        <WallBoard
          rows={rows}
          now={now}
          ageMin={ageMin}
          isInitials={filter.isInitials}
          warning={isPagerAway ? 'The pager is not answering: phone' : refusal}
          onLeave={() => set({ view: 'cards' })}
        />
      </main>
    )
  }
  return (
    <main id="main" className="page page-list !pt-2">
      <div className="mb-2 flex flex-wrap items-center gap-x-4 gap-y-1">
        <h1 className="text-2xl font-bold max-sm:sr-only">{isDevice ? 'This device’s patients' : 'Board'}</h1>
        <p className="text-soft max-sm:text-sm">
          {answer ? (
            <>
              {rows.length === all.length ? rows.length : `${rows.length} of ${all.length}`} live
              <span className="max-sm:hidden">{all.length === 1 ? ' case' : ' cases'}</span> · read{' '}
              <span className={ageMin >= 2 ? 'font-bold text-stop' : ''}>{ageMin < 1 ? 'just now' : `${ageMin} min ago`}</span>
            </>
          ) : (
            'Reading…'
          )}
        </p>
        <span className="ml-auto flex flex-wrap gap-2">
          {answer?.toSettle ? <SmallLink to="/held">Not taken {answer.toSettle}</SmallLink> : null}
          {answer?.toCountersign ? <SmallLink to="/countersign">Countersign {answer.toCountersign}</SmallLink> : null}
          {/* On a phone the first patient comes before the field. */}
          <button
            type="button"
            aria-expanded={isSearching}
            onClick={() => setSearching(!isSearching)}
            className="grid size-11 place-items-center rounded-xl border-[1.5px] border-line bg-sheet aria-expanded:border-ink sm:hidden"
          >
            <Search size={20} aria-hidden />
            <span className="sr-only">Find on the Board</span>
          </button>
        </span>
      </div>
      {isRead ? <Welcome /> : null}
      <PatientsHere rows={answer?.rows ?? []} />
      {isPagerAway && answer?.pager ? (
        <div className="mb-4">
          <Notice tone="stop" lead="The pager is not answering: phone" role="alert">
            Since {formatClock(answer.pager.since)}. What is urgent still calls, and goes out as soon as the pager is back.
          </Notice>
        </div>
      ) : null}
      {refusal ? (
        <div className="mb-4">
          <Notice tone="caution" lead={refusal} role="alert" />
        </div>
      ) : null}
      {all.length > 0 ? (
        <div className={isSearching ? '' : 'max-sm:hidden'}>
          <FilterBar rows={all} filter={filter} onChange={set} />
        </div>
      ) : null}
      {isDevice ? (
        <ButtonLink to="/new" look="next" className="mb-4 min-h-16 w-full text-lg">
          New patient
        </ButtonLink>
      ) : null}
      {answer && all.length === 0 && !hasHere ? (
        <EmptyPage lead="Nobody has anything on">
          <p>Begin with New case: it needs no name yet.</p>
        </EmptyPage>
      ) : null}
      {answer && all.length === 0 ? <FirstDay /> : null}
      {all.length > 0 && rows.length === 0 ? (
        <EmptyPage lead="Nobody answers to that">
          <p>Take a mark off, or look in the history.</p>
        </EmptyPage>
      ) : null}
      {!isNarrow && isRead && filter.view === 'cards' ? <Horizon rows={rows} now={now} /> : null}
      {/* Nothing stands here that what is read would push away. */}
      {!isRead ? null : filter.view === 'rows' ? (
        <BoardTable rows={rows} now={now} />
      ) : (
        groupRows(rows, now).map((group) => (
          <section key={group.heading} aria-label={group.heading} className="mb-4">
            <h2 className={`mb-1.5 font-bold ${group.heading === 'Pressing' ? 'text-stop' : ''}`}>
              {group.heading} <span className="numeral">{group.rows.length}</span>
            </h2>
            <ul className="grid gap-2" aria-label={`Live cases, worst first: ${group.heading}`}>
              {group.rows.map((row) => (
                <BoardLine key={row.caseId} row={row} now={now} />
              ))}
            </ul>
          </section>
        ))
      )}
      {isNarrow && isRead ? <Horizon rows={rows} now={now} /> : null}
      <p className={`mt-6 text-sm text-soft ${isRead ? '' : 'hidden'}`}>
        The Board reminds of what was planned and shows what was entered. It does not monitor anybody.
      </p>
    </main>
  )
}

/** Work of one's own beside the patients: as high as a thumb needs, and no higher. */
function SmallLink({ to, children }: { to: string; children: ReactNode }) {
  return (
    <Link
      to={to}
      className="inline-flex min-h-11 items-center rounded-xl border-[1.5px] border-soft bg-sheet px-3 font-semibold max-sm:text-[0.9rem]"
    >
      {children}
    </Link>
  )
}
