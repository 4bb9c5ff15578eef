import { QueryClient, queryOptions } from '@tanstack/react-query'
import { callApi } from './api'
import { onLineBack, onTaken } from './outbox'
import { setServerClock } from './server-clock'
import { currentDurable } from './session-store'

/** What is known here of what the server says at an address. */
export interface Known<T> {
  readonly answer: T | null
  /** Why it could not be read just now, in words; null while it could. */
  readonly refusal: string | null
}

/** How often what is in sight is read, where nobody waits for it. */
export const usuallyMs = 30_000

/**
 * The answers of the server in this page's memory, one for each address. They are tried without a line too, since only the server knows
 * whether it can be reached. One that nobody looks at is kept no longer than one in sight may be old. Nothing of it is written to the device
 * but through the person's own closed store.
 */
export const answers = new QueryClient({
  defaultOptions: { queries: { networkMode: 'always', retry: false, gcTime: usuallyMs, refetchIntervalInBackground: true } },
})

/** Addresses that were asked while something changed: what comes may tell how it was before, so they are asked once more. */
const again = new Set<string>()

answers.getQueryCache().subscribe(({ type, query }) => {
  if (type === 'removed') again.delete(query.queryHash)
  if (type === 'updated' && query.state.fetchStatus === 'idle' && again.delete(query.queryHash)) void readAgain(query.queryKey)
})

/** The key under which an address is known. */
function keyOf(path: string): readonly [string] {
  return [path]
}

/** Something was written, here or elsewhere: what is in sight is read again, and what is not in sight is forgotten. */
export function rereadAnswers(): void {
  forgetUnseen()
  for (const query of answers.getQueryCache().findAll({ type: 'active' })) {
    if (query.state.fetchStatus === 'fetching') again.add(query.queryHash)
    else void readAgain(query.queryKey)
  }
}

/** Forgets every answer that no screen shows, as when the screen is locked. */
export function forgetUnseen(): void {
  answers.removeQueries({ type: 'inactive' })
}

/** Reads an address from now on: what was asked before, and may tell how it was before, is not waited for. */
export async function readNow(path: string): Promise<void> {
  await answers.cancelQueries({ queryKey: keyOf(path), exact: true }, { silent: true })
  await readAgain(keyOf(path))
}

function readAgain(queryKey: readonly unknown[]): Promise<void> {
  return answers.refetchQueries({ queryKey, exact: true }, { cancelRefetch: false })
}

/** How an address is read as long as somebody looks: `path` null while there is nothing to read. */
export function queryAt<T extends { readonly now?: string }>(path: string | null, everyMs: number) {
  return queryOptions<Known<T>>({
    queryKey: keyOf(path ?? ''),
    queryFn: ({ signal }) => askAt<T>(path ?? '', signal),
    enabled: path !== null,
    refetchInterval: everyMs,
  })
}

/**
 * Asks the server at an address. Without an answer it is what was known here, or what this device kept for this person, and why.
 * @param signal whether it is still wanted
 */
async function askAt<T extends { readonly now?: string }>(path: string, signal: AbortSignal): Promise<Known<T>> {
  const durable = currentDurable()
  const result = await callApi<T>('GET', path, undefined, signal)
  // Somebody else signed in meanwhile, or nobody waits for it: it is shown to nobody and kept for nobody.
  if (signal.aborted || currentDurable() !== durable) return { answer: null, refusal: null }
  if (result.kind === 'ok') {
    if (result.value.now) setServerClock(result.value.now)
    void durable?.writeAnswer(path, result.value)
    return { answer: result.value, refusal: null }
  }
  const known = answers.getQueryData<Known<T>>(keyOf(path))?.answer ?? null
  if (result.kind === 'refused') return { answer: known, refusal: result.problem.detail }
  const kept = known ?? (await durable?.readAnswer<T>(path).catch(() => undefined)) ?? null
  return { answer: kept, refusal: 'No connection: what you see is as old as it says.' }
}

onTaken(rereadAnswers)
onLineBack(rereadAnswers)
