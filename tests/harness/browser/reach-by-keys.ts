import { Key } from 'selenium-webdriver'
import type { TestBrowser } from './browser'

/** A whole round through a page is shorter than this many stops. */
const mostStops = 160

/** What has the focus: its role or tag, its name, and whether the focus can be seen on it. */
export interface FocusStop {
  readonly name: string
  readonly role: string
  readonly isSeen: boolean
}

/** What has the focus now. */
export function focusNow(browser: TestBrowser): Promise<FocusStop> {
  return browser.evaluate<FocusStop>(`
    const one = document.activeElement
    const labelled = one.getAttribute('aria-labelledby')
    const byId = labelled && labelled.split(' ').map((id) => document.getElementById(id)?.textContent ?? '').join(' ')
    const name = one.getAttribute('aria-label') || byId || one.labels?.[0]?.textContent || one.textContent || ''
    const style = getComputedStyle(one)
    const box = one.getBoundingClientRect()
    const isOutlined = style.outlineStyle !== 'none' && parseFloat(style.outlineWidth) > 0
    const isShadowed = style.boxShadow !== 'none'
    const isStroked = one instanceof SVGElement && style.stroke !== 'none'
    return {
      name: name.replace(/\\s+/g, ' ').trim(),
      role: one.getAttribute('role') ?? one.tagName.toLowerCase(),
      isSeen: (isOutlined || isShadowed || isStroked) && box.width > 0 && box.bottom > 0 && box.top < innerHeight,
    }
  `)
}

/**
 * Goes through a page with Tab alone until something of that name has the focus; nothing is clicked.
 * @returns the stops on the way, the last one included
 * @throws where a whole round comes by without it, or the focus stays in one place
 */
export async function reachByKeys(browser: TestBrowser, name: RegExp): Promise<readonly FocusStop[]> {
  const stops: FocusStop[] = []
  for (let count = 0; count < mostStops; count++) {
    await browser.press(Key.TAB)
    const stop = await focusNow(browser)
    stops.push(stop)
    if (name.test(stop.name) && stop.role !== 'body') return stops
    const last = stops.slice(-6)
    if (last.length === 6 && last.every((one) => one.name === stop.name && one.role === stop.role) && stop.role !== 'body')
      throw new Error(`the keys are trapped at ${stop.role} “${stop.name.slice(0, 60)}” on the way to ${String(name)}`)
  }
  throw new Error(`${String(name)} is not reached by keys: ${[...new Set(stops.map((one) => one.name.slice(0, 30)))].join(' | ')}`)
}
