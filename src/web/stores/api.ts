import { paths } from '#contract/paths'
import type { ProblemDetails } from '#contract/problem-details'

/** What came of a request: an answer, a refusal with its reasons, or no connection. */
export type ApiResult<T> =
  { readonly kind: 'ok'; readonly value: T } | { readonly kind: 'refused'; readonly problem: ProblemDetails } | { readonly kind: 'offline' }

let csrfToken: string | null = null

/** Keeps the CSRF token of the session for every request that changes something. */
export function setCsrf(token: string | null): void {
  csrfToken = token
}

let tellSessionOver: () => void = () => undefined

/** Calls back when the server no longer knows who is asking; returns how to stop. */
export function onSessionOver(listener: () => void): () => void {
  tellSessionOver = listener
  return () => {
    tellSessionOver = () => undefined
  }
}

/** Whether a request was refused because the session ended, or another one began in this browser. */
export function isSessionOver(problem: ProblemDetails): boolean {
  return problem.status === 401 || problem.type === 'urn:zesty-wren:error:csrf'
}

/** Sends a JSON request; never throws. No answer within 15 s counts as offline. */
export async function callApi<T>(method: 'GET' | 'POST' | 'DELETE', path: string, body?: unknown): Promise<ApiResult<T>> {
  try {
    const response = await fetch(path, {
      method,
      credentials: 'same-origin',
      signal: AbortSignal.timeout(15_000),
      headers: {
        ...(body === undefined ? {} : { 'content-type': 'application/json' }),
        ...(csrfToken && method !== 'GET' ? { 'x-csrf-token': csrfToken } : {}),
      },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    })
    const data: unknown = await response.json()
    if (response.ok) return { kind: 'ok', value: data as T }
    if (response.status >= 500) return { kind: 'offline' }
    const problem = data as ProblemDetails
    // A wrong password is answered with 401 as well, and is the business of the form that it was typed into.
    if (isSessionOver(problem) && path !== paths.session) tellSessionOver()
    return { kind: 'refused', problem }
  } catch {
    return { kind: 'offline' }
  }
}

/** Sends bytes as they are (a photo, a CSV file); never throws. */
export async function sendBytes<T>(path: string, body: Blob | string, type: string): Promise<ApiResult<T>> {
  try {
    const response = await fetch(path, {
      method: 'POST',
      credentials: 'same-origin',
      signal: AbortSignal.timeout(60_000),
      headers: { 'content-type': type, ...(csrfToken ? { 'x-csrf-token': csrfToken } : {}) },
      body,
    })
    const data: unknown = await response.json()
    if (response.ok) return { kind: 'ok', value: data as T }
    if (response.status >= 500) return { kind: 'offline' }
    const problem = data as ProblemDetails
    if (isSessionOver(problem)) tellSessionOver()
    return { kind: 'refused', problem }
  } catch {
    return { kind: 'offline' }
  }
}
