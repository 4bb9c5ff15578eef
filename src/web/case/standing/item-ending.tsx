import { useState } from 'react'
import type { StandingItem } from '#core/model/standing'
import { Button, ButtonLink } from '../../parts/button'
import { writeEvent, type OpenCase } from '../../sync/case-store'
import { ReadingAnswer } from '../readings/reading-answer'
import { roundWork, workDoor } from '../frame/work-door'
import { ReasonSheet } from '../run/reason-sheet'

/** What a person can say about one item: that a trouble is over, or what was done about a reading. */
export function ItemEnding({ open, item }: { open: OpenCase; item: StandingItem }) {
  const [isAsked, setAsked] = useState(false)
  const close = (): void => setAsked(false)
  if (item.isEndedByWord) {
    return (
      <>
        <Button className="mt-1" onClick={() => setAsked(true)}>
          It is over
        </Button>
        {isAsked ? (
          <ReasonSheet
            title={`Over: ${item.text}`}
            draftKey={`case/${open.record.id}/${item.id}`}
            submitLabel="It is over"
            backLabel="It is not over"
            hint="What became of it."
            onClose={close}
            onReason={(word) => {
              close()
              void writeEvent('trouble-ended', { troubleEvent: item.id.replace('trouble/', ''), word })
            }}
          />
        ) : null}
      </>
    )
  }
  if (item.from === 'task' && item.level === 'owed') {
    const workId = item.id.replace('task/', '')
    return (
      <ButtonLink
        className="mt-1"
        to={workDoor(open.record.id, workId)}
        label={`${workId === roundWork ? 'Do the round' : 'Do it'}: ${item.text}`}
      >
        {workId === roundWork ? 'Do the round' : 'Do it'}
      </ButtonLink>
    )
  }
  if (item.from === 'reading') return <ReadingAnswer caseId={open.record.id} id={item.id} text={item.text} />
  return null
}
