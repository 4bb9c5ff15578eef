import { lazy, Suspense, useEffect, useState, type ReactNode } from 'react'
import { createPortal } from 'react-dom'
import { Navigate, Outlet, useLocation, useNavigate } from 'react-router'
import { hasRight, isPairedDevice } from '#contract/rights'
import { useKey } from '../parts/use-key'
import { useEmergencyOver } from './use-emergency-over'
import { useIdleLock } from './use-idle-lock'
import { useMendedClock } from './use-mended-clock'
import { useProvenSession } from './use-proven-session'
import { useSessionOver } from './use-session-over'
import { onLineBack, resumeOutbox, useOutbox } from '../sync/outbox'
import { sendSealed } from '../sync/sealed-outbox'
import { resumePatients } from '../sync/patients-here'
import { usePerson, useSession } from '../sync/session-store'
import { startStream } from '../sync/live-stream'
import { resumeTimers } from '../strip/timer-store'
import { BehindLock } from './behind-lock'
import { CrashBoundary } from './crash-boundary'
import { CrashScreen } from './crash-screen'
import { ClockNotice } from './clock-notice'
import { KeepingNotice } from './keeping-notice'
import { useLock } from '../sync/lock-store'
import { latePart } from '../parts/late-part'
import { NewVersion } from './new-version'
import type { ShellParts } from '../parts/shell-parts'
import { LoadingTape } from '../parts/tape'
import { TopRow } from './top-row'

const HelpSheet = latePart(async () => (await import('./help-sheet')).HelpSheet)
const LockScreen = latePart(async () => (await import('./lock-screen')).LockScreen)
const BeforeWork = lazy(async () => ({ default: (await import('./before-work')).BeforeWork }))
const RefusedSheet = lazy(async () => ({ default: (await import('./refused-sheet')).RefusedSheet }))
const ParkedSheet = lazy(async () => ({ default: (await import('./refused-sheet')).ParkedSheet }))
const OtherVersionSheet = lazy(async () => ({ default: (await import('./refused-sheet')).OtherVersionSheet }))

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
      <div className="w-64">
        <LoadingTape words="Opening…" />
      </div>
    </main>
  )
}

function SignedInShell({ whenSignedIn }: { whenSignedIn: () => () => void }) {
  const { id, roles } = usePerson()
  const mayRead = hasRight(roles, 'read')
  const isEmergency = isPairedDevice(roles)
  const { pathname } = useLocation()
  const [isHelpOpen, setHelpOpen] = useState(false)
  const [caseSlot, setCaseSlot] = useState<HTMLElement | null>(null)
  const [stripSlot, setStripSlot] = useState<HTMLElement | null>(null)
  const navigate = useNavigate()
  useEffect(() => {
    void resumeOutbox().then(() => sendSealed(id))
    void resumeTimers()
    void resumePatients()
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
  const mode = useLock((lock) => lock.mode)
  const isLocked = mode !== 'open'
  return (
    <>
      <BehindLock isOut={mode === 'locked' || mode === 'ended'}>
        <div className="flex min-h-dvh flex-col" inert={isLocked}>
          <a href="#main" className="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-citrus focus:p-3 focus:text-on-citrus">
            Skip to the work
          </a>
          <TopRow onHelp={() => setHelpOpen(true)} onCaseSlot={setCaseSlot} onStripSlot={setStripSlot} />
          <NewVersion />
          <KeepingNotice />
          <ClockNotice />
          {mayRead || isEmergency || pathname !== '/' ? (
            // The screen before stays until the next one is there.
            <Suspense>
              <Outlet context={{ caseSlot, stripSlot } satisfies ShellParts} />
            </Suspense>
          ) : (
            <Navigate to="/people" replace />
          )}
          {isHelpOpen ? (
            <CrashBoundary at="help" instead={null}>
              <Suspense>
                <HelpSheet isOpen onClose={() => setHelpOpen(false)} />
              </Suspense>
            </CrashBoundary>
          ) : null}
          <Refusals />
        </div>
      </BehindLock>
      {isLocked ? <Lock /> : null}
    </>
  )
}

/** What covers a locked screen: the cover itself is there at once, and what opens it follows. */
function Lock() {
  return (
    <CrashBoundary
      at="lock"
      instead={
        <Cover>
          <CrashScreen />
        </Cover>
      }
    >
      <Suspense fallback={<Cover />}>
        <LockScreen />
      </Suspense>
    </CrashBoundary>
  )
}

/** Nothing of the page is seen through it. */
function Cover({ children }: { children?: ReactNode }) {
  return createPortal(<div className="fixed inset-0 z-[60] bg-paper">{children}</div>, document.body)
}

function Refusals() {
  const [first] = useOutbox((store) => store.undecided)
  if (!first) return null
  return (
    <Suspense>
      {first.kind === 'refused' ? <RefusedSheet refused={first} /> : null}
      {first.kind === 'parked' ? <ParkedSheet event={first.event} /> : null}
      {first.kind === 'of-other-version' ? <OtherVersionSheet left={first} /> : null}
    </Suspense>
  )
}
