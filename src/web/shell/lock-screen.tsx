import { Dialog as Radix } from 'radix-ui'
import { lazy, Suspense, useEffect, useRef, useState, type ReactNode } from 'react'
import { Button } from '../parts/button'
import { SheetPlace } from '../parts/sheet-host'
import { forgetUnseen } from '../sync/answers'
import { useCase } from '../sync/case-store'
import { flushOutbox, useOutbox } from '../sync/outbox'
import { sendClosed } from '../sync/sealed-outbox'
import { setLock, useLock } from '../sync/lock-store'
import { usePerson } from '../sync/session-store'
import { EntryPage, entryHeading } from './entry-page'
import { LockedClocks } from '../strip/locked-clocks'
import { PatientsWaiting } from './patients-waiting'

// What opens the lock carries the forms of signing in: it follows the cover, which is there at once.
const UnlockForm = lazy(async () => ({ default: (await import('./unlock-form')).UnlockForm }))
// The step needs the techniques: they are loaded only when there is something to show through the lock.
const LockedStep = lazy(async () => ({ default: (await import('./locked-step')).LockedStep }))

const holdMs = 1_500

/** Over everything while the screen is locked: timers, the step in hand and the way to say that something is wrong stay. */
export function LockScreen() {
  const { mode } = useLock()
  return mode === 'open' ? null : <Locked mode={mode} />
}

const titles = { wipe: 'Wipe the screen', locked: 'Locked', ended: 'Signed out' } as const

function Locked({ mode }: { mode: keyof typeof titles }) {
  const open = useCase()
  useEffect(forgetUnseen, [])
  useClosedSending(mode === 'locked')
  return (
    <Radix.Root open>
      <Radix.Portal>
        <Radix.Content
          aria-describedby={undefined}
          onOpenAutoFocus={(event) => {
            event.preventDefault()
            // The cover itself until its form is there: no key may reach the page behind.
            const cover = event.currentTarget as HTMLElement
            ;(firstEmpty(cover) ?? cover.querySelector<HTMLElement>('[data-opens]') ?? cover).focus()
          }}
          onEscapeKeyDown={(event) => event.preventDefault()}
          onInteractOutside={(event) => event.preventDefault()}
          className="fixed inset-0 z-[60] flex flex-col overflow-y-auto bg-paper"
        >
          <LockedClocks />
          <EntryPage pose="asleep" heading={<Radix.Title className={entryHeading}>{titles[mode]}</Radix.Title>}>
            {open ? (
              <SheetPlace value={document.body}>
                <Suspense>
                  <LockedStep open={open} />
                </Suspense>
              </SheetPlace>
            ) : null}
            {mode === 'wipe' ? null : <PatientsWaiting />}
            {mode === 'wipe' ? <HoldToOpen /> : <Unlock isEnded={mode === 'ended'} />}
          </EntryPage>
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  )
}

/** So often what could not go is tried again. */
const closedAgainMs = 5_000

/** While the screen is locked what is entered goes closed: trouble that is told through the lock does not wait for it. */
function useClosedSending(isLocked: boolean): void {
  const pending = useOutbox((store) => store.pending)
  useEffect(() => {
    if (!isLocked) return
    // An entry is put away on the device in the moment after it was made.
    const soon = setTimeout(() => void sendClosed(), 100)
    const again = setInterval(() => void sendClosed(), closedAgainMs)
    return () => {
      clearTimeout(soon)
      clearInterval(again)
    }
  }, [isLocked, pending])
}

/** A wipe touches everything briefly; only a long press, or a key, opens. */
function HoldToOpen() {
  const timer = useRef<ReturnType<typeof setTimeout> | undefined>(undefined)
  const [isHeld, setHeld] = useState(false)
  const press = (): void => {
    setHeld(true)
    timer.current = setTimeout(() => setLock('open'), holdMs)
  }
  const release = (): void => {
    setHeld(false)
    clearTimeout(timer.current)
  }
  return (
    <Button
      look={isHeld ? 'next' : 'plain'}
      className="min-h-24 touch-none text-lg"
      data-opens
      onPointerDown={press}
      onPointerUp={release}
      onPointerLeave={release}
      onKeyDown={(event) => {
        if (event.key === 'Enter') setLock('open')
      }}
    >
      {isHeld ? 'Keep holding…' : 'Hold here to go on'}
    </Button>
  )
}

/** PIN or password of whoever goes on; another person than before begins with a clean page. */
function Unlock({ isEnded }: { isEnded: boolean }) {
  const person = usePerson()
  return (
    <Suspense>
      <FocusWithin>
        <UnlockForm
          lead={
            isEnded
              ? `The session of ${person.name} has ended. What was done is kept on this device and sent after signing in.`
              : `Signed in: ${person.name}. Anybody may go on under their own name.`
          }
          name={person.signIn}
          submitLabel={isEnded ? 'Sign in' : 'Unlock'}
          onOpen={() => {
            setLock('open')
            flushOutbox()
          }}
        />
      </FocusWithin>
    </Suspense>
  )
}

/** Puts the focus into the first empty field of what came later than the dialog around it. */
function FocusWithin({ children }: { children: ReactNode }) {
  const around = useRef<HTMLDivElement>(null)
  useEffect(() => firstEmpty(around.current)?.focus(), [])
  return <div ref={around}>{children}</div>
}

function firstEmpty(around: HTMLElement | null): HTMLElement | undefined {
  return [...(around?.querySelectorAll('input') ?? [])].find((field) => field.value === '')
}
