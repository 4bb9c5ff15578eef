import { useLayoutEffect, useRef, type ReactNode, type RefObject } from 'react'
import { Link, useLocation } from 'react-router'
import { Plus } from 'lucide-react'
import { findEventKind } from '#contract/events/index'
import { hasRight, isPairedDevice } from '#contract/rights'
import { useNarrow } from '../parts/use-narrow'
import { useOutbox } from '../sync/outbox'
import { usePerson } from '../sync/session-store'
import { LateMenu } from './late-menu'
import { latePart } from './late-part'
import { isIn, mainLinks, type MainLink } from './main-links'
import { faceLook, LockFace, MenuFace } from './menu-faces'
import { TimerDock } from './timer-dock'
import { Wren } from '../parts/wren'

const LockMenu = latePart(async () => (await import('./lock-menu')).LockMenu)
const MainMenu = latePart(async () => (await import('./main-menu')).MainMenu)

/** So many rooms keep their words on a phone; the last of them only where it is as wide as most. */
const wordsOnPhone = 3

/**
 * The one row on top of every page: the way home and to the rooms; in a case, the patient instead.
 * @param onCaseSlot is given where the case puts the patient
 */
export function TopRow({ onHelp, onCaseSlot }: { onHelp: () => void; onCaseSlot: (slot: HTMLElement | null) => void }) {
  const { roles } = usePerson()
  const { pathname } = useLocation()
  const isStuck = useOutbox((store) => store.line !== 'fine' && store.pending.length > 0)
  const isNarrow = useNarrow()
  const mayWork = hasRight(roles, 'read') || isPairedDevice(roles)
  const { rooms, more } = mainLinks(roles)
  const isCase = pathname.startsWith('/case/')
  const header = useRef<HTMLElement>(null)
  useHeightBelow(header, isStuck)
  const folded = isCase ? rooms : isNarrow ? rooms.slice(wordsOnPhone - 1) : []
  return (
    // While something cannot be sent that stays in sight, however far the page is scrolled.
    <header
      ref={header}
      data-sticks
      className={`flex min-h-14 flex-wrap items-start gap-x-1 border-b border-line bg-sheet px-1.5 sm:pr-4 sm:pl-2 print:hidden ${isStuck ? 'sticky top-0 z-30' : 'relative'}`}
    >
      {isCase && isNarrow ? null : (
        <Link to="/" aria-label="Zesty Wren, to the Board" className="flex min-h-14 shrink-0 items-center gap-2 font-bold max-sm:px-1">
          <Wren size={30} />
          {isCase ? null : <span className="pr-2 text-[1.02rem] max-xl:hidden">Zesty Wren</span>}
        </Link>
      )}
      {isCase ? (
        <div ref={onCaseSlot} className="peer flex min-w-0 flex-1" />
      ) : (
        <Rooms rooms={isNarrow ? rooms.slice(0, wordsOnPhone) : rooms} pathname={pathname}>
          {mayWork ? <NewCaseLink /> : null}
        </Rooms>
      )}
      {/* On a phone the patient's row has a menu of its own; while no patient is in it, this one is the way out. */}
      <span className={isCase && isNarrow ? 'hidden peer-empty:contents' : 'contents'}>
        <LateMenu look={faceLook} menu={<MainMenu folded={folded} links={more} onHelp={onHelp} />}>
          <MenuFace />
        </LateMenu>
        {isNarrow ? null : (
          <LateMenu look={faceLook} menu={<LockMenu />}>
            <LockFace />
          </LateMenu>
        )}
      </span>
      <Connection />
      <TimerDock isLocked={!mayWork} />
    </header>
  )
}

/** Tells what else sticks at the top of a page how high this row stands there: nothing lies behind it. */
function useHeightBelow(row: RefObject<HTMLElement | null>, isStuck: boolean): void {
  useLayoutEffect(() => {
    const { style } = document.documentElement
    const tell = (): void => style.setProperty('--stuck-row', isStuck ? `${row.current?.offsetHeight ?? 0}px` : '0px')
    const watch = new ResizeObserver(tell)
    if (row.current) watch.observe(row.current)
    tell()
    return () => watch.disconnect()
  }, [row, isStuck])
}

function Rooms({ rooms, pathname, children }: { rooms: readonly MainLink[]; pathname: string; children: ReactNode }) {
  return (
    <nav aria-label="Main" className="flex min-h-14 min-w-0 flex-1 items-center">
      {rooms.map(({ to, label }) => (
        <Link
          key={to}
          to={to}
          aria-current={isIn(pathname, to) ? 'page' : undefined}
          className="group relative flex min-h-14 items-center rounded-xl px-3 font-semibold whitespace-nowrap max-lg:px-2 max-sm:px-1.5 max-sm:text-[0.9rem] max-[23rem]:nth-3:hidden aria-[current=page]:font-bold"
        >
          {label}
          <span className="absolute inset-x-2 bottom-0 h-[3px] rounded-full group-aria-[current=page]:bg-ink" />
        </Link>
      ))}
      {children}
    </nav>
  )
}

function NewCaseLink() {
  return (
    <Link
      to="/new"
      className="ml-auto flex min-h-11 min-w-11 items-center justify-center gap-1.5 rounded-xl border-[1.5px] border-soft font-bold lg:px-3"
    >
      <Plus size={20} aria-hidden />
      <span className="max-lg:sr-only">New case</span>
    </Link>
  )
}

/** What could not be sent, and whether there is a line: on a row of its own, and nothing while all is well. */
function Connection() {
  const { pending, line, isServerTroubled } = useOutbox()
  const isUrgent = pending.some(({ kind }) => findEventKind(kind)?.isUrgent)
  const isStuck = line !== 'fine' && pending.length > 0
  const why = line === 'offline' ? 'No connection' : 'The server has trouble'
  return (
    <p role="status" className="order-last basis-full px-2 text-sm font-semibold">
      {isStuck && isUrgent ? <span className="rounded-lg bg-stop-wash px-2 py-1 text-stop">NOT sent: phone if urgent</span> : null}
      {isStuck && !isUrgent ? (
        <span className="text-caution">
          {why}; {pending.length} kept here
        </span>
      ) : null}
      {isServerTroubled && line === 'fine' ? <span className="text-caution">The server has trouble</span> : null}
      {line === 'offline' && pending.length === 0 ? <span className="text-caution">No connection</span> : null}
      {line === 'fine' && pending.length > 0 ? (
        // It comes and goes with every entry: a stripe at the edge of the row, which moves nothing.
        <span className="absolute inset-x-0 bottom-0 h-[3px] bg-known">
          <span className="sr-only">Sending…</span>
        </span>
      ) : null}
    </p>
  )
}
