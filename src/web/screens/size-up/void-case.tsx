import { useState } from 'react'
import { Button } from '../../parts/button'
import { ReasonSheet } from '../../case/run/reason-sheet'
import { writeEvent } from '../../sync/case-store'

/** The case was entered by mistake: off the Board with a reason, kept in the history. Only while nothing was put on. */
export function VoidCase({ caseId }: { caseId: string }) {
  const [isOpen, setOpen] = useState(false)
  return (
    <div>
      <Button look="quiet" onClick={() => setOpen(true)}>
        Entered by mistake
      </Button>
      {isOpen ? (
        <ReasonSheet
          title="Entered by mistake"
          draftKey={`case/${caseId}/voided`}
          submitLabel="Void the case"
          backLabel="Keep it"
          hint="It leaves the Board and stays in the history."
          onClose={() => setOpen(false)}
          onReason={(note) => {
            setOpen(false)
            void writeEvent('ended', { how: 'voided', note })
          }}
        />
      ) : null}
    </div>
  )
}
