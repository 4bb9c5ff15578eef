import { firstAction, isPressing } from '#core/model/standing'
import { useState } from 'react'
import { Dialog } from '../parts/dialog'
import { ToneShape, toneInk, toneWash } from '../parts/tone-shape'
import { toneOf } from '../parts/level-mark'
import type { OpenCase } from '../sync/case-store'
import { headlineItem } from '#core/standing/headline-item'
import { wordLine } from './senior-words'
import { StandingPanel } from './standing-panel'
import { useStanding } from './use-standing'

/**
 * What stands, on every stage: the worst in words, how many, and the way to all of it.
 * @param withoutPlan what the plan brings is said elsewhere on the page
 */
export function StandingChip({ open, withoutPlan = false }: { open: OpenCase; withoutPlan?: boolean }) {
  const standing = useStanding(open)
  const [isOpen, setOpen] = useState(false)
  const pressing = standing.items.filter((item) => isPressing(item) && !(withoutPlan && item.from === 'plan'))
  const isUrgent = standing.level === 'urgent'
  const worst = headlineItem(pressing.filter((item) => item.level === 'urgent')) ?? pressing[0]
  if (!worst) return null
  const word = standing.words.at(-1)
  const first = isUrgent ? firstAction(standing) : null
  const tone = toneOf(withoutPlan ? worst.level : standing.level)
  return (
    <>
      <button
        type="button"
        onClick={() => setOpen(true)}
        className={`order-last flex min-h-12 w-full min-w-0 py-1 leading-tight items-center gap-2 rounded-xl border-l-[10px] px-3 text-left font-bold ${toneInk[tone]} ${toneWash[tone]}`}
      >
        <ToneShape tone={tone} size={18} />
        <span className="min-w-0">
          <span className="line-clamp-2">
            {isUrgent || pressing.length === 1 ? worst.text : `${worst.text.replace(/\.$/, '')}, and ${pressing.length - 1} more`}
          </span>
          {worst.typed ? <span className="line-clamp-1 text-[1.02rem] break-words">“{worst.typed}”</span> : null}
          {first ? (
            <span className="line-clamp-2 text-[1.05rem] underline decoration-2 underline-offset-2">First: {first.text}</span>
          ) : null}
          {word ? <span className="line-clamp-2 text-[1.02rem]">{wordLine(word)}</span> : null}
        </span>
      </button>
      <Dialog title="What stands" isWide isOpen={isOpen} onClose={() => setOpen(false)}>
        <StandingPanel open={open} standing={standing} />
      </Dialog>
    </>
  )
}
