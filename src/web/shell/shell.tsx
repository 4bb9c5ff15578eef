import { lazy, Suspense, useEffect, useState } from 'react'
import { Link, Navigate, Outlet, useLocation, useNavigate } from 'react-router'
import { BookOpen, CircleHelp, LayoutList, Lock, Package, Plus, Settings, SlidersHorizontal, Users } from 'lucide-react'
import { findEventKind } from '#contract/events/index'
import { hasRight, isPairedDevice } from '#contract/rights'
import { Button } from '../parts/button'
import { useKey } from '../parts/use-key'
import { useEmergencyOver } from './use-emergency-over'
import { useIdleLock } from './use-idle-lock'
import { useMendedClock } from './use-mended-clock'
import { useProvenSession } from './use-proven-session'
import { useSessionOver } from './use-session-over'
import { onLineBack, resumeOutbox, useOutbox } from '../sync/outbox'
import { sendSealed } from '../sync/sealed-outbox'
import { usePerson, useSession } from '../sync/session-store'
import { startStream } from '../sync/live-stream'
import { resumeTimers } from '../case/timer-store'
import { Wren } from './wren'
import { HelpSheet } from './help-sheet'
import { KeepingNotice } from './keeping-notice'
import { LockScreen } from './lock-screen'
import { NewVersion } from './new-version'
import { TimerDock } from './timer-dock'

const BeforeWork = lazy(async () => ({ default: (await import('./before-work')).BeforeWork }))
const LockMenu = lazy(async () => ({ default: (await import('./lock-menu')).LockMenu }))
const RefusedSheet = lazy(async () => ({ default: (await import('./refused-sheet')).RefusedSheet }))
const ParkedSheet = lazy(async () => ({ default: (await import('./refused-sheet')).ParkedSheet }))

/**
 * What surrounds every screen: the way home, help, the state of the connection; sign-in comes first.
 * @param whenSignedIn begun once somebody is signed in; returns how to end it
 */
export function Shell({ whenSignedIn }: { whenSignedIn: () => () => void }) {
  const state = useSession((store) => store.state)
  if (state.status === 'loading') return <Opening />
  if (state.status === 'signed-in' && !state.mustChange && !state.mustEnrol) return <SignedInShell whenSignedIn={whenSignedIn} />
  return (
    <Suspense fallback={<Opening />}>
      <BeforeWork state={state} />
    </Suspense>
  )
}

function Opening() {
  return (
    <main className="grid min-h-dvh place-items-center">
      <p role="status">Opening…</p>
    </main>
  )
}

