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
  /** The place under which the first element of a role and name that is shown can be taken; 0 where there is none. */
  find(role: string, name: WantedName): number
  /** As `find`, looked at until it is the same at two frames after each other; 0 where that is not so within `ms`. */
  findSoon(role: string, name: WantedName, ms: number): Promise<number>
  /** As `aim`, looked at until it stands still and nothing lies over it; what it last was where that is not so within `ms`. */
  aimSoon(role: string, name: WantedName, ms: number): Promise<Aim | null>
  /** The element that was found under a place. */
  taken(place: number): Element | null
  /** Where to press such an element once it can be used, in the middle of the page; `over` is what lies over it there. */
  aim(role: string, name: WantedName): Aim | null
  /** Whether the last element that was aimed at was pressed, or has opened or gone since: one that is moved or drawn anew under the mouse is missed. */
  isPressed(): boolean
  /** Puts the keys into a field, all of it chosen, so that what is typed replaces it; false where a field is no plain text. */
  takeKeys(role: string, name: WantedName): boolean
  /** Whether a field holds a part of what was typed: keys that came while it was drawn anew are lost. */
  holdsPart(role: string, name: WantedName, typed: string): boolean
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

const textTypes = ['text', 'search', 'password', 'email', 'tel', 'url', 'number']

/** Roles that browsers give and the library has no word for, or an older one. */
const roleOf = (element: Element): string | null =>
  element instanceof HTMLInputElement && element.type === 'password' ? 'textbox' : (getRole(element)?.replace(/^img$/, 'image') ?? null)

const isShown = (element: Element): boolean =>
  element.checkVisibility({ visibilityProperty: true }) && !element.closest('[aria-hidden="true"], [inert]')

const nameOf = (element: Element): string => computeAccessibleName(element, { computedStyleSupportsPseudoElements: true })

/** Which elements can have a role that are not given it: the rest of the page need not be asked. */
const mayBe: Readonly<Record<string, string>> = {
  button: 'button, input, summary',
  checkbox: 'input',
  dialog: 'dialog',
  heading: 'h1, h2, h3, h4, h5, h6',
  link: 'a, area',
  radio: 'input',
  region: 'section',
  textbox: 'input, textarea',
}

/** The elements of a role, as a screen reader meets them. */
const ofRole = (role: string): readonly Element[] =>
  [...document.querySelectorAll(mayBe[role] === undefined ? 'body, body *' : `${mayBe[role]}, [role="${role}"]`)].filter(
    (element) => roleOf(element) === role && isShown(element),
  )

/** Whether a text is, or contains, what is wanted. */
const says = (text: string, wanted: WantedName): boolean =>
  typeof wanted === 'string' ? text === wanted : new RegExp(wanted.pattern, wanted.flags).test(text)

const first = (role: string, name: WantedName): Element | null => ofRole(role).find((element) => says(nameOf(element), name)) ?? null

let isPressed = (): boolean => true

const places: Element[] = []

/** The next frame; in a page that draws none, as one behind another tab, a moment. */
const nextLook = (): Promise<void> =>
  new Promise((resolve) => {
    const timer = setTimeout(resolve, 50)
    requestAnimationFrame(() => {
      clearTimeout(timer)
      resolve()
    })
  })

/** Looks again and again until two looks after each other agree; the last look where they do not within `ms`. */
const lookUntil = async <T>(look: () => T, agree: (before: T, now: T) => boolean, ms: number): Promise<T> => {
  const end = performance.now() + ms
  let before = look()
  for (;;) {
    await nextLook()
    const now = look()
    if (agree(before, now) || performance.now() > end) return now
    before = now
  }
}

window.wrenLook = {
  find(role, name) {
    const element = first(role, name)
    if (!element) return 0
    const known = places.indexOf(element)
    return known < 0 ? places.push(element) : known + 1
  },
  findSoon: async (role, name, ms) => {
    let isSame = false
    const found = await lookUntil(
      () => window.wrenLook.find(role, name),
      (before, now) => (isSame = now !== 0 && now === before),
      ms,
    )
    return isSame ? found : 0
  },
  aimSoon: (role, name, ms) =>
    lookUntil(
      () => window.wrenLook.aim(role, name),
      (before, now) => now !== null && now.over === '' && now.x === before?.x && now.y === before.y,
      ms,
    ),
  taken: (place) => places[place - 1] ?? null,
  aim(role, name) {
    const element = first(role, name)
    if (!element || element.matches(':disabled, [aria-disabled=true]')) return null
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
  takeKeys(role, name) {
    const field = first(role, name)
    const isText = field instanceof HTMLTextAreaElement || (field instanceof HTMLInputElement && textTypes.includes(field.type))
    if (!isText || field.disabled || field.readOnly) return false
    field.scrollIntoView({ block: 'center', behavior: 'instant' })
    field.focus()
    field.select()
    return document.activeElement === field
  },
  holdsPart(role, name, typed) {
    const field = first(role, name)
    const held = field instanceof HTMLInputElement || field instanceof HTMLTextAreaElement ? field.value : ''
    return held !== '' && held !== typed && typed.includes(held)
  },
  names: (role) => ofRole(role).map(nameOf),
  shows(text) {
    const shown = document.body.innerText
    return typeof text === 'string' ? shown.includes(text) : says(shown, text)
  },
}
