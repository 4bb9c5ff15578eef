import type { TestBrowser } from './browser'

/** Waits until the step in hand has stood long enough for a press to count: what comes sooner is taken for a bounce of the last one. */
export function bounceIsOver(browser: TestBrowser): Promise<void> {
  return browser.evaluateAsync(
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
