import { useEffect, useState } from 'react'
import type { BoardRow } from '#contract/api/board'
import { CaseRound } from '../../case/run/case-round'
import { PatientHead } from '../../case/frame/patient-head'
import { SayWhyForm } from '../../case/run/say-why-form'
import { useStanding } from '../../case/standing/use-standing'
import { Button, ButtonLink } from '../../parts/button'
import { Dialog } from '../../parts/dialog'
import { Notice } from '../../parts/notice'
import { SheetHead } from '../../parts/sheet-host'
import { roundTitle } from '../../round/round-title'
import { LoadingTape } from '../../parts/tape'
import { loadCase, useCase, useCaseStore, writeEvent, type OpenCase } from '../../sync/case-store'

/** The round of one bed, and what comes of it: on to the next bed, or to what is urgent here. */
export function BedRound({ row, onDone, onClose }: { row: BoardRow; onDone: () => void; onClose: () => void }) {
  const { caseId, status, asked } = useCaseStore()
  const open = useCase()
  useEffect(() => void loadCase(row.caseId), [row.caseId])
  if (open && caseId === row.caseId && status !== 'say-why') return <OpenRound open={open} onDone={onDone} onClose={onClose} />
  return (
    <Dialog title={`${row.patient}, ${row.place}`} isOpen onClose={onClose}>
      {asked ? (
        <SayWhyForm caseId={row.caseId} words={asked.words} />
      ) : status === 'offline' || status === 'missing' ? (
        <Notice tone="caution" lead="This device has not seen the case before, and there is no connection" />
      ) : (
        <LoadingTape words="Opening the case…" />
      )}
    </Dialog>
  )
}

function OpenRound({ open, onDone, onClose }: { open: OpenCase; onDone: () => void; onClose: () => void }) {
  const { record, episode } = open
  const [isJudged, setJudged] = useState(false)
  const injury = episode.injuries[record.injuryId]
  if (!injury || isJudged) return <Verdict open={open} onClose={onClose} />
  return (
    <SheetHead value={<PatientHead open={open} />}>
      <Dialog title={roundTitle('Round', episode, injury)} isSaidAbove isWhole isOpen onClose={onClose}>
        <CaseRound
          open={open}
          isBaseline={false}
          draftKey={`case/${record.id}/round`}
          submitLabel="Judge this round"
          onSubmit={(body, minutesAgo) => {
            setJudged(true)
            onDone()
            void writeEvent('round', body, minutesAgo)
          }}
        />
      </Dialog>
    </SheetHead>
  )
}

function Verdict({ open, onClose }: { open: OpenCase; onClose: () => void }) {
  const { record, episode } = open
  const standing = useStanding(open)
  const isPressing = standing.level === 'urgent' || standing.level === 'stop' || standing.level === 'review'
  return (
    <Dialog title={roundTitle('Judged', episode, episode.injuries[record.injuryId])} isOpen onClose={onClose}>
      <div className="grid gap-4">
        <Notice tone={isPressing ? 'stop' : 'note'} lead={standing.headline} role={isPressing ? 'alert' : 'status'}>
          {isPressing ? standing.items.slice(0, 3).map((item) => <p key={item.id}>{item.text}</p>) : null}
        </Notice>
        <div className="flex flex-wrap gap-3">
          {isPressing ? (
            <ButtonLink look="next" to={`/case/${record.id}/watch`}>
              What to do
            </ButtonLink>
          ) : null}
          <Button look={isPressing ? 'plain' : 'next'} onClick={onClose}>
            Next bed
          </Button>
        </div>
      </div>
    </Dialog>
  )
}
