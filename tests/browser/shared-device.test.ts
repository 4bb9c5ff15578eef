import { expect } from 'chai'
import { readdirSync, readFileSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { signInAtForm, startKeepingBrowser, type KeepingBrowser } from '../harness/browser/browser'
import { startCutLine, type CutLine } from '../harness/browser/cut-line'
import { casesAreKept, draftIsKept, waitForKeptApplication } from '../harness/kept'
import { startLiveServer, type LiveServer } from '../harness/live-server'
import { quietRound, seedCase, sendApplied, sendRound, type SeededCase } from '../harness/seed-case'
import { patienceMs } from '../harness/patience'

let server: LiveServer
let line: CutLine
let browser: KeepingBrowser
let seeded: SeededCase
const patient = 'Test leg-slab'

/** Whether any file of the browser's profile holds a text, in either of the two ways a browser writes texts. */
function profileHolds(text: string): boolean {
  const needles = [Buffer.from(text, 'utf8'), Buffer.from(text, 'utf16le')]
  const look = (folder: string): boolean =>
    readdirSync(folder).some((name) => {
      const path = join(folder, name)
      const found = statSync(path, { throwIfNoEntry: false })
      if (!found) return false
      if (found.isDirectory()) return look(path)
      if (!found.isFile()) return false
      const bytes = readFileSync(path)
      return needles.some((needle) => bytes.includes(needle))
    })
  return look(browser.profile)
}

describe('a device that many share, in the browser', () => {
  before(async () => {
    server = await startLiveServer()
    line = await startCutLine(server.address)
    browser = await startKeepingBrowser(line.address)
    await browser.setViewport(1280, 800)
    await signInAtForm(browser, 'isolde', server.password, '2468')
    seeded = await seedCase(browser, 'leg-slab')
    await sendRound(browser, seeded, quietRound('leg-slab'), true, 60)
    await sendApplied(browser, seeded, 50)
  })
  after(() => browser.quit())

  const lock = async (how: string): Promise<void> => {
    await browser.click('button', 'Lock')
    await browser.click('menuitem', how)
    await browser.find('dialog', 'Locked')
  }
  const openByPin = async (pin: string): Promise<void> => {
    await browser.type('textbox', 'PIN', pin)
    await browser.click('button', 'Open')
  }

  it('a lock survives a reload, shows nothing of a patient, and the PIN opens it', async () => {
    await browser.open(`/case/${seeded.caseId}/watch`)
    await browser.waitForText(patient)
    await browser.driver.wait(() => casesAreKept(browser, [seeded.caseId]), patienceMs)
    await lock('Lock; the PIN opens it')
    await browser.driver.navigate().refresh()
    await browser.find('heading', 'Locked')
    await browser.waitForText('Signed in: Isolde Quill.')
    expect(await browser.evaluate('return document.documentElement.innerHTML')).not.to.include(patient)
    await openByPin('1111')
    await browser.waitForText('This is not the PIN')
    await openByPin('2468')
    await browser.waitForText(patient)
  }).timeout(60_000)

  it('what one tab locks is locked in the other, and opened with it', async () => {
    const first = await browser.driver.getWindowHandle()
    await browser.openTab()
    await browser.open('/guide')
    await browser.find('heading', 'Guide')
    const second = await browser.driver.getWindowHandle()
    await browser.toTab(first)
    await lock('Lock; the PIN opens it')
    await browser.toTab(second)
    await browser.find('dialog', 'Locked')
    await openByPin('2468')
    await browser.find('heading', 'Guide')
    await browser.driver.close()
    await browser.toTab(first)
    await browser.waitForText(patient)
    await browser.waitUntilGone('dialog', 'Locked')
  }).timeout(60_000)

  it('a lock set without a line is the server’s too before anything loads', async () => {
    await browser.open(`/case/${seeded.caseId}/watch`)
    await browser.waitForText(patient)
    await line.cut()
    await lock('Lock; the PIN opens it')
    await line.mend()
    await browser.driver.navigate().refresh()
    await browser.find('heading', 'Locked')
    expect(await browser.evaluate('return document.documentElement.innerHTML')).not.to.include(patient)
    const status = await browser.evaluateAsync(
      `const [id, done] = arguments; fetch('/api/cases/' + id).then((one) => done(one.status), () => done(0))`,
      seeded.caseId,
    )
    expect(status).to.equal(423)
    await openByPin('2468')
    await browser.waitForText(patient)
  }).timeout(60_000)

  it('an entry made without a line goes under its author’s name while somebody else is signed in', async () => {
    await browser.open('/')
    await browser.find('heading', 'Board')
    await waitForKeptApplication(browser)
    await browser.open(`/case/${seeded.caseId}/watch`)
    await browser.find('heading', 'Rounds')
    await line.cut()
    await browser.click('button', 'Add something owed')
    await browser.type('textbox', 'What', 'Ask for his glasses')
    await browser.click('button', 'Add it')
    await browser.find('button', 'Do it: Ask for his glasses')
    await browser.open('/settings')
    await openByPin('2468')
    await browser.click('button', 'Sign out')
    await browser.waitForText('The server does not answer')
    await browser.waitForText('1 entry of the last user is not sent')
    // The page looks again by itself.
    await line.mend()
    await browser.find('button', 'Sign in')
    await browser.waitForText('1 entry of the last user is not sent')
    await signInHere('maren')
    await browser.driver.wait(
      () =>
        browser.evaluateAsync<boolean>(
          `const [id, done] = arguments
           fetch('/api/cases/' + id).then((one) => one.json()).then(({ record }) =>
             done((record.addedTasks ?? []).some((task) => task.text === 'Ask for his glasses' && task.by === 'Isolde Quill')), () => done(false))`,
          seeded.caseId,
        ),
      patienceMs,
      'what was left never arrived',
    )
  }).timeout(90_000)

  const signInHere = async (name: string): Promise<void> => {
    await browser.type('textbox', 'Name', name)
    await browser.type('textbox', 'Password', server.password)
    await browser.click('button', 'Sign in')
    await browser.find('heading', 'Board')
  }

  it('a sign-out without a line is finished before anything loads', async () => {
    await browser.open('/settings')
    await browser.find('heading', 'Settings')
    await line.cut()
    await browser.click('button', 'Sign out')
    await browser.waitForText('The server does not answer')
    await line.mend()
    await browser.driver.navigate().refresh()
    await browser.find('button', 'Sign in')
    const person = await browser.evaluateAsync(
      `const [done] = arguments; fetch('/api/session').then((one) => one.json()).then((one) => done(one.person))`,
    )
    expect(person).to.equal(null)
  }).timeout(60_000)

  it('five wrong PINs without a line, and it waits a minute before the next', async () => {
    await browser.open('/')
    await browser.type('textbox', 'Short PIN, if you like', '9753')
    await signInHere('isolde')
    await waitForKeptApplication(browser)
    await browser.open('/settings')
    await browser.waitForText('A PIN is set until you sign out')
    await line.cut()
    await browser.driver.navigate().refresh()
    for (const left of ['4 more tries', '3 more tries', '2 more tries', '1 more try']) {
      await openByPin('0000')
      await browser.waitForText(left)
    }
    await openByPin('0000')
    await browser.waitForText('wait 1 min before the next try')
    await openByPin('9753')
    await browser.waitForText('Too many wrong PINs: wait 1 min')
    await line.mend()
    await browser.driver.navigate().refresh()
    await browser.find('heading', 'Settings')
    await browser.waitForText('A PIN is set until you sign out')
  }).timeout(90_000)

  it('leaves nothing readable of a patient in any file of the browser', async () => {
    await browser.open(`/case/${seeded.caseId}/watch`)
    await browser.waitForText(patient)
    await browser.open(`/case/${seeded.caseId}/size-up`)
    await browser.find('heading', 'Size up')
    await browser.open('/settings')
    await browser.type('textbox', 'Breadth across them, at the middle joints', '7.77 said of nobody')
    await draftIsKept(browser, /said of nobody/)
    await browser.click('button', 'Sign out')
    await browser.find('button', 'Sign in')
    for (const text of [patient, 'said of nobody', 'Ask for his glasses']) expect(profileHolds(text), text).to.equal(false)
    // What it may hold, so that the look is known to find what is there.
    expect(profileHolds('zesty-wren-shared')).to.equal(true)
  }).timeout(60_000)
})
