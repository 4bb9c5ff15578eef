import { useDraft } from '../../../sync/use-draft'

/** Notes for the debrief, kept on this device. */
export function DebriefNotes({ run }: { run: string }) {
  const [notes, write] = useDraft(`practice/notes/${run}`)
  return (
    <label className="grid gap-1.5">
      <span className="font-bold">Notes for the debrief, kept on this device</span>
      <textarea value={notes} maxLength={2000} rows={3} onChange={(event) => write(event.target.value)} className="field-box h-auto py-2" />
    </label>
  )
}
