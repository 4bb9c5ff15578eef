import { useState } from 'react'
import { useLocation } from 'react-router'
import { firstAction, isPressing } from '#core/model/standing'
import { headlineItem } from '#core/standing/headline-item'
import { Dialog } from '../../parts/dialog'
import { toneOf } from '../../parts/level-mark'
import type { Saying } from '../../strip/saying'
import { Strip } from '../../strip/strip'
import type { OpenCase } from '../../sync/case-store'
import { wordLine } from '../standing/senior-words'
import { StandingPanel } from '../standing/standing-panel'
import { useStanding } from '../standing/use-standing'

/** The strip on the stages of a case: what stands about it, unless the stage begins with that. */
export function CaseStrip({ open }: { open: OpenCase }) {
  const standing = useStanding(open)
  const { pathname } = useLocation()
  const [isOpen, setOpen] = useState(false)
  const { record } = open
  const isUnworked = record.appliedAt === null && record.runs.length === 0
  // While it is sized up the line beside Measure says what the plan brings, and Choose begins with what it warns of.
  const isPlanBelow = (isUnworked && pathname.endsWith('/size-up')) || pathname.endsWith('/choose')
  // Watch begins with all that stands.
  const isSaidBelow = pathname.endsWith('/watch') && record.appliedAt !== null
  const pressing = isSaidBelow ? [] : standing.items.filter((item) => isPressing(item) && !(isPlanBelow && item.from === 'plan'))
  const isUrgent = standing.level === 'urgent'
  const worst = headlineItem(pressing.filter((item) => item.level === 'urgent')) ?? pressing[0]
  const sayings: readonly Saying[] = worst
    ? [
        {
          key: 'standing',
          rank: isUrgent ? 'urgent' : 'review',
          tone: toneOf(isPlanBelow ? worst.level : standing.level),
          onOpen: () => setOpen(true),
          words: isUrgent ? (
            <UrgentWords
              text={worst.text}
              typed={worst.typed ?? null}
              first={firstAction(standing)?.text ?? null}
              senior={standing.words.at(-1) ?? null}
            />
          ) : pressing.length === 1 ? (
            worst.text
          ) : (
            `${worst.text.replace(/\.$/, '')}, and ${pressing.length - 1} more`
          ),
        },
      ]
    : []
  return (
    <>
      <Strip ofCase={sayings} isKept />
      <Dialog title="What stands" isWide isOpen={isOpen} onClose={() => setOpen(false)}>
        <StandingPanel open={open} standing={standing} />
      </Dialog>
    </>
  )
}

/** What is urgent, what to do first, and what a senior said of it. */
function UrgentWords({
  text,
  typed,
  first,
  senior,
}: {
  text: string
  typed: string | null
  first: string | null
  senior: Parameters<typeof wordLine>[0] | null
}) {
  return (
    <>
      {text}
      {typed ? <span className="wrap-anywhere"> “{typed}”</span> : null}
      {first ? (
        <>
          {' '}
          <span className="underline decoration-2 underline-offset-2">First: {first}</span>
        </>
      ) : null}
      {senior ? <span className="font-semibold text-ink"> {wordLine(senior)}</span> : null}
    </>
  )
}
