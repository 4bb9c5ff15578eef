import { computeAccessibleName, getRole } from 'dom-accessibility-api'

/** What a test asks of the page: an accessible name as it is, or a pattern for it. */
export type WantedName = string | { readonly pattern: string; readonly flags: string }

/** A point of the page, in CSS pixels. */
export interface Aim {
  readonly x: number
  readonly y: number
  readonly over: string
}

/** What the page's script offers to the tests. */
export interface PageLook {
  /** The first element of a role and name that is shown. */
  find(role: string, name: WantedName): Element | null
  /** Where to press such an element once it can be used, in the middle of the page; `over` is what lies over it there. */
  aim(role: string, name: WantedName): Aim | null
  /** Whether the last element that was aimed at was pressed, or has opened or gone since: one that is moved or drawn anew under the mouse is missed. */
  isPressed(): boolean
  /** Names of all that are shown of a role. */
  names(role: string): readonly string[]
  /** Whether the page shows a text. */
  shows(text: WantedName): boolean
}

declare global {
  interface Window {
    wrenLook: PageLook
  }
}

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

let isPressed = (): boolean => true

window.wrenLook = {
  find: first,
  aim(role, name) {
    const element = first(role, name)
    if (!element || element.matches(':disabled')) return null
    element.scrollIntoView({ block: 'center', behavior: 'instant' })
    // A line that wraps has a box each: the first is pressed.
    const box = element.getClientRects()[0] ?? element.getBoundingClientRect()
    const [x, y] = [box.x + box.width / 2, box.y + box.height / 2]
    const hit = document.elementFromPoint(x, y)
    const isHit = hit !== null && (element.contains(hit) || hit.closest('label')?.control === element)
    const expanded = element.getAttribute('aria-expanded')
    let isClicked = false
    element.addEventListener('click', () => (isClicked = true), { once: true, capture: true })
    isPressed = () => isClicked || element.getAttribute('aria-expanded') !== expanded || first(role, name) === null
    return { x, y, over: isHit ? '' : (hit?.outerHTML.slice(0, 120) ?? 'nothing, it is outside the page') }
  },
  isPressed: () => isPressed(),
  names: (role) => ofRole(role).map(nameOf),
  shows(text) {
    const shown = document.body.innerText
    return typeof text === 'string' ? shown.includes(text) : says(shown, text)
  },
}
