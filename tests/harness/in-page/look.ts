import { computeAccessibleName, getRole } from 'dom-accessibility-api'

/** What a test asks of the page: an accessible name as it is, or a pattern for it. */
export type WantedName = string | { readonly pattern: string; readonly flags: string }

/** How the page answers: the element, or what stood there instead. */
export type Looked = { readonly element: Element } | { readonly fault: string }

/** What the page's script offers to the tests. */
export interface PageLook {
  now(role: string, name: WantedName): Element | null
  /** Waits for an element, and if wanted until it can be used; answers also when the time is over. */
  wait(role: string, name: WantedName, isUsable: boolean, withinMs: number, done: (looked: Looked) => void): void
  /** Waits until the page shows a text. */
  waitForText(text: WantedName, withinMs: number, done: (isShown: boolean) => void): void
}

declare global {
  interface Window {
    wrenLook: PageLook
  }
}

// Taken before a page or a test puts others in their place.
const later = window.setTimeout.bind(window)
const forget = window.clearTimeout.bind(window)
const clock = performance.now.bind(performance)
/** A look costs some milliseconds: it is taken at most so often while the page changes, and so often while it stands still. */
const soonMs = 15
const stillMs = 120

/** Roles that browsers give and the library has no word for, or an older one. */
const roleOf = (element: Element): string | null =>
  element instanceof HTMLInputElement && element.type === 'password' ? 'textbox' : (getRole(element)?.replace(/^img$/, 'image') ?? null)

const isShown = (element: Element): boolean =>
  element.checkVisibility({ visibilityProperty: true }) && !element.closest('[aria-hidden="true"], [inert]')

const nameOf = (element: Element): string => computeAccessibleName(element, { computedStyleSupportsPseudoElements: true })

/** The elements of a role, as a screen reader meets them. */
const ofRole = (role: string): readonly Element[] =>
  [...document.querySelectorAll('body, body *')].filter((element) => roleOf(element) === role && isShown(element))

/** Whether a text is, or contains, what is wanted. */
const says = (text: string, wanted: WantedName): boolean =>
  typeof wanted === 'string' ? text === wanted : new RegExp(wanted.pattern, wanted.flags).test(text)

const first = (role: string, name: WantedName): Element | null => ofRole(role).find((element) => says(nameOf(element), name)) ?? null

/** Looks again whenever the page has changed, until there is an answer or the time is over. */
function until<T>(look: () => T | null, withinMs: number, done: (found: T | null) => void): void {
  const end = clock() + withinMs
  let asked = 0
  const ask = (ms: number): void => {
    asked = later(check, ms)
  }
  const check = (): void => {
    isSoon = false
    const found = document.body ? look() : null
    if (found === null && clock() < end) return ask(stillMs)
    watcher.disconnect()
    done(found)
  }
  let isSoon = false
  const watcher = new MutationObserver(() => {
    if (isSoon) return
    isSoon = true
    forget(asked)
    ask(soonMs)
  })
  watcher.observe(document, { subtree: true, childList: true, attributes: true, characterData: true })
  check()
}

window.wrenLook = {
  now: first,
  wait(role, name, isUsable, withinMs, done) {
    const look = (): Element | null => {
      const element = first(role, name)
      return isUsable && element?.matches(':disabled') ? null : element
    }
    until(look, withinMs, (element) => {
      if (element) return done({ element })
      done({ fault: first(role, name) ? 'it stays disabled' : `there are: ${ofRole(role).map(nameOf).join(' | ')}` })
    })
  },
  waitForText(text, withinMs, done) {
    const look = (): true | null => {
      const shown = document.body.innerText
      return (typeof text === 'string' ? shown.includes(text) : says(shown, text)) || null
    }
    until(look, withinMs, (found) => done(found === true))
  },
}
