import { expect } from 'chai'
import { Key } from 'selenium-webdriver'
import { signIn, startBrowser, type TestBrowser } from '../harness/browser/browser'
import { startLiveServer } from '../harness/live-server'
import { patienceMs } from '../harness/patience'
import { finishStep } from '../harness/cases/run-steps'
import { quietRound, seedCase, sendRound, startRun } from '../harness/seed-case'

interface Heard {
  readonly role: string
  readonly name: string
  readonly description: string
}
interface AxValue {
  readonly value?: unknown
}
interface AxNode {
  readonly role?: AxValue
  readonly name?: AxValue
  readonly description?: AxValue
  readonly properties?: readonly { readonly name: string; readonly value: AxValue }[]
}

/** What a screen reader is told of whatever has the focus, by the accessibility tree of the browser. */
async function heard(browser: TestBrowser): Promise<Heard> {
  const { nodes } = (await browser.driver.sendAndGetDevToolsCommand('Accessibility.getFullAXTree', {})) as unknown as {
    readonly nodes: readonly AxNode[]
  }
  const focused = nodes.findLast(({ properties }) => properties?.some(({ name, value }) => name === 'focused' && value.value === true))
  return {
    role: String(focused?.role?.value ?? ''),
    name: String(focused?.name?.value ?? ''),
    description: String(focused?.description?.value ?? ''),
  }
}

describe('what is heard without looking', () => {
  let browser: TestBrowser
  const until = (wanted: (now: Heard) => boolean, what: string): Promise<unknown> =>
    browser.driver.wait(async () => wanted(await heard(browser)), patienceMs, `never heard: ${what}`)

  before(async () => {
    const server = await startLiveServer()
    browser = await startBrowser(server.address)
    await browser.setViewport(390, 844)
    await signIn(browser, 'isolde', server.password)
  })

  it('Measure says which place it asks for, and after Enter the next one', async () => {
    const { caseId } = await seedCase(browser, 'leg-slab', { isUnread: true })
    await browser.open(`/case/${caseId}/measure`)
    await until(({ role, description }) => role === 'textbox' && /^Slab path From /.test(description), 'Slab path')
    await browser.press('52', Key.ENTER)
    await until(({ role, description }) => role === 'textbox' && /^Ankle girth /.test(description), 'Ankle girth')
    await browser.press('99', Key.ENTER)
    await browser.driver.sleep(300)
    expect((await heard(browser)).role, 'the field keeps the focus').to.equal('textbox')
  }).timeout(60_000)

  it('Apply says each step and how far the run is, as soon as the one before is done', async () => {
    const seeded = await seedCase(browser, 'walker-boot')
    await sendRound(browser, seeded, quietRound('walker-boot'), true)
    await startRun(browser, seeded)
    const first = await heard(browser)
    expect(first.name).to.match(/Step 1 of \d+\.$/)
    await finishStep(browser)
    await until(({ role, name }) => role === 'heading' && /Step 2 of \d+\.$/.test(name), 'step 2')
    expect((await heard(browser)).name.length).to.be.above(20)
  }).timeout(60_000)

  it('the header says whose page it is before anything else of it: side, name, place, and the alarm', async () => {
    const { caseId } = await seedCase(browser, 'leg-slab')
    await browser.open(`/case/${caseId}/measure`)
    await browser.find('region', 'Patient')
    const words = await browser.evaluate<string>(`return document.querySelector('section[aria-label="Patient"]').innerText`)
    expect(words.replace(/\s+/g, ' ')).to.match(/^LEFT ankle Test leg-slab .*Bay 9.*Something is wrong$/)
  }).timeout(60_000)
})
