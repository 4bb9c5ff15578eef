import { DropdownMenu } from 'radix-ui'
import { Link, useLocation } from 'react-router'
import { LockItems } from './lock-menu'
import { isIn, type MainLink } from './main-links'
import { faceLook, MenuFace } from './menu-faces'

const item =
  'flex min-h-12 cursor-pointer items-center rounded-xl px-4 font-semibold outline-none data-[highlighted]:bg-well aria-[current=page]:border-l-[3px] aria-[current=page]:border-ink aria-[current=page]:font-bold'

/**
 * What has no word of its own in the top row: the other rooms, help, and the two ways to keep touches away. It comes open.
 * @param folded rooms that stand in the row where it is wide enough
 */
export function MainMenu({ folded, links, onHelp }: { folded: readonly MainLink[]; links: readonly MainLink[]; onHelp: () => void }) {
  const { pathname } = useLocation()
  return (
    <DropdownMenu.Root defaultOpen>
      <DropdownMenu.Trigger className={faceLook}>
        <MenuFace />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="end"
          // Locked, the focus belongs to the lock.
          onCloseAutoFocus={(event) => event.preventDefault()}
          className="z-40 max-h-[var(--radix-dropdown-menu-content-available-height)] min-w-60 overflow-y-auto rounded-2xl border border-line bg-sheet p-1.5 shadow-lg"
        >
          {[...folded, ...links].map(({ to, label }) => (
            <DropdownMenu.Item key={to} asChild>
              <Link to={to} aria-current={isIn(pathname, to) ? 'page' : undefined} className={item}>
                {label}
              </Link>
            </DropdownMenu.Item>
          ))}
          <DropdownMenu.Item className={item} onSelect={onHelp}>
            What this is, and its keys
          </DropdownMenu.Item>
          <DropdownMenu.Separator className="m-1.5 h-px bg-line" />
          <LockItems />
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  )
}
