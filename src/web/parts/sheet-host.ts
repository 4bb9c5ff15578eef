import { createContext, type ReactNode } from 'react'

/**
 * What the sheets of a page are drawn into. It stands beside the page in the document, and leaves it with the page while the screen is locked:
 * nobody reads a patient out of what is behind a lock.
 */
export const sheetHost: HTMLElement = Object.assign(document.createElement('div'), { id: 'sheets' })

/** Where a sheet is drawn: beside its page, unless it belongs to what covers the page. */
export const SheetPlace = createContext<HTMLElement>(sheetHost)

/** What stands on top of a sheet that fills the screen: whose it is. Null where nobody's. */
export const SheetHead = createContext<ReactNode>(null)
