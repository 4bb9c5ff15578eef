import type { TestBrowser } from './browser'

/** Waits until what was typed so far stands in the device's own store: a change of it that comes later is through. */
export function draftsAreKept(browser: TestBrowser): Promise<void> {
  return browser.driver.executeAsyncScript(
    `const done = arguments[0]
     fetch('/api/session').then((one) => one.json()).then(({ person }) => {
       const open = indexedDB.open('zesty-wren-' + person.id)
       open.onsuccess = () => {
         const change = open.result.transaction('drafts', 'readwrite')
         change.objectStore('drafts').get('')
         change.oncomplete = () => { open.result.close(); done() }
       }
     })`,
  )
}

/** Waits until the step in hand has stood long enough for a press to count: what comes sooner is taken for a bounce of the last one. */
export function bounceIsOver(browser: TestBrowser): Promise<void> {
  return browser.driver.executeAsyncScript(
    `const done = arguments[0]
     const shown = () => document.querySelector('section[aria-label^="Step "]')?.getAttribute('aria-label')
     let label = shown()
     let since = performance.now()
     const look = () => {
       if (shown() !== label) {
         label = shown()
         since = performance.now()
       }
       if (performance.now() - since > 400) done()
       else requestAnimationFrame(look)
     }
     look()`,
  )
}
