import { paths } from '#contract/api/paths'
import { rereadAnswers } from './answers'
import { loadCase, useCaseStore } from './case-store'
import { flushOutbox, useOutbox } from './outbox'
import { useSession } from './session-store'

const againMs = 3_000
/** Hints that come within so long are answered by one look; spread, so that a ward's tablets do not all ask at once. */
const gatherMs = { least: 40, spread: 160 }
let gathering: ReturnType<typeof setTimeout> | undefined

function noteHint(): void {
  gathering ??= setTimeout(
    () => {
      gathering = undefined
      rereadAnswers()
    },
    gatherMs.least + Math.random() * gatherMs.spread,
  )
}

/** Listens for hints of changes made elsewhere, from where the last connection ended; returns how to stop. */
export function startStream(): () => void {
  let source: EventSource | null = null
  let cursor = ''
  let timer: ReturnType<typeof setTimeout> | undefined
  let isFirst = true

  const connect = (): void => {
    clearTimeout(timer)
    const opened = new EventSource(cursor === '' ? paths.stream : `${paths.stream}?since=${cursor}`)
    source = opened
    const heard = (event: MessageEvent<string>): void => {
      if (event.lastEventId) cursor = event.lastEventId
      useOutbox.setState({ isServerTroubled: event.type === 'trouble' })
    }
    opened.onmessage = (event: MessageEvent<string>) => {
      heard(event)
      const { stream, version } = JSON.parse(event.data) as { stream: { id: string }; version: number }
      noteHint()
      void refresh(stream.id, version)
    }
    opened.addEventListener('beat', heard)
    opened.addEventListener('trouble', heard)
    opened.addEventListener('pager', (event) => {
      heard(event)
      noteHint()
    })
    opened.addEventListener('reread', (event) => {
      heard(event)
      rereadOpen()
    })
    opened.addEventListener('ready', (event) => {
      heard(event)
      // What was missed while the line was away is read now, and what waited goes.
      if (!isFirst) {
        rereadOpen()
        flushOutbox()
      }
      isFirst = false
    })
    opened.addEventListener('over', () => {
      opened.close()
      // The session that it was opened under: there may be a newer one, and where there is none, that is said.
      void useSession
        .getState()
        .load()
        .then(() => {
          if (source === opened) timer = setTimeout(connect, againMs)
        })
    })
    opened.onerror = () => {
      // What was read before this connection stands may be older than what it will tell: a page that began without a line reads it again.
      isFirst = false
      // The browser tries again by itself after a broken line, but not after an answer that was no stream.
      if (opened.readyState === EventSource.CLOSED && source === opened) timer = setTimeout(connect, againMs)
    }
  }
  const online = (): void => flushOutbox()
  window.addEventListener('online', online)
  connect()
  return () => {
    clearTimeout(timer)
    source?.close()
    source = null
    window.removeEventListener('online', online)
  }
}

/** Reads again what is in sight. */
function rereadOpen(): void {
  noteHint()
  const { caseId } = useCaseStore.getState()
  if (caseId) void loadCase(caseId)
}

async function refresh(streamId: string, version: number): Promise<void> {
  const { caseId, episodeId, base } = useCaseStore.getState()
  const known = streamId === caseId ? base?.version : streamId === episodeId ? base?.episodeVersion : undefined
  if (known === undefined || known >= version || !caseId) return
  await loadCase(caseId)
}
