import { Link } from 'react-router'
import type { ShownTimer } from './timer-store'
import { Dialog } from '../parts/dialog'
import type { Saying } from './saying'
import { toneInk, toneWash } from '../parts/tone-shape'
import { ClockFace, HeardButton, clockTone, whoseClock } from './clock-face'
import { SayingLine } from './saying-line'

/** All that wants the strip below the header, or all clocks, each with what can be done about it. */
export function StripSheet({
  sayings,
  clocks,
  heldCase,
  nowMs,
  onClose,
}: {
  sayings: readonly Saying[]
  clocks: readonly ShownTimer[]
  heldCase: string | null
  nowMs: number
  onClose: () => void
}) {
  return (
    <Dialog title={sayings.length > 0 ? 'What is said now' : 'Clocks'} isOpen onClose={onClose}>
      <ul className="grid gap-2">
        {sayings.map((saying) => (
          <li
            key={saying.key}
            className={`flex min-h-12 items-stretch overflow-hidden rounded-xl border-[1.5px] font-bold ${toneInk[saying.tone]} ${toneWash[saying.tone]}`}
          >
            <SayingLine saying={saying.onOpen ? { ...saying, onOpen: closing(saying.onOpen, onClose) } : saying} />
          </li>
        ))}
        {clocks.map((clock) => (
          <li
            key={`${clock.caseId} ${clock.timer.id}`}
            className="flex min-h-12 items-stretch rounded-xl border-[1.5px] border-line bg-sheet"
          >
            <Link
              to={`/case/${clock.caseId}/apply`}
              onClick={onClose}
              className={`flex min-w-0 flex-1 items-center gap-2 px-3 font-semibold ${clockTone(clock, nowMs) === 'note' ? '' : toneInk[clockTone(clock, nowMs)]}`}
            >
              <ClockFace one={clock} nowMs={nowMs} whose={clock.caseId === heldCase ? 'This one' : whoseClock(clock)} />
            </Link>
            {clock.endsAt <= nowMs ? <HeardButton one={clock} /> : null}
          </li>
        ))}
      </ul>
    </Dialog>
  )
}

/** Opens all of it in place of this sheet. */
function closing(onOpen: () => void, onClose: () => void): () => void {
  return () => {
    onClose()
    onOpen()
  }
}
