import { useState } from 'react'
import { orderLines } from '#contract/views/order-lines'
import type { CaseRecord } from '#contract/records/case'
import { useDraft } from '../../sync/use-draft'
import { Button } from '../../parts/button'
import { Dialog } from '../../parts/dialog'
import { formatClock } from '../../parts/format-time'
import { TextField } from '../../parts/text-field'
import { writeEvent } from '../../sync/case-store'
import { missingIn } from '../../parts/required'

/** What has been ordered, each said back to who ordered it. */
export function OrdersPanel({ record }: { record: CaseRecord }) {
  const [asked, setAsked] = useState<string | null>(null)
  const lines = orderLines(record)
  if (lines.length === 0) return null
  return (
    <section aria-labelledby="orders" className="grid gap-2">
      <h2 id="orders" className="font-bold">
        Orders, said back
      </h2>
      <ul className="divide-y divide-line rounded-2xl border border-line bg-sheet">
        {lines.map((line) => {
          const heard = record.readBacks?.findLast((one) => one.what === line)
          return (
            <li key={line} className="flex min-h-14 flex-wrap items-center justify-between gap-3 px-4 py-1.5">
              <span className="min-w-0 font-semibold">
                {line}
                <span className={`block text-sm ${heard ? 'text-calm' : 'text-caution'}`}>
                  {heard ? `✓ said back to ${heard.orderedBy}, ${formatClock(heard.at)}` : '◇ not said back yet'}
                </span>
              </span>
              {heard ? null : (
                <Button aria-label={`Say back: ${line}`} onClick={() => setAsked(line)}>
                  Say back
                </Button>
              )}
            </li>
          )
        })}
      </ul>
      {asked ? <ReadBackSheet caseId={record.id} line={asked} onClose={() => setAsked(null)} /> : null}
    </section>
  )
}

function ReadBackSheet({ caseId, line, onClose }: { caseId: string; line: string; onClose: () => void }) {
  const [by, setBy] = useDraft(`case/${caseId}/ordered-by`)
  const [error, setError] = useState<string>()
  return (
    <Dialog title="Say the order back" isOpen onClose={onClose}>
      <p className="mb-4 text-[1.3rem] font-semibold">&ldquo;{line}. Is that right?&rdquo;</p>
      <form
        className="grid gap-4"
        onSubmit={(event) => {
          event.preventDefault()
          const missing = missingIn('read-back', { by })
          if (missing) return setError(missing)
          void writeEvent('read-back', { what: line, orderedBy: by.trim() })
          onClose()
        }}
      >
        <TextField label="Ordered by" value={by} maxLength={120} onChange={(event) => setBy(event.target.value)} error={error} autoFocus />
        <div className="flex flex-wrap gap-3">
          <Button type="submit" look="next">
            &ldquo;That is right&rdquo; was answered
          </Button>
          <Button onClick={onClose}>Not confirmed</Button>
        </div>
      </form>
    </Dialog>
  )
}
