import { once } from 'node:events'
import { WebSocket } from 'ws'

type Answer = Readonly<Record<string, unknown>>

/** The browser's own debugging line, beside the driver's: a question to a page costs a third over it. */
export interface DevTools {
  /** A command to the browser itself, or to one of its pages by its session. */
  send(method: string, parameters?: object, session?: string): Promise<Answer>
  close(): Promise<void>
}

interface Message {
  readonly id?: number
  readonly method?: string
  readonly sessionId?: string
  readonly params?: { readonly sessionId?: string }
  readonly result?: Answer
  readonly error?: { readonly message: string }
}

interface Waiting {
  readonly session: string | undefined
  readonly resolve: (answer: Answer) => void
  readonly reject: (error: Error) => void
}

/** A page that was left in the middle of a question does not always answer. */
const patienceMs = 30_000

/** Opens the line to the browser that listens at `debuggerAddress`. */
export async function openDevTools(debuggerAddress: string): Promise<DevTools> {
  const version = (await (await fetch(`http://${debuggerAddress}/json/version`)).json()) as { webSocketDebuggerUrl: string }
  const socket = new WebSocket(version.webSocketDebuggerUrl)
  await once(socket, 'open')
  const waiting = new Map<number, Waiting>()
  let asked = 0
  const giveUp = (why: string, isMeant: (one: Waiting) => boolean): void => {
    for (const [id, one] of waiting) {
      if (!isMeant(one)) continue
      waiting.delete(id)
      one.reject(new Error(why))
    }
  }
  socket.on('message', (data: WebSocket.RawData) => {
    const { id, method, sessionId, params, result, error } = JSON.parse(String(data)) as Message
    if (method === 'Target.detachedFromTarget' || method === 'Inspector.targetCrashed') {
      const gone = params?.sessionId ?? sessionId
      return giveUp('the page is gone', (one) => gone !== undefined && one.session === gone)
    }
    const one = id === undefined ? undefined : waiting.get(id)
    if (id === undefined || !one) return
    waiting.delete(id)
    if (result) one.resolve(result)
    else one.reject(new Error(error?.message ?? 'no answer'))
  })
  socket.on('close', () => giveUp('the browser is gone', () => true))
  return {
    send: (method, params = {}, session) =>
      new Promise((resolve, reject) => {
        const id = ++asked
        const timer = setTimeout(() => giveUp(`${method}: no answer`, (one) => one === mine), patienceMs)
        const settled =
          <T>(settle: (value: T) => void) =>
          (value: T): void => {
            clearTimeout(timer)
            settle(value)
          }
        const mine: Waiting = { session, resolve: settled(resolve), reject: settled(reject) }
        waiting.set(id, mine)
        socket.send(JSON.stringify({ id, method, params, ...(session === undefined ? {} : { sessionId: session }) }))
      }),
    async close() {
      if (socket.readyState === WebSocket.CLOSED) return
      socket.close()
      await once(socket, 'close')
    },
  }
}
