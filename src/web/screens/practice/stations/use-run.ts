import { useEffect, useMemo, useState } from 'react'
import { lastOf, runOf, type MarkBody, type MarkedRun } from '#core/practice/stations/marks'
import { addMark, readRun, usePracticeRuns, type KeptRun } from '../../../sync/practice-runs'

export interface RunControl {
  readonly run: KeptRun
  readonly marked: MarkedRun
  /** Marks that the server has yet to get. */
  readonly unsent: number
  /** Why the server does not want it, in words. */
  readonly refusal: string | null
  readonly add: (what: MarkBody) => void
  /** Takes the last tick back. */
  readonly undo: () => void
  /** Marks a critical error, or takes its mark back. */
  readonly toggleCritical: (error: Extract<MarkBody, { kind: 'critical' }>['error']) => void
}

/** A run that this device keeps; null for none, undefined until it is known. */
export function useRun(id: string | null): RunControl | null | undefined {
  const run = usePracticeRuns((store) => (id === null ? undefined : store.runs[id]))
  const refusal = usePracticeRuns((store) => (id === null ? undefined : store.refusals[id]))
  const [readId, setReadId] = useState<string | null>(null)
  useEffect(() => {
    if (id === null) return
    let isCurrent = true
    void readRun(id).finally(() => {
      if (isCurrent) setReadId(id)
    })
    return () => {
      isCurrent = false
    }
  }, [id])
  return useMemo(() => {
    if (id === null) return null
    if (!run) return readId === id ? null : undefined
    return {
      run,
      marked: runOf(run.marks),
      unsent: run.marks.length - (run.sent?.length ?? 0),
      refusal: refusal ?? null,
      add(what) {
        // A press that bounces comes before the page has shown the first: what is kept says whether it is ticked.
        const marks = usePracticeRuns.getState().runs[id]?.marks ?? run.marks
        const isTicked = what.kind === 'tick' && runOf(marks).ticks.some((tick) => tick.stepId === what.stepId)
        if (!isTicked) addMark(id, what)
      },
      undo() {
        const last = lastOf(run.marks, 'tick')
        if (last) addMark(id, { kind: 'undo', of: last.id })
      },
      toggleCritical(error) {
        const marked = run.marks.filter((mark) => mark.what.kind === 'critical' && mark.what.error === error)
        const undone = new Set(run.marks.flatMap(({ what }) => (what.kind === 'undo' ? [what.of] : [])))
        const standing = marked.find((mark) => !undone.has(mark.id))
        addMark(id, standing ? { kind: 'undo', of: standing.id } : { kind: 'critical', error })
      },
    }
  }, [id, readId, refusal, run])
}
