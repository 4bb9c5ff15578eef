import type { Recorded } from './run'

/** What the pager says of a page: that it is there, that it was read, that a person took it, or that it could not be brought. */
export const receiptKinds = ['delivered', 'read', 'answered', 'refused'] as const
export type ReceiptKind = (typeof receiptKinds)[number]

/** A page as it is sent. */
export interface PageBody {
  readonly pageId: string
  /** Which step of the chain is called, from 0. */
  readonly step: number
  readonly role: string
  /** Who holds the role by the rota; empty where nobody is entered. */
  readonly name: string
  readonly text: string
  /** Ids of the urgent findings that it tells of. */
  readonly findings: readonly string[]
}

export interface ReceiptBody {
  readonly pageId: string
  readonly what: ReceiptKind
  /** Who read or answered it; empty where no person did anything. */
  readonly who: string
}

/** A page and what came back. */
export type PageRecord = PageBody & Recorded & { readonly receipts: readonly (Omit<ReceiptBody, 'pageId'> & { readonly at: string })[] }

/** Whom a page calls: the person where the rota knows one. */
export function calledWords({ role, name }: Pick<PageBody, 'role' | 'name'>): string {
  return name ? `${name}, ${role.toLowerCase()}` : role
}

/** Whether the pager answers, as this server found it last. */
export interface PagerState {
  readonly isAnswering: boolean
  /** Since when, ISO 8601 UTC. */
  readonly since: string
}
