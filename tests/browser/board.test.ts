import { expect } from 'chai'
import { Key } from 'selenium-webdriver'
import { signIn, startBrowser, type TestBrowser } from '../harness/browser/browser'
import { startLiveServer, type LiveServer } from '../harness/live-server'
import { patienceMs } from '../harness/patience'

let server: LiveServer
let browser: TestBrowser

describe('the Board in its densities', () => {
  before(async () => {
    server = await startLiveServer()
    browser = await startBrowser(server.address)
    await browser.setViewport(1280, 800)
    await signIn(browser, 'isolde', server.password)
    await browser.find('list', /^Live cases, worst first/)
  })
  const names = async (css: string): Promise<readonly string[]> =>
    browser.evaluate(`return [...document.querySelectorAll(arguments[0])].map((one) => one.innerText)`, css)

  it('finds by words and place, and keeps what was asked in the address', async () => {
    await browser.type('searchbox', 'Find on the Board', 'jago')
    await browser.driver.wait(
      async () => (await names('ul[aria-label^="Live cases"] > li')).every((one) => one.includes('Jago Penrose-Lyle')),
      patienceMs,
    )
    expect(await browser.driver.getCurrentUrl()).to.match(/q=jago/)
    await browser.driver.navigate().refresh()
    await browser.waitForText('Jago Penrose-Lyle')
    expect((await names('ul[aria-label^="Live cases"] > li')).every((one) => one.includes('Jago Penrose-Lyle'))).to.equal(true)
    await browser.type('searchbox', 'Find on the Board', 'nobody-of-this-name')
    await browser.waitForText('Nobody answers to that')
  }).timeout(40_000)

  it('holds two dozen cases in rows on one screen', async () => {
    await browser.open('/?view=rows')
    await browser.find('table', 'Live cases, worst first')
    await browser.waitForText('Pascoe-Bray')
    const bottoms: number[] = await browser.evaluate(
      `return [...document.querySelectorAll('tbody tr')].map((one) => one.getBoundingClientRect().bottom)`,
    )
    expect(bottoms.filter((bottom) => bottom <= 800).length).to.be.at.least(24)
    const first = await names('tbody tr:first-child')
    expect(first[0]).to.match(/Urgent/)
  }).timeout(40_000)

  it('hangs on a wall with initials and no controls, and is left with Escape', async () => {
    await browser.open('/?view=wall')
    // The list is there before its cases are.
    await browser.waitForText('L. P. B.')
    const text = (await names('main ul')).join('\n')
    expect(text).to.not.include('Pascoe')
    expect(text).to.include('L. P. B.')
    await browser.press(Key.ESCAPE)
    await browser.find('searchbox', 'Find on the Board')
  }).timeout(40_000)

  it('says where to begin in the next four hours, and with how many people; bed by bed too', async () => {
    await browser.open('/')
    // The list is there before its cases are.
    await browser.waitForText('Next four hours')
    await browser.waitForText(/\d+ late now\. Begin with .+ late/)
    await browser.waitForText(/\d+ (person does|people do) in time all that can still be|Not even 12 people/)
    const whole = await browser.evaluate<string>(
      `return document.querySelector('[aria-labelledby=horizon] [role=img]').getAttribute('aria-label')`,
    )
    const [owed, late, ahead] = whole.match(/\d+/g)!.map(Number)
    expect(late! + ahead!).to.equal(owed)
    await browser.click('button', /^By bed, \d+$/)
    await browser.find('button', 'All in one')
    const beds = await browser.evaluate<number>(`return document.querySelectorAll('[aria-labelledby=horizon] [role=img]').length`)
    expect(beds).to.be.greaterThan(3)
  }).timeout(40_000)
})
