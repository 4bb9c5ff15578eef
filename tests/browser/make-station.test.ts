import { expect } from 'chai'
import { signIn, startBrowser, type TestBrowser } from '../harness/browser/browser'
import { startLiveServer, type LiveServer } from '../harness/live-server'
import { patienceMs } from '../harness/patience'

describe('a station that somebody makes, and the group that does it, in the browser', () => {
  let server: LiveServer
  let browser: TestBrowser
  before(async () => {
    server = await startLiveServer()
    browser = await startBrowser(server.address)
    await browser.setViewport(1280, 800)
    await signIn(browser, 'maren', server.password)
  })
  const replace = (label: string, text: string): Promise<void> =>
    browser.find('textbox', label).then((field) => field.sendKeys('\uE009a\uE000', '\uE017', text))

  it('says what is missing and keeps what was typed, over a reload too', async () => {
    await browser.open('/practice')
    await browser.click('link', 'Make a station')
    await browser.find('heading', 'Make a station')
    await replace('Name', 'Night slab')
    await replace('Time, min', '0')
    await replace('Weight, kg', 'heavy')
    await browser.click('button', 'Keep the station')
    await browser.waitForText('The time limit has to be 30 to 10800 seconds')
    await browser.waitForText('The weight has to be')
    await browser.driver.navigate().refresh()
    await browser.find('heading', 'Make a station')
    expect(await (await browser.find('textbox', 'Name')).getAttribute('value')).to.equal('Night slab')
    expect(await (await browser.find('textbox', 'Time, min')).getAttribute('value')).to.equal('0')
  }).timeout(40_000)

  it('draws the patient by a seed of 40 digits, and what is given follows', async () => {
    await browser.find('textbox', 'Or drawn by a seed').then((field) => field.sendKeys('1234567890'.repeat(4)))
    await browser.click('button', 'Draw a patient')
    await browser.driver.wait(
      async () => /^\d+$/.test((await (await browser.find('textbox', 'Weight, kg')).getAttribute('value')) ?? ''),
      5_000,
    )
    const massKg = await (await browser.find('textbox', 'Weight, kg')).getAttribute('value')
    const given = await (await browser.find('textbox', 'Given at the start, a line each')).getAttribute('value')
    expect(given).to.include(`${massKg} kg`)
  }).timeout(40_000)

  it('is offered to everybody once it is kept, and taken out again', async () => {
    await replace('Time, min', '7,5')
    await browser.click('button', 'Keep the station')
    await browser.find('heading', 'Night slab')
    await browser.find('button', 'Start the clock')
    await browser.open('/practice')
    await browser.find('link', 'Night slab')
    await browser.click('button', 'Take out Night slab')
    await browser.driver.wait(async () => !(await browser.text()).includes('Night slab'), patienceMs)
    await browser.open('/practice/make/01a21089-7e89-7d7d-8dbd-a7fc9a943fe8')
    await browser.waitForText('The address names no station that was made here')
  }).timeout(40_000)

  it('puts a group together, and shows who has done what, what fails most and the times', async () => {
    await browser.open('/practice')
    await browser.click('link', 'Groups')
    await browser.find('heading', 'Spring intake')
    await browser.waitForText('Teodor Finch')
    await browser.waitForText('Steps that fail most')
    await browser.find('image', /half of \d+ runs took/)
    await browser.setViewport(390, 844)
    const wider = await browser.evaluate<number>('return document.documentElement.scrollWidth - document.documentElement.clientWidth')
    expect(wider).to.equal(0)
    await browser.setViewport(1280, 800)
    await browser.click('button', 'Keep the group')
    await browser.waitForText('Group is missing')
    await browser.find('textbox', 'Group').then((field) => field.sendKeys('Night people'))
    await browser.click('button', 'Keep the group')
    await browser.waitForText('Members are missing')
    await browser.click('button', 'Sunniva Dray')
    await browser.click('button', 'Keep the group')
    await browser.find('heading', 'Night people')
    await browser.click('button', 'End the group Night people')
    await browser.driver.wait(async () => !(await browser.text()).includes('Night people'), patienceMs)
  }).timeout(40_000)

  it('shows a trainee neither groups nor the making of stations, nor another’s run', async () => {
    const other = await browser.evaluateAsync<string>(
      `fetch('/api/practice/sittings').then((one) => one.json()).then((one) => arguments[0](one.sittings.find((sitting) => sitting.candidates[0].name === 'Sunniva Dray').id))`,
    )
    browser = await startBrowser(server.address)
    await browser.setViewport(1280, 800)
    await signIn(browser, 'teodor', server.password)
    await browser.open('/practice')
    await browser.find('link', 'My progress')
    const text = await browser.text()
    expect(text).not.to.include('Groups')
    expect(text).not.to.include('Make a station')
    await browser.open(`/practice/run/${other}`)
    await browser.waitForText('There is no such run among yours')
  }).timeout(40_000)
})
