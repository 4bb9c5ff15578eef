import { slipMs, verdictOf } from '#contract/records/side'
import { sideAnswerOf } from '#ward/case/side-state'
import { Button } from '../../parts/button'
import { writeEvent, type OpenCase } from '../../sync/case-store'
import { useNow } from '../../sync/use-now'

const found = { right: 'It is on the right one.', wrong: 'It is on the wrong one.', nowhere: 'Nothing is on yet.' } as const

/** For ten seconds what was just answered can be taken back: a slip of the thumb ends no run. */
export function SlipUndo({ open }: { open: OpenCase }) {
  const now = useNow(500)
  const answer = sideAnswerOf(open.record)
  const leftMs = answer ? Date.parse(answer.at) + slipMs - now : 0
  if (!answer || leftMs <= 0) return null
  return (
    <p role="status" className="flex flex-wrap items-center gap-3 rounded-2xl bg-well px-4 py-2 font-semibold">
      You said: {found[verdictOf(answer)]}
      <Button onClick={() => void writeEvent('side-answer-undone', {})}>Undo, {Math.ceil(leftMs / 1000)} s</Button>
    </p>
  )
}
