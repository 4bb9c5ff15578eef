import { useEffect, useState } from 'react'
import { patientLabel, type EpisodeRecord } from '#contract/records/episode'
import type { BoardRow } from '#contract/api/board'
import { formatDay } from '../../parts/format-time'
import { Notice } from '../../parts/notice'
import { TextField } from '../../parts/text-field'
import { askHistory, type HistoryPage } from '../../sync/ask-history'
import { writeEvent } from '../../sync/case-store'
import { SheetForm } from '../../parts/sheet-form'
import { missingIn } from '../../parts/required'

const typingMs = 250

/** Finds the record that is of the same patient, and makes this stay theirs: with a reason, and to be undone. */
export function MergeSheet({ episode, onClose }: { episode: EpisodeRecord; onClose: () => void }) {
  const [typed, setTyped] = useState('')
  const [rows, setRows] = useState<readonly BoardRow[]>([])
  const [chosen, setChosen] = useState<BoardRow | null>(null)
  const [reason, setReason] = useState('')
  const [error, setError] = useState<string>()
  useEffect(() => {
    if (typed.trim().length < 2) return setRows([])
    let isCurrent = true
    const show = (page: HistoryPage): boolean => {
      if (!isCurrent) return true
      if (page.status === 'found') setRows(onePerStay(page.rows.filter((row) => row.episodeId !== episode.id)))
      else setError(page.why)
      return false
    }
    const timer = setTimeout(() => void askHistory(typed.trim(), null, show).then(show), typingMs)
    return () => {
      isCurrent = false
      clearTimeout(timer)
    }
  }, [typed, episode.id])
  const merge = (): void => {
    const missing = missingIn('merge', { other: chosen?.episodeId ?? null, why: reason })
    if (missing || !chosen) return setError(missing ?? undefined)
    void writeEvent('merged', { withEpisode: chosen.episodeId, reason: reason.trim() })
    onClose()
  }
  return (
    <SheetForm
      title="The same patient as another record"
      error={error}
      sendLabel="Merge"
      backLabel="Leave as they are"
      onSend={merge}
      onClose={onClose}
    >
      <TextField
        label="Find the other record"
        type="search"
        value={typed}
        maxLength={120}
        hint="Name, number or date of birth."
        onChange={(event) => setTyped(event.target.value)}
        autoFocus
      />
      <ul aria-label="Records found" className="grid gap-1.5">
        {rows.slice(0, 8).map((row) => (
          <li key={row.episodeId}>
            <button
              type="button"
              aria-pressed={chosen?.episodeId === row.episodeId}
              onClick={() => setChosen(row)}
              className="min-h-12 w-full rounded-xl border-[1.5px] border-line bg-sheet px-3.5 py-1.5 text-left aria-pressed:border-ink aria-pressed:bg-ink aria-pressed:text-paper"
            >
              <strong>{row.patient}</strong> {row.number}, {row.place}, {formatDay(Date.parse(row.openedAt))}
            </button>
          </li>
        ))}
      </ul>
      {chosen ? (
        <Notice tone="caution" lead={`${patientLabel(episode)} becomes ${chosen.patient}`}>
          Name, number, birth, height and weight are taken from that record where it knows them. Readings, rounds and devices of both stay
          as they are.
        </Notice>
      ) : null}
      <TextField label="Reason" value={reason} maxLength={300} onChange={(event) => setReason(event.target.value)} />
    </SheetForm>
  )
}

function onePerStay(rows: readonly BoardRow[]): readonly BoardRow[] {
  return [...new Map(rows.map((row) => [row.episodeId, row])).values()]
}
