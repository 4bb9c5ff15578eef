import { useLayoutEffect, useRef, type ReactNode, type RefObject } from 'react'
import { Link, useLocation } from 'react-router'
import { Plus } from 'lucide-react'
import { hasRight, isPairedDevice } from '#contract/rights'
import { useNarrow } from '../parts/use-narrow'
import { usePerson } from '../sync/session-store'
import { LateMenu } from './late-menu'
import { latePart } from '../parts/late-part'
import { isIn, mainLinks, type MainLink } from './main-links'
import { faceLook, LockFace, MenuFace } from './menu-faces'
import { SendingStripe } from '../strip/line-saying'
import { Strip } from '../strip/strip'
import { Wren } from '../parts/wren'

const LockMenu = latePart(async () => (await import('./lock-menu')).LockMenu)
const MainMenu = latePart(async () => (await import('./main-menu')).MainMenu)

/** So many rooms keep their words on a phone; the last of them only where it is as wide as most. */
const wordsOnPhone = 3

/**
 * What stands on top of every page: the way home and to the rooms, in a case the patient instead, and the strip below it. In a case it stays in
 * sight however far the page is scrolled.
 * @param onCaseSlot is given where the case puts the patient
 * @param onStripSlot is given where the case puts the strip
 */
export function TopRow({
  onHelp,
  onCaseSlot,
  onStripSlot,
}: {
  onHelp: () => void
  onCaseSlot: (slot: HTMLElement | null) => void
  onStripSlot: (slot: HTMLElement | null) => void
}) {
  const { roles } = usePerson()
  const { pathname } = useLocation()
  const isNarrow = useNarrow()
  const mayWork = hasRight(roles, 'read') || isPairedDevice(roles)
  const { rooms, more } = mainLinks(roles)
  const isCase = pathname.startsWith('/case/')
  const header = useRef<HTMLElement>(null)
  const strip = useRef<HTMLDivElement>(null)
  useStuckHeights(header, strip)
  const folded = isCase ? rooms : isNarrow ? rooms.slice(wordsOnPhone - 1) : []
  const card = isCase ? [{ to: `${pathname.split('/', 3).join('/')}/card`, label: 'Receiver’s card' }] : []
  return (
    <>
      <header
        ref={header}
        className={`flex items-stretch border-b border-line bg-sheet print:hidden ${isCase ? 'sticky top-0 z-30' : 'relative min-h-[56px] px-1.5 sm:pr-4 sm:pl-2'}`}
      >
        {isCase && isNarrow ? null : (
          <Link
            to="/"
            aria-label="Zesty Wren, to the Board"
            className="flex min-h-[44px] shrink-0 items-center gap-2 px-2 font-bold max-sm:px-1"
          >
            <Wren size={30} />
            {isCase ? null : <span className="pr-2 text-[1.02rem] max-xl:hidden">Zesty Wren</span>}
          </Link>
        )}
        {isCase ? (
          <div ref={onCaseSlot} className="flex min-h-[57px] min-w-0 flex-1 sm:min-h-[55px] low:min-h-[47px]" />
        ) : (
          <Rooms rooms={isNarrow ? rooms.slice(0, wordsOnPhone) : rooms} pathname={pathname}>
            {mayWork ? <NewCaseLink /> : null}
          </Rooms>
        )}
        <LateMenu look={faceLook} menu={<MainMenu folded={[...card, ...folded]} links={more} onHelp={onHelp} />}>
          <MenuFace />
        </LateMenu>
        {isNarrow ? null : (
          <LateMenu look={faceLook} menu={<LockMenu />}>
            <LockFace />
          </LateMenu>
        )}
        <SendingStripe />
      </header>
      <div ref={strip} data-sticks className={`sticky z-[29] low:static ${isCase ? 'top-(--stuck-header,0px) min-h-[40px]' : 'top-0'}`}>
        {isCase ? <div ref={onStripSlot} /> : <Strip />}
      </div>
    </>
  )
}

/** Tells what else sticks at the top of a page how high the header stands there, and how high it and the strip do: nothing lies behind them. */
function useStuckHeights(header: RefObject<HTMLElement | null>, strip: RefObject<HTMLElement | null>): void {
  useLayoutEffect(() => {
    const { style } = document.documentElement
    const heightPx = ({ current }: RefObject<HTMLElement | null>): number =>
      current && getComputedStyle(current).position === 'sticky' ? current.offsetHeight : 0
    const tell = (): void => {
      style.setProperty('--stuck-header', `${heightPx(header)}px`)
      style.setProperty('--stuck-row', `${heightPx(header) + heightPx(strip)}px`)
    }
    const watch = new ResizeObserver(tell)
    if (header.current) watch.observe(header.current)
    if (strip.current) watch.observe(strip.current)
    tell()
    return () => watch.disconnect()
  }, [header, strip])
}

function Rooms({ rooms, pathname, children }: { rooms: readonly MainLink[]; pathname: string; children: ReactNode }) {
  return (
    <nav aria-label="Main" className="flex min-h-[55px] min-w-0 flex-1 items-center">
      {rooms.map(({ to, label }) => (
        <Link
          key={to}
          to={to}
          aria-current={isIn(pathname, to) ? 'page' : undefined}
          className="group relative flex min-h-[55px] items-center rounded-xl px-3 font-semibold whitespace-nowrap max-lg:px-2 max-sm:px-1.5 max-sm:text-[0.9rem] max-[23rem]:nth-3:hidden aria-[current=page]:font-bold"
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
