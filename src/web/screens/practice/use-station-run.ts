import { useCallback, useMemo } from 'react'
import { toTenth, type StationRun } from '#core/practice/stations/station'
import { serverNow } from '../../sync/server-clock'
import { useDraft } from '../../sync/use-draft'

/** A run as it is kept on the device while it goes on: nothing of it is sent. */
interface KeptRun extends StationRun {
  /** ms since the epoch; null before it begins. */
  readonly startedAt: number | null
  /** Indices of the questions that were asked, in their order. */
  readonly asked: readonly number[]
  readonly notes: string
}

const fresh: KeptRun = { startedAt: null, asked: [], notes: '', ticks: [], criticals: [], answers: [], endedMs: null }

export interface StationControl {
  readonly run: KeptRun
  readonly isRead: boolean
  readonly begin: () => void
  readonly tick: (stepId: string) => void
  readonly undo: () => void
  readonly ask: (index: number) => void
  readonly answer: (decision: string, given: string) => void
  readonly end: (criticals: (run: StationRun) => StationRun['criticals']) => void
  readonly note: (notes: string) => void
  readonly again: () => void
}

/** A station that is run alone: kept on the device at every tap, so that a closed tab loses nothing. */
export function useStationRun(stationId: string): StationControl {
  const [text, write, isRead] = useDraft(`practice/station/${stationId}`)
  const run = useMemo(() => readRun(text), [text])
  const put = useCallback((change: Partial<KeptRun>) => write(JSON.stringify({ ...readRun(text), ...change })), [text, write])
  const nowMs = (): number => (run.startedAt === null ? 0 : toTenth(serverNow() - run.startedAt))
  return {
    run,
    isRead,
    begin: () => put({ ...fresh, startedAt: serverNow() }),
    tick: (stepId) => put({ ticks: [...run.ticks, { stepId, atMs: nowMs() }] }),
    undo: () => put({ ticks: run.ticks.slice(0, -1) }),
    ask: (index) => put({ asked: [...run.asked.filter((one) => one !== index), index] }),
    answer: (decision, given) => put({ answers: [...run.answers.filter((one) => one.decision !== decision), { decision, given }] }),
    end: (criticals) => {
      const ended = { ...run, endedMs: nowMs() }
      put({ endedMs: ended.endedMs, criticals: criticals(ended) })
    },
    note: (notes) => put({ notes }),
    again: () => put(fresh),
  }
}

function readRun(text: string): KeptRun {
  if (text === '') return fresh
  try {
    return { ...fresh, ...(JSON.parse(text) as Partial<KeptRun>) }
  } catch {
    return fresh
  }
}
