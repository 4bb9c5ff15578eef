import { createHmac } from 'node:crypto'

/** What this pager does with what it is given. */
export const pagerModes = ['deliver', 'refuse', 'delay', 'duplicate', 'lose', 'down'] as const
export type PagerMode = (typeof pagerModes)[number]

export interface HeldPage {
  readonly id: string
  readonly to: string
  readonly text: string
  readonly at: string
  /** What happened to it, in order. */
  readonly said: readonly string[]
}

export interface Receipt {
  readonly pageId: string
  readonly what: 'delivered' | 'read' | 'answered'
  readonly who: string
  readonly at: string
}

/** A receipt's signature, as docs/formats/pager.md says: HMAC with SHA-256 over its fields, each on a line. */
export function signatureOf({ pageId, what, who, at }: Receipt, secret: string): string {
  return createHmac('sha256', secret).update([pageId, what, who, at].join('\n')).digest('hex')
}

/** What came in and what was said of it; a page that comes twice is one page. */
export function createPageBook() {
  const pages = new Map<string, HeldPage>()
  return {
    all: (): readonly HeldPage[] => [...pages.values()].reverse(),
    find: (id: string): HeldPage | undefined => pages.get(id),
    take(page: Omit<HeldPage, 'said'>): void {
      if (!pages.has(page.id)) pages.set(page.id, { ...page, said: [] })
    },
    note(id: string, what: string): void {
      const page = pages.get(id)
      if (page && !page.said.includes(what)) pages.set(id, { ...page, said: [...page.said, what] })
    },
  }
}

/** A page as it was sent, or null where it is none. */
export function readPage(text: string, at: string): Omit<HeldPage, 'said'> | null {
  try {
    const { id, to, text: words } = JSON.parse(text) as Record<string, unknown>
    const isGood = [id, to, words].every((one) => typeof one === 'string' && one.length > 0 && one.length <= 400)
    return isGood ? { id: id as string, to: to as string, text: words as string, at } : null
  } catch {
    return null
  }
}
