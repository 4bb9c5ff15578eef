import { paths } from '#contract/api/paths'
import { clockHeader, deviceHeader } from '#contract/api/session'
import type { ProblemDetails } from '#contract/api/problem-details'
import { noteClockOff } from './clock-off'
import { heardServer, missedServer } from './network'

/**
 * What came of a request: an answer; a refusal with its reasons; no connection; or a server in trouble, which says nothing about what was
 * sent. `isFault` tells a fault of the server (500) from one that is busy or away behind its door.
 */
export type ApiResult<T> =
  | { readonly kind: 'ok'; readonly value: T }
  | { readonly kind: 'refused'; readonly problem: ProblemDetails }
  | { readonly kind: 'offline' }
  | { readonly kind: 'trouble'; readonly isFault: boolean }

/** A request that brought neither an answer nor a refusal. */
export type NoAnswer = Extract<ApiResult<never>, { kind: 'offline' | 'trouble' }>

let csrfToken: string | null = null
let device = ''

/** Keeps the CSRF token of the session for every request that changes something. */
export function setCsrf(token: string | null): void {
  csrfToken = token
}

/** Says how this device names itself, so that it gets keys of its own. */
export function setDevice(id: string): void {
  device = id
}

let tellSessionOver: () => void = () => undefined

/** Calls back when the server no longer knows who is asking; returns how to stop. */
export function onSessionOver(listener: () => void): () => void {
  tellSessionOver = listener
  return () => {
    tellSessionOver = () => undefined
  }
}

/** The session has ended: whoever listens is told. */
export function reportSessionOver(): void {
  tellSessionOver()
}

/** Whether a request was refused because the session ended, or another one began in this browser. */
export function isSessionOver(problem: ProblemDetails): boolean {
  return problem.status === 401 || problem.type === 'urn:zesty-wren:error:csrf'
}

/** Why there is no answer, and what it means, in words. */
export function describeNoAnswer({ kind }: NoAnswer): string {
  return kind === 'offline' ? 'No connection' : 'The server has trouble'
}

const usualMs = 15_000
const bytesMs = 60_000

/**
 * Sends a JSON request; never throws. No answer within 15 s counts as no connection.
 * @param signal ends it where its answer is no longer wanted, which counts as no connection too
 */
export function callApi<T>(method: 'GET' | 'POST' | 'DELETE', path: string, body?: unknown, signal?: AbortSignal): Promise<ApiResult<T>> {
  const headers = body === undefined ? {} : { 'content-type': 'application/json' }
  return ask<T>(method, path, headers, body === undefined ? undefined : JSON.stringify(body), usualMs, signal)
}

/** Sends bytes as they are (a photo, a CSV file); never throws. */
export function sendBytes<T>(path: string, body: Blob | string, type: string): Promise<ApiResult<T>> {
  return ask<T>('POST', path, { 'content-type': type }, body, bytesMs)
}

async function ask<T>(
  method: string,
  path: string,
  headers: Record<string, string>,
  body: Blob | string | undefined,
  limitMs: number,
  unwanted?: AbortSignal,
): Promise<ApiResult<T>> {
  let response: Response
  let data: unknown
  const ender = new AbortController()
  const end = (): void => ender.abort()
  const late = setTimeout(end, limitMs)
  unwanted?.addEventListener('abort', end)
  try {
    response = await fetch(path, {
      method,
      credentials: 'same-origin',
      signal: ender.signal,
      // With every request: behind a lock the server answers only the page that was there before.
      headers: { ...headers, [deviceHeader]: device, ...(csrfToken ? { 'x-csrf-token': csrfToken } : {}) },
      ...(body === undefined ? {} : { body }),
    })
    heardServer()
    noteClockOff(response.headers.get(clockHeader))
    data = await response.json()
  } catch {
    if (!unwanted?.aborted) missedServer()
    // A door in front of the server answers with a page of its own while the server is away.
    return { kind: 'offline' }
  } finally {
    clearTimeout(late)
    unwanted?.removeEventListener('abort', end)
  }
  if (response.ok) return { kind: 'ok', value: data as T }
  if (response.status >= 500) return { kind: 'trouble', isFault: response.status < 502 || response.status > 504 }
  const problem = data as ProblemDetails
  // Locked by another page of this browser: what was to be sent waits until it is opened.
  if (problem.status === 423) return { kind: 'trouble', isFault: false }
  if (problem.status === 429) return path.startsWith(paths.session) ? { kind: 'refused', problem } : { kind: 'trouble', isFault: false }
  // A wrong password is answered with 401 as well, and is the business of the form that it was typed into.
  if (isSessionOver(problem) && !path.startsWith(paths.session)) tellSessionOver()
  return { kind: 'refused', problem }
}
