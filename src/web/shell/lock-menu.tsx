import { DropdownMenu } from 'radix-ui'
import { useSession } from '../sync/session-store'
import { faceLook, LockFace } from './menu-faces'
import { setLock } from '../sync/lock-store'

const item = 'flex min-h-12 cursor-pointer items-center rounded-xl px-4 font-semibold outline-none data-[highlighted]:bg-well'

/** Two ways to keep touches away, as entries of a menu: for cleaning the glass, and with PIN or password. */
export function LockItems() {
  const hasPin = useSession((store) => store.hasPin)
  return (
    <>
      <DropdownMenu.Item className={item} onSelect={() => setLock('wipe')}>
        Wipe the screen
      </DropdownMenu.Item>
      <DropdownMenu.Item className={item} onSelect={() => setLock('locked')}>
        {hasPin ? 'Lock; the PIN opens it' : 'Lock; the password opens it'}
      </DropdownMenu.Item>
    </>
  )
}

/** The lock in the top row, open. */
export function LockMenu() {
  return (
    <DropdownMenu.Root defaultOpen>
      <DropdownMenu.Trigger className={faceLook}>
        <LockFace />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="end"
          // The focus belongs to the lock now: back on the button it would keep the page behind open to screen readers.
          onCloseAutoFocus={(event) => event.preventDefault()}
          className="z-40 min-w-56 rounded-2xl border border-line bg-sheet p-1.5 shadow-lg"
        >
          <LockItems />
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  )
}
