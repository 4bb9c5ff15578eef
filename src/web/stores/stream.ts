import { create } from 'zustand'
import { paths } from '#contract/paths'
import { loadCase, useCaseStore } from './case-store'
import { flushOutbox } from './outbox'

/** Counts hints from the server, so that the Board knows when to look again. */
export const useHints = create<{ readonly count: number }>(() => ({ count: 0 }))

/** Listens for hints of changes made elsewhere; returns how to stop. */
export function startStream(): () => void {
  const source = new EventSource(paths.stream)
  source.onmessage = ({ data }: MessageEvent<string>) => {
    const { stream, version } = JSON.parse(data) as { stream: { id: string }; version: number }
    useHints.setState((state) => ({ count: state.count + 1 }))
    void refresh(stream.id, version)
  }
  const online = (): void => void flushOutbox()
  window.addEventListener('online', online)
  return () => {
    source.close()
    window.removeEventListener('online', online)
  }
}

async function refresh(streamId: string, version: number): Promise<void> {
  const { caseId, episodeId, base } = useCaseStore.getState()
  const known = streamId === caseId ? base?.version : streamId === episodeId ? base?.episodeVersion : undefined
  if (known === undefined || known >= version || !caseId) return
  await loadCase(caseId)
}
