import { useId, useState } from 'react'
import { paths } from '#contract/api/paths'
import { stockColumns, type StockPlace } from '#contract/records/store'
import { Dialog } from '../../parts/dialog'
import { Notice } from '../../parts/notice'
import { sendBytes } from '../../sync/api'
import { describeFailure, loadPlace } from '../../sync/stock-store'

const mostBytes = 8 * 1024 * 1024

type Outcome =
  | { readonly kind: 'busy' }
  | { readonly kind: 'done'; readonly rows: number }
  | { readonly kind: 'failed'; readonly lines: readonly string[] }

/** Sets the counts of a place from a file; bad rows are shown by line, and then nothing is taken. */
export function CsvImport({ place, onClose }: { place: StockPlace; onClose: () => void }) {
  const id = useId()
  const [outcome, setOutcome] = useState<Outcome | null>(null)
  const send = async (file: File): Promise<void> => {
    if (file.size > mostBytes)
      return setOutcome({ kind: 'failed', lines: [`${file.name} is larger than 8 MB: split it into smaller files.`] })
    setOutcome({ kind: 'busy' })
    const result = await sendBytes<{ rows: number }>(paths.placeCsv(place.id), await file.text(), 'text/csv')
    if (result.kind === 'ok') {
      setOutcome({ kind: 'done', rows: result.value.rows })
      await loadPlace(place.id)
    } else {
      const errors = result.kind === 'refused' ? (result.problem.errors ?? []).map((error) => error.message) : []
      setOutcome({ kind: 'failed', lines: errors.length > 0 ? errors : [describeFailure(result) ?? ''] })
    }
  }
  return (
    <Dialog title={`Import into ${place.name}`} isOpen onClose={onClose}>
      <div className="grid gap-4">
        <p>
          Columns <code>{stockColumns.join(', ')}</code>, one row for each lot; comma, semicolon or tab. An export has the right form. Lots
          in the file get the counts of the file; others stay as they are.
        </p>
        <div>
          <label htmlFor={id} className="mb-1.5 block text-sm font-semibold text-soft">
            CSV file
          </label>
          <input
            id={id}
            type="file"
            accept=".csv,text/csv,text/plain"
            className="field-box py-2"
            onChange={(event) => {
              const [file] = event.target.files ?? []
              if (file) void send(file)
              event.target.value = ''
            }}
          />
        </div>
        {outcome?.kind === 'busy' ? <p role="status">Reading every row…</p> : null}
        {outcome?.kind === 'done' ? (
          <Notice tone="calm" lead={`${outcome.rows} ${outcome.rows === 1 ? 'row' : 'rows'} taken`} role="status" />
        ) : null}
        {outcome?.kind === 'failed' ? (
          <Notice tone="stop" lead="Nothing was imported" role="alert">
            <ul className="mt-1 grid gap-1">
              {outcome.lines.map((line) => (
                <li key={line}>{line}</li>
              ))}
            </ul>
          </Notice>
        ) : null}
      </div>
    </Dialog>
  )
}
