import { X } from 'lucide-react'
import { useLocation } from 'react-router'
import { stages, type Stage } from '#contract/api/board'
import { useDraft } from '../../sync/use-draft'
import { triedCaseKey } from '../plan/tried-case'

const hints: Readonly<Record<Stage, readonly [string, string, string]>> = {
  'size-up': [
    'Here it is said who it is, where it hurts and what happened: a left ankle is filled in.',
    'Answer what you know. Each answer counts at once; nothing needs saving.',
    'Measure, below, is the way on. You can come back at any time.',
  ],
  measure: [
    'The lit line on the drawing is the reading that is asked for now.',
    'Type it, or tap another line. 36 for the calf and 23 above the ankle will do.',
    'A figure that cannot be is asked about, never thrown away.',
  ],
  choose: [
    'What to put on is worked out already: type, layers, width, length.',
    'Tap a figure to see how it came about, and to say otherwise.',
    'What would harm this patient stands in red, with what to do instead.',
  ],
  'make-ready': [
    'Who helps, what to lay out, how warm the water is.',
    'Cut by the figures in the list, or print the template.',
    'Then begin: the steps come one at a time.',
  ],
  apply: [
    'One step at a time, in large words; Why is below each.',
    'Done is the lime one, or Space, or a pedal. Timers start by themselves.',
    'Something is wrong stays in reach: it says what to do first.',
  ],
  check: [
    'Look at both sides and tap what you see.',
    'A finding that cannot wait opens what to do about it.',
    'What you record here is what the next look is held against.',
  ],
  watch: [
    'Whoever comes next sees what stands, and when to look again.',
    'Rounds are asked of the bed, in one screen.',
    'The Board has all of them, the worst first.',
  ],
}

/** Three lines on what a stage is for, in the case that a newcomer tries; closed once, they are gone from all of it. */
export function FirstHint({ caseId }: { caseId: string }) {
  const { pathname } = useLocation()
  const [tried, setTried] = useDraft(triedCaseKey)
  const stage = stages.find((one) => pathname.endsWith(`/${one}`))
  if (tried !== caseId || !stage) return null
  return (
    <aside aria-label="What this stage is for" className="flex items-start gap-3 border-b border-line bg-well px-3 py-2 sm:pl-[46px]">
      <ul className="min-w-0 flex-1 text-[0.95rem]">
        {hints[stage].map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
      <button type="button" onClick={() => setTried('')} className="grid size-11 shrink-0 place-items-center rounded-xl">
        <X size={20} aria-hidden />
        <span className="sr-only">No more hints</span>
      </button>
    </aside>
  )
}
