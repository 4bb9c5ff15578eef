import { useState } from 'react'
import { useDraft } from '../../sync/use-draft'
import { Button } from '../../parts/button'
import { TextField } from '../../parts/text-field'
import { writeEvent } from '../../sync/case-store'
import { missingIn } from '../../parts/required'

/** A line with its time, from whoever has a hand free. */
export function ScribeNote({ caseId }: { caseId: string }) {
  const [text, setText] = useDraft(`case/${caseId}/scribe`)
  const [error, setError] = useState<string>()
  return (
    <form
      aria-label="Note with its time"
      className="flex flex-wrap items-end gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        const missing = missingIn('note', { text })
        if (missing) return setError(missing)
        setError(undefined)
        void writeEvent('note', { text: text.trim() })
        setText('')
      }}
    >
      <TextField
        label="Note, kept with the time"
        className="min-w-56 flex-1"
        value={text}
        maxLength={2000}
        onChange={(event) => setText(event.target.value)}
        error={error}
      />
      <Button type="submit">Keep the note</Button>
    </form>
  )
}