function SignedInShell({ whenSignedIn }: { whenSignedIn: () => () => void }) {
  const { id, name, roles } = usePerson()
  const mayRead = hasRight(roles, 'read')
  const isEmergency = isPairedDevice(roles)
  const { pathname } = useLocation()
  const isStuck = useOutbox((store) => store.line !== 'fine' && store.pending.length > 0)
  const [isHelpOpen, setHelpOpen] = useState(false)
  const navigate = useNavigate()
  useEffect(() => {
    void resumeOutbox().then(() => sendSealed(id))
    void resumeTimers()
    return startStream()
  }, [id])
  useEffect(() => onLineBack(() => void sendSealed(id)), [id])
  useEffect(whenSignedIn, [whenSignedIn])
  // Another page begins at its top; what is chosen on a page moves nothing.
  useEffect(() => {
    if (window.location.hash === '') window.scrollTo(0, 0)
  }, [pathname])
  useSessionOver(isEmergency)
  useMendedClock()
  useProvenSession()
  useIdleLock()
  useEmergencyOver(isEmergency)
  useKey(['?'], () => setHelpOpen(true))
  useKey(['b'], () => void navigate('/'))
  useKey(['n'], () => void navigate('/new'))
  return (
    <div className="flex min-h-dvh flex-col">
      <a href="#main" className="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-citrus focus:p-3 focus:text-on-citrus">
        Skip to the work
      </a>
      {/* While something cannot be sent that stays in sight, however far the page is scrolled. */}
      <header
        className={`flex flex-wrap items-center gap-1 border-b border-line bg-sheet px-2 sm:px-4 print:hidden ${isStuck ? 'sticky top-0 z-30' : ''}`}
      >
        <Link to="/" aria-label="Zesty Wren, to the Board" className="flex min-h-13 items-center gap-2 px-1.5 font-bold">
          <Wren size={30} />
          <span className="hidden text-[1.02rem] sm:inline">Zesty Wren</span>
        </Link>
        <Connection />
        <TimerDock isLocked={!mayRead && !isEmergency} isBelow={isStuck} />
        <nav aria-label="Main" className="ml-auto flex items-center">
          {mayRead || isEmergency ? (
            <>
              <NavLink to="/new" label="New case" icon={<Plus size={20} aria-hidden />} />
              <NavLink to="/" label="Board" icon={<LayoutList size={20} aria-hidden />} />
            </>
          ) : null}
          {mayRead ? <NavLink to="/store" label="Store" icon={<Package size={20} aria-hidden />} /> : null}
          {hasRight(roles, 'manage-people') ? <NavLink to="/people" label="People" icon={<Users size={20} aria-hidden />} /> : null}
          <NavLink to="/guide" label="Guide" icon={<BookOpen size={20} aria-hidden />} />
          {mayRead ? <NavLink to="/practice" label="Practice" icon={<SlidersHorizontal size={20} aria-hidden />} isWideOnly /> : null}
          <NavLink to="/settings" label="Settings" icon={<Settings size={20} aria-hidden />} />
          <Suspense
            fallback={
              <span className="grid min-h-12 min-w-12 place-items-center" aria-hidden>
                <Lock size={19} />
              </span>
            }
          >
            <LockMenu />
          </Suspense>
          <button
            type="button"
            onClick={() => setHelpOpen(true)}
            className="flex min-h-12 min-w-12 items-center justify-center gap-1.5 rounded-xl px-2.5 max-sm:hidden"
          >
            <CircleHelp size={20} aria-hidden />
            <span className="sr-only">Help with keys</span>
          </button>
        </nav>
      </header>
      <NewVersion />
      <KeepingNotice />
      {isEmergency ? <EmergencyLine name={name} /> : null}
      {mayRead || isEmergency || pathname !== '/' ? <Outlet /> : <Navigate to="/people" replace />}
      <LockScreen />
      <HelpSheet isOpen={isHelpOpen} onClose={() => setHelpOpen(false)} />
      <Refusals />
    </div>
  )
}

/** Nobody is signed in, and everybody who looks at the glass should know. */
function EmergencyLine({ name }: { name: string }) {
  const signOut = useSession((store) => store.signOut)
  return (
    <div role="status" className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-stop bg-stop-wash px-3 py-1.5 sm:px-6">
      <p className="min-w-0 flex-1 text-stop">
        <strong>Emergency entry.</strong> Kept as {name} until a clinician claims it.
      </p>
      <Button onClick={() => void signOut()}>End it</Button>
    </div>
  )
}

/** @param isWideOnly reached from the Guide where the screen is a phone's */
function NavLink({ to, label, icon, isWideOnly = false }: { to: string; label: string; icon: React.ReactNode; isWideOnly?: boolean }) {
  return (
    <Link
      to={to}
      className={`flex min-h-12 min-w-11 items-center justify-center gap-1.5 rounded-xl px-2.5 font-semibold ${isWideOnly ? 'max-sm:hidden' : ''}`}
    >
      {icon}
      <span className="max-sm:sr-only">{label}</span>
    </Link>
  )
}

function Connection() {
  const { pending, line, isServerTroubled } = useOutbox()
  const isUrgent = pending.some(({ kind }) => findEventKind(kind)?.isUrgent)
  const isStuck = line !== 'fine' && pending.length > 0
  const why = line === 'offline' ? 'No connection' : 'The server has trouble'
  return (
    <p role="status" className="px-2 text-sm font-semibold">
      {isStuck && isUrgent ? <span className="rounded-lg bg-stop-wash px-2 py-1 text-stop">NOT sent: phone if urgent</span> : null}
      {isStuck && !isUrgent ? (
        <span className="text-caution">
          {why}; {pending.length} kept here
        </span>
      ) : null}
      {isServerTroubled && line === 'fine' ? <span className="text-caution">The server has trouble</span> : null}
      {line === 'offline' && pending.length === 0 ? <span className="text-caution">No connection</span> : null}
      {line === 'fine' && pending.length > 0 ? <span className="text-soft">Sending…</span> : null}
    </p>
  )
}

function Refusals() {
  const [first] = useOutbox((store) => store.undecided)
  return first ? (
    <Suspense>{first.kind === 'refused' ? <RefusedSheet refused={first} /> : <ParkedSheet event={first.event} />}</Suspense>
  ) : null
}
