import { useState } from 'react'
import type { EpisodeRecord } from '#contract/records/episode'
import { hasRight } from '#contract/rights'
import { ReasonSheet } from '../../case/run/reason-sheet'
import { Button } from '../../parts/button'
import { formatDayAndClock } from '../../parts/format-time'
import { writeEvent } from '../../sync/case-store'
import { usePerson } from '../../sync/session-store'
import { MergeSheet } from './merge-sheet'

/** What was merged into this stay, and for leads the way to merge and to undo it. */
export function MergeLine({ episode }: { episode: EpisodeRecord }) {
  const mayMerge = hasRight(usePerson().roles, 'move')
  const [sheet, setSheet] = useState<'merge' | 'undo' | null>(null)
  const last = episode.merges?.findLast((merge) => !merge.undone)
  if (!mayMerge && !last) return null
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
      {last ? (
        <p className="text-soft">
          Was {last.before.patient.name || 'unnamed'} until {formatDayAndClock(Date.parse(last.at))}: merged by {last.by}, {last.reason}
        </p>
      ) : null}
      {mayMerge ? (
        <>
          {last ? <Button onClick={() => setSheet('undo')}>Undo the merge</Button> : null}
          <Button look="quiet" onClick={() => setSheet('merge')}>
            The same patient as another record
          </Button>
        </>
      ) : null}
      {sheet === 'merge' ? <MergeSheet episode={episode} onClose={() => setSheet(null)} /> : null}
      {sheet === 'undo' ? (
        <ReasonSheet
          title="Undo the merge"
          draftKey={`episode/${episode.id}/unmerge`}
          submitLabel="Undo it"
          backLabel="Leave it merged"
          onClose={() => setSheet(null)}
          onReason={(reason) => {
            setSheet(null)
            void writeEvent('unmerged', { reason })
          }}
        />
      ) : null}
    </div>
  )
}
