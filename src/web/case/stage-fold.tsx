import { ChevronDown, IdCard, LayoutList } from 'lucide-react'
import { DropdownMenu } from 'radix-ui'
import type { ReactNode } from 'react'
import { Link, useLocation } from 'react-router'
import { stages } from '#contract/views/board'
import { stageOf } from '#contract/views/case-progress'
import type { OpenCase } from '../sync/case-store'
import { stageNames } from './path-rail'

/**
 * On a phone: the stage in hand, the way to the others and to the Board, and the lock.
 * @param lock its entries
 */
export function StageFold({ open, lock }: { open: OpenCase; lock: ReactNode }) {
  const { pathname } = useLocation()
  const reached = stages.indexOf(stageOf(open.record, open.episode))
  const here = stages.findIndex((stage) => pathname.endsWith(`/${stage}`))
  const shown = stages[here] ?? null
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger
        aria-label={shown ? `Stage ${here + 1} of ${stages.length}, ${stageNames[shown]}: others` : 'Stages'}
        className="flex min-h-12 shrink-0 items-center gap-0.5 rounded-xl border-[1.5px] border-line bg-paper px-1.5 text-[0.95rem] font-bold"
      >
        {shown ? `${here + 1} ${stageNames[shown]}` : 'Stages'}
        <ChevronDown size={17} aria-hidden />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="end"
          // Locked, the focus belongs to the lock.
          onCloseAutoFocus={(event) => event.preventDefault()}
          className="z-40 min-w-56 rounded-2xl border border-line bg-sheet p-1.5 shadow-lg"
        >
          <DropdownMenu.Item asChild>
            <Link to="/" className="flex min-h-12 items-center gap-3 rounded-xl px-3 font-semibold outline-none data-[highlighted]:bg-well">
              <LayoutList size={22} aria-hidden className="mx-0.5" />
              Board
            </Link>
          </DropdownMenu.Item>
          <DropdownMenu.Separator className="m-1.5 h-px bg-line" />
          {stages.map((stage, index) => (
            <DropdownMenu.Item key={stage} asChild>
              <Link
                to={`/case/${open.record.id}/${stage}`}
                aria-current={index === here ? 'page' : undefined}
                className="flex min-h-12 items-center gap-3 rounded-xl px-3 font-semibold outline-none data-[highlighted]:bg-well aria-[current=page]:font-bold"
              >
                <span
                  className={`grid size-7 place-items-center rounded-full border-[1.5px] text-sm ${index < reached ? 'border-ink bg-ink text-paper' : index === reached ? 'border-ink bg-citrus text-on-citrus' : 'border-soft text-soft'}`}
                >
                  {index < reached ? '✓' : index + 1}
                </span>
                {stageNames[stage]}
              </Link>
            </DropdownMenu.Item>
          ))}
          <DropdownMenu.Separator className="m-1.5 h-px bg-line" />
          <DropdownMenu.Item asChild>
            <Link
              to={`/case/${open.record.id}/card`}
              className="flex min-h-12 items-center gap-3 rounded-xl px-3 font-semibold outline-none data-[highlighted]:bg-well"
            >
              <IdCard size={22} aria-hidden className="mx-0.5" />
              Receiver’s card
            </Link>
          </DropdownMenu.Item>
          {lock}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  )
}
