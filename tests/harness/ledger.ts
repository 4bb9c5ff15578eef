import { v7 as uuidv7 } from 'uuid'
import type { EventInput } from '#contract/event'
import { openClient, openCase, type Client, type OpenedCase } from './server-harness'

/** Writers that go on through every fault, as a device's outbox does: each entry is sent under its id until it is answered. */
export interface Ledger {
  /** Ids of what was acknowledged. */
  readonly acknowledged: ReadonlySet<string>
  /** Everything that was ever sent, in the order in which each writer made it. */
  readonly sent: readonly EventInput[]
  readonly cases: readonly OpenedCase[]
  /** What each request got that came to nothing and was sent again: a status, or what broke. */
  faults(): readonly string[]
  /** The longest time in which nothing was acknowledged, ms. */
  longestPauseMs(): number
  /** Begins to measure that anew. */
  measureAnew(): void
  /** Lets every writer finish what it holds, and none begin anything more. */
  finish(): Promise<void>
}

const againMs = 30

/**
 * Starts writers, each on a case of its own and all of them on the first.
 * @param address of the server, or of what lies between
 */
export async function startLedger(
  address: string,
  signIn: { name: string; password: string; id: string },
  writers: number,
): Promise<Ledger> {
  const client = await openClient(address, signIn.id, signIn.name, signIn.password)
  const cases: OpenedCase[] = []
  for (let made = 0; made < writers; made++) cases.push(await openCase(client))
  const acknowledged = new Set<string>()
  const sent: EventInput[] = []
  let isOver = false
  const faults: string[] = []
  let takenAt = performance.now()
  let longestPauseMs = 0

  const write = async (writer: number): Promise<void> => {
    for (let count = 0; !isOver; count++) {
      const stream = (count % 3 === 0 ? cases[0] : cases[writer])!.caseStream
      const event: EventInput = {
        id: uuidv7(),
        stream,
        kind: 'note',
        v: 1,
        body: { text: `writer ${writer}, entry ${count}` },
        at: new Date().toISOString(),
        offsetMs: 0,
      }
      sent.push(event)
      await sendUntilTaken(client, event, (what) => faults.push(what))
      acknowledged.add(event.id)
      const now = performance.now()
      longestPauseMs = Math.max(longestPauseMs, now - takenAt)
      takenAt = now
    }
  }
  const running = Array.from({ length: writers }, (_, writer) => write(writer))
  return {
    acknowledged,
    sent,
    cases,
    faults: () => faults,
    longestPauseMs: () => longestPauseMs,
    measureAnew() {
      longestPauseMs = 0
      takenAt = performance.now()
    },
    async finish() {
      isOver = true
      await Promise.all(running)
    },
  }
}

async function sendUntilTaken(client: Client, event: EventInput, fault: (what: string) => void): Promise<void> {
  for (;;) {
    let broke = ''
    const answer = await client.post('/api/events', event, {}).catch((error: Error) => {
      broke = `${error.message}: ${String(error.cause)}`
      return null
    })
    if (answer?.status === 200) return
    // 503 and what a proxy says (502, 504) tell of a fault of the machine: the entry goes again by itself. 500 is a fault of ours.
    if (answer && answer.status <= 500) throw new Error(`An entry was refused: ${answer.status} ${JSON.stringify(answer.body)}`)
    fault(answer ? String(answer.status) : broke)
    await new Promise((resolve) => setTimeout(resolve, againMs))
  }
}
