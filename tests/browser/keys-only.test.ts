import { expect } from 'chai'
import { Key } from 'selenium-webdriver'
import { signIn, startBrowser, type TestBrowser } from '../harness/browser/browser'
import { startLiveServer } from '../harness/live-server'
import { reachByKeys, type FocusStop } from '../harness/browser/reach-by-keys'
import { shownStep } from '../harness/cases/run-steps'
import { usualFigure } from '../harness/cases/usual-figure'
import { patienceMs } from '../harness/patience'

describe('the whole path by the keyboard alone', () => {
  let browser: TestBrowser
  const unseen = new Map<string, string>()
  before(async () => {
    const server = await startLiveServer()
    browser = await startBrowser(server.address)
    await browser.setViewport(1280, 800)
    await signIn(browser, 'isolde', server.password)
  })

  const note = (stops: readonly FocusStop[]): void => {
    for (const { name, role, isSeen } of stops) if (!isSeen && role !== 'body') unseen.set(`${role} ${name.slice(0, 50)}`, role)
  }
  /** Goes there with Tab, and presses. */
  const press = async (name: RegExp, key: string = Key.ENTER): Promise<void> => {
    note(await reachByKeys(browser, name))
    await browser.press(key)
  }
  const waitForHeading = (name: string): Promise<unknown> => browser.find('heading', name)

  it('a new case: the part by its letters, the injury by arrows', async () => {
    await browser.press('n')
    await waitForHeading('Size up')
    note(await reachByKeys(browser, /^Tap the body/))
    await browser.press('l ank', Key.ENTER)
    await browser.waitForText(/LEFT\s+ankle/)
    note(await reachByKeys(browser, /^other$/))
    await browser.press(Key.ARROW_LEFT, Key.SPACE)
    await press(/^Measure$/)
    await waitForHeading('Measure')
  }).timeout(60_000)

  it('readings are typed where the focus is', async () => {
    for (let count = 0; count < 12; count++) {
      if (/All asked places are read/.test(await browser.text())) break
      const asked = await browser.evaluate<string>(`return document.querySelector('section[aria-label^="Reading:"] h2')?.textContent ?? ''`)
      const figure = usualFigure(asked)
      await browser.driver.wait(
        async () => (await browser.evaluate<string>('return document.activeElement.tagName')) === 'INPUT',
        patienceMs,
        `no field has the focus for ${asked}`,
      )
      await browser.press(figure, Key.ENTER)
      await browser.driver.wait(
        async () =>
          /All asked places are read/.test(await browser.text()) ||
          (await browser.evaluate<string>(`return document.querySelector('section[aria-label^="Reading:"] h2')?.textContent ?? ''`)) !==
            asked,
        patienceMs,
        `${asked} stays asked`,
      )
    }
    await browser.waitForText('All asked places are read')
    await press(/^Choose the size$/)
    await waitForHeading('Choose')
  }).timeout(60_000)

  it('the plan is read and accepted', async () => {
    await press(/^Accept the plan$/)
    await waitForHeading('Make ready')
  }).timeout(60_000)

  it('the run begins', async () => {
    await press(/^(Begin|Start|Apply)/)
    await browser.find('heading', 'Apply')
  }).timeout(60_000)

  /** Does the round of a sheet with digits, and sends it. */
  const enterRound = async (): Promise<void> => {
    await press(/^Record the baseline$/)
    await browser.find('dialog', /^Baseline|^Round/)
    await browser.press(Key.ARROW_DOWN)
    for (let count = 0; count < 60 && !/All is entered/.test(await browser.text()); count++) await browser.press('1')
    await browser.waitForText('All is entered')
    const submit = await browser.evaluate<string>(`return document.querySelector('[role=dialog] button[type=submit]').textContent`)
    await press(new RegExp(`^${submit}$`))
    await browser.waitUntilGone('dialog', /./)
  }

  it('each step is passed by keys alone, the first round with digits', async () => {
    let passed = 0
    for (; passed < 10; passed++) {
      const shown = await shownStep(browser)
      const before = shown.split(':')[0] ?? ''
      if (before === '') break
      if (shown.includes('Record the baseline')) await enterRound()
      const button = await browser.evaluate<string>(
        `return document.querySelector('section[aria-label^="Step "] div.sticky button')?.textContent ?? ''`,
      )
      await press(new RegExp(`^${button.replace(/[.*+?^$()]/g, '\\$&')}`))
      await browser.driver.wait(async () => !(await shownStep(browser)).startsWith(`${before}:`), patienceMs, `${before} stays`)
    }
    expect(passed).to.equal(10)
  }).timeout(120_000)

  it('the focus can be seen at every stop of the way', () => {
    expect([...unseen.keys()]).to.deep.equal([])
  })
})
