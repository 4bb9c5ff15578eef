import { expect } from 'chai'
import { Key } from 'selenium-webdriver'
import { signIn, startBrowser, type TestBrowser } from '../harness/browser/browser'
import { startLiveServer, type LiveServer } from '../harness/live-server'
import { quietRound, seedCase, sendApplied, sendRound, startRun, type SeededCase } from '../harness/seed-case'

let server: LiveServer
let browser: TestBrowser
let shell: SeededCase

const cell = `document.querySelector('[data-cell="column/level"]')`
const entered = (): Promise<string> => browser.evaluate(`return ${cell}.querySelector('output').innerText`)

/** Taps the trunk at a share of its picture's height, from the top. */
async function tapTrunk(share: number): Promise<void> {
  const at = await browser.evaluate<{ x: number; y: number }>(
    `${cell}.scrollIntoView({ block: 'center' })
     const box = ${cell}.querySelector('svg').getBoundingClientRect()
     return { x: Math.round(box.x + box.width / 2), y: Math.round(box.y + box.height * ${share}) }`,
  )
  await browser.driver.actions().move(at).click().perform()
}

describe('the level of feeling of a trunk', () => {
  before(async () => {
    server = await startLiveServer()
    browser = await startBrowser(server.address)
    await browser.setViewport(390, 844)
    await signIn(browser, 'isolde', server.password)
    shell = await seedCase(browser, 'trunk-shell')
    await sendRound(browser, shell, quietRound('trunk-shell'), true, 90)
    await startRun(browser, shell)
    await sendApplied(browser, shell, 60)
    await browser.open(`/case/${shell.caseId}/watch`)
    await browser.click('button', 'Do the round')
    await browser.find('region', 'Level of feeling')
  })

  it('is set by a tap on the trunk, lower for a lower tap, and drawn where it was tapped', async () => {
    await tapTrunk(0.35)
    expect(await entered()).to.match(/^T[2-6]$/)
    await tapTrunk(0.6)
    expect(await entered()).to.match(/^T([89]|1[0-2])$/)
    expect(await browser.evaluate(`return ${cell}.querySelectorAll('[data-feeling-line]').length`)).to.equal(1)
  }).timeout(30_000)

  it('goes one level up and down, and is chosen from a list by keys and readers', async () => {
    const before = await entered()
    await browser.click('button', 'One level down')
    expect(await entered()).not.to.equal(before)
    await browser.click('button', 'One level up')
    expect(await entered()).to.equal(before)
    const list = await browser.find('combobox', 'Level of feeling, from a list')
    await list.sendKeys('L3')
    expect(await entered()).to.equal('L3')
    expect(
      await browser.evaluate(`return ${cell}.querySelectorAll('[data-feeling-line]').length`),
      'nothing of the trunk is lost',
    ).to.equal(0)
    await list.sendKeys(Key.HOME)
    expect(await browser.evaluate(`return ${cell}.dataset.open`), 'what was tapped by mistake is open again').to.equal('')
  }).timeout(30_000)

  it('names the highest level that was entered in what is judged', async () => {
    await browser.evaluate(`const list = ${cell}.querySelector('select'); list.focus()`)
    await (await browser.find('combobox', 'Level of feeling, from a list')).sendKeys('T7')
    await browser.click('button', 'Judge this round')
    await browser.waitForText(/T7/)
  }).timeout(60_000)
})
