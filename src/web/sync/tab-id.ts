import { v7 as uuidv7 } from 'uuid'

const prefix = 'wren-tab-'

/**
 * What tells this tab from every other one: kept in the window's own name, which survives a reload and never leaves
 * the tab. A tab that was duplicated may carry the same name over and is found out by a lock, which only one living
 * page can hold.
 */
function nameWindow(): string {
  window.name = `${prefix}${uuidv7()}`
  return window.name
}
let id = window.name.startsWith(prefix) ? window.name : nameWindow()

function hold(): void {
  if (!('locks' in navigator)) return
  const held = id
  void navigator.locks.request(held, { ifAvailable: true }, (lock) => {
    // Held for as long as the page lives; refused when another page lives under the same name.
    if (lock) return new Promise<never>(() => undefined)
    if (id === held) {
      id = nameWindow()
      hold()
    }
    return undefined
  })
}
hold()

/** The id of this tab. */
export function tabId(): string {
  return id
}
