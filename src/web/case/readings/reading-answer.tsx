import { useState } from 'react'
import { Button } from '../../parts/button'
import { writeEvent } from '../../sync/case-store'
import { ReasonSheet } from '../run/reason-sheet'

/** What is done about a reading that stands: changed on the device, so that the next reading is a new occasion, or kept for a reason. */
export function ReadingAnswer({ caseId, id, text }: { caseId: string; id: string; text: string }) {
  const [isKeeping, setKeeping] = useState(false)
  return (
    <div className="mt-1 flex flex-wrap gap-2">
      {(['re-seated', 'trimmed', 'opened'] as const).map((what) => (
        <Button key={what} aria-label={`${what}: ${text}`} onClick={() => void writeEvent('after-change', { what })}>
          {what.charAt(0).toUpperCase() + what.slice(1)}
        </Button>
      ))}
      <Button look="quiet" onClick={() => setKeeping(true)}>
        Keep as it is
      </Button>
      {isKeeping ? (
        <ReasonSheet
          title={`Keep as it is: ${text}`}
          draftKey={`case/${caseId}/keep/${id}`}
          submitLabel="Keep it"
          backLabel="Back"
          hint="It goes on standing until a later reading ends it."
          onClose={() => setKeeping(false)}
          onReason={(reason) => {
            setKeeping(false)
            void writeEvent('note', { text: `Kept as it is: ${text} ${reason}`.slice(0, 1800) })
          }}
        />
      ) : null}
    </div>
  )
}
