import { useQuery } from '@tanstack/react-query'
import { useCallback } from 'react'
import { queryAt, readNow, usuallyMs, type Known } from './answers'

/** What the server says at an address, as far as it is known here, and how to read it now. */
export interface ServerAnswer<T> extends Known<T> {
  readonly reload: () => Promise<void>
}

/**
 * Reads an address and keeps it current: when something was written here or anywhere, and every half minute. Without a line it shows what
 * this device read last, with the time that the answer carries.
 * @param path null while there is nothing to read
 * @param everyMs how often it is read, where somebody waits for it
 */
export function useAnswer<T extends { readonly now?: string }>(path: string | null, everyMs = usuallyMs): ServerAnswer<T> {
  const { data } = useQuery(queryAt<T>(path, everyMs))
  const reload = useCallback(() => (path === null ? Promise.resolve() : readNow(path)), [path])
  return { answer: data?.answer ?? null, refusal: data?.refusal ?? null, reload }
}
