import { NavLink, useLocation, useNavigate } from 'react-router'
import { memo, useEffect, useRef } from 'react'
import { stages, type Stage } from '#contract/api/board'
import { stageOf } from '#ward/owed/case-progress'
import { Tape } from '../../parts/tape'
import { useKey } from '../../parts/use-key'
import type { OpenCase } from '../../sync/case-store'

export const stageNames: Record<Stage, string> = {
  'size-up': 'Size up',
  measure: 'Measure',
  choose: 'Choose',
  'make-ready': 'Make ready',
  apply: 'Apply',
  check: 'Check',
  watch: 'Watch',
}

/** Marks of the tape under each stage. */
const ticksAStage = 10

/** The path that every case walks: where it stands, and the way to any stage. */
export function PathRail({ open }: { open: OpenCase }) {
  return <Rail caseId={open.record.id} reached={stages.indexOf(stageOf(open.record, open.episode))} />
}

const Rail = memo(function Rail({ caseId, reached }: { caseId: string; reached: number }) {
  const navigate = useNavigate()
  const { pathname } = useLocation()
  const list = useRef<HTMLOListElement>(null)
  useKey(['1', '2', '3', '4', '5', '6', '7'], (event) => {
    const stage = stages[Number(event.key) - 1]
    if (stage) void navigate(`/case/${caseId}/${stage}`)
  })
  useEffect(() => {
    const current = list.current?.querySelector<HTMLElement>('[aria-current="page"]')
    const container = list.current
    if (current && container) container.scrollLeft = current.offsetLeft - container.clientWidth / 2 + current.clientWidth / 2
    // Only on arriving at a stage: measuring the rail with every recorded step would cost a layout each time.
  }, [pathname])
  return (
    <nav aria-label="Path of this case" className="relative border-b border-line bg-paper">
      <div className="absolute inset-x-0 bottom-0">
        <Tape share={(reached + 1) / stages.length} ticks={stages.length * ticksAStage} heightPx={6} />
      </div>
      <ol ref={list} className="relative mx-auto flex max-w-[92rem] overflow-x-auto px-4 max-lg:px-2 max-sm:px-1 [scrollbar-width:none]">
        {stages.map((stage, index) => (
          <li key={stage} className="flex-auto sm:flex-1">
            <NavLink
              to={`/case/${caseId}/${stage}`}
              className="group reach flex min-h-[39px] min-w-10 items-center gap-2 px-3 font-semibold whitespace-nowrap max-lg:gap-1 max-lg:px-2 max-sm:px-1 max-lg:text-[0.9rem] max-sm:justify-center aria-[current=page]:font-bold"
            >
              <span
                className={`grid size-6 shrink-0 place-items-center rounded-full border-[1.5px] text-sm ${index < reached ? 'border-ink bg-ink text-paper' : index === reached ? 'border-ink bg-citrus text-on-citrus' : 'border-soft text-soft'}`}
              >
                {index < reached ? '✓' : index + 1}
              </span>
              <span
                className={`max-sm:sr-only max-sm:group-aria-[current=page]:not-sr-only max-sm:group-aria-[current=page]:whitespace-nowrap ${index > reached ? 'text-soft' : ''}`}
              >
                {stageNames[stage]}
              </span>
              <span className="absolute inset-x-2 bottom-0 h-1 rounded-full group-aria-[current=page]:bg-ink" />
            </NavLink>
          </li>
        ))}
      </ol>
    </nav>
  )
})
