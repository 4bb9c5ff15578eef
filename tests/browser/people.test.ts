import { expect } from 'chai'
import { Secret, TOTP } from 'otpauth'
import { signIn, signInAtForm, startBrowser, type TestBrowser } from '../harness/browser/browser'
import { startLiveServer, type LiveServer } from '../harness/live-server'

let server: LiveServer
let browser: TestBrowser
const own = 'three small boats'

describe('people, in the browser', () => {
  before(async () => {
    server = await startLiveServer()
    browser = await startBrowser(server.address)
    await browser.setViewport(1280, 800)
  })

  const enter = async (name: string, password: string): Promise<void> => {
    await browser.open('/')
    await browser.type('textbox', 'Name', name)
    await browser.type('textbox', 'Password', password)
    await browser.click('button', 'Sign in')
  }
  const leave = async (): Promise<void> => {
    await browser.open('/settings')
    await browser.click('button', 'Sign out')
    await browser.find('button', 'Sign in')
  }
  const shownCode = async (): Promise<string> => {
    const shown = await (await browser.find('status', /^Code for /)).getText()
    return (/\n([a-z2-9]{4} [a-z2-9]{4} [a-z2-9]{4})\n/.exec(shown)?.[1] ?? '').replaceAll(' ', '')
  }
  let code: string

  it('an admin comes to the people, not to patients, and adds somebody with a code', async () => {
    await enter('greta', server.password)
    await browser.find('heading', 'People')
    expect(await browser.query('link', 'Board')).to.equal(null)
    await browser.click('button', 'Add a person')
    await browser.type('textbox', 'Name', 'Nell Harkaway')
    await browser.type('textbox', 'Signs in as', 'n h')
    await browser.click('button', 'Add and make a code')
    await browser.waitForText('Signs in as must be 2 to 40 letters, digits, dots or hyphens: change it.')
    await browser.type('textbox', 'Signs in as', 'nell')
    await browser.click('button', 'lead')
    await browser.click('button', 'Add and make a code')
    await browser.waitForText('One-time code for Nell Harkaway')
    code = await shownCode()
    expect(code).to.have.length(12)
    await browser.waitForText('clinician, lead; has a code, no password yet')
    await leave()
  }).timeout(60_000)

  it('who comes by a code chooses a password first, and then works', async () => {
    await enter('nell', code)
    await browser.find('heading', 'Choose your password')
    await browser.type('textbox', 'The code', code)
    await browser.type('textbox', 'New password', 'short')
    await browser.type('textbox', 'New password again', 'other')
    await browser.click('button', 'Keep the new password')
    await browser.waitForText('must have at least 10 characters')
    await browser.waitForText('The two are not the same')
    await browser.type('textbox', 'New password', own)
    await browser.type('textbox', 'New password again', own)
    await browser.click('button', 'Keep the new password')
    await browser.find('heading', 'Board')
    expect(await browser.text(), 'once there is a password, entries are kept').not.to.include('keeps nothing')
    await leave()
    await signInAtForm(browser, 'nell', own)
    await leave()
  }).timeout(60_000)

  it('roles, codes and the end of access are one press each', async () => {
    await enter('greta', server.password)
    await browser.click('button', 'Change Nell Harkaway')
    await browser.click('button', 'lead')
    await browser.waitForText('clinician; not signed in')
    await browser.click('button', 'End access')
    await browser.waitForText('access ended')
    await leave()
    await enter('nell', own)
    await browser.waitForText('Name and password do not match')
  }).timeout(60_000)

  it('a password is changed in Settings, and a wrong one of now is said', async () => {
    await signIn(browser, 'bram', server.password)
    await browser.open('/settings')
    await browser.type('textbox', 'Password of now', 'wrong')
    await browser.type('textbox', 'New password', own)
    await browser.type('textbox', 'New password again', own)
    await browser.click('button', 'Keep the new password')
    await browser.waitForText('The password of now is not right')
    await browser.type('textbox', 'Password of now', server.password)
    await browser.click('button', 'Keep the new password')
    await browser.waitForText('The new password is kept')
    await browser.open('/people')
    await browser.waitForText('Only an admin manages people')
    await leave()
    await signInAtForm(browser, 'bram', own)
    await leave()
  }).timeout(60_000)

  it('a paired device begins a case without an account; a clinician claims it, and the audit says who looked', async () => {
    await enter('greta', server.password)
    await browser.click('button', 'Pair this device')
    await browser.waitForText('The name of this device is missing')
    await browser.type('textbox', 'This device is called', 'Resus 2')
    await browser.click('button', 'Pair this device')
    await browser.waitForText('This device is Resus 2')
    await leave()

    await browser.click('button', 'Emergency: begin without signing in')
    await browser.find('heading', 'Size up')
    await browser.waitForText('Kept as unattributed@Resus 2 until a clinician claims it.')
    const begun = new URL(await browser.driver.getCurrentUrl()).pathname
    await browser.click('button', 'left ankle')
    await browser.click('link', 'Zesty Wren, to the Board')
    await browser.waitForText('not claimed')
    expect((await browser.driver.findElements({ css: 'main a[href^="/case/"]' })).length).to.equal(1)
    await browser.open('/history')
    await browser.waitForText('may not do this')
    await browser.click('button', 'End it')
    await browser.find('button', 'Sign in')

    await signIn(browser, 'isolde', server.password)
    await browser.open(begun)
    await browser.waitForText('It was begun by unattributed@Resus 2.')
    await browser.click('button', 'Claim it')
    await browser.type('textbox', 'Who was there', 'ab')
    await browser.click('button', 'Claim it')
    await browser.waitForText('Who was there is missing')
    await browser.type('textbox', 'Who was there', 'I splinted it with the student')
    await browser.click('button', 'Claim it')
    await browser.waitForText('claimed by Isolde Quill')
    await leave()

    await enter('greta', server.password)
    await browser.click('link', 'Who read what')
    await browser.find('heading', 'Audit')
    await browser.waitForText('Read: The case')
    await browser.waitForText('Wrote: claimed')
    await browser.type('textbox', 'Hospital number', 'nobody-has-it')
    await browser.click('button', 'Look')
    await browser.waitForText('Nobody did anything of this kind in these days')
    await leave()
  }).timeout(90_000)

  it('a lead sets up an authenticator app, and comes in by its code from then on', async () => {
    await signIn(browser, 'maren', server.password)
    await browser.open('/settings')
    await browser.type('textbox', 'Your password, again', server.password)
    await browser.click('button', 'Set up an authenticator app')
    await browser.find('image', 'The secret, to be read by the app')
    const secret = (
      await (await browser.driver.findElement({ css: 'form[aria-label="Authenticator app"] .font-mono' })).getText()
    ).replaceAll(' ', '')
    const app = new TOTP({ secret: Secret.fromBase32(secret) })
    await browser.type('textbox', 'The six digits that it shows now', '12')
    await browser.click('button', 'Ask for codes from now on')
    await browser.waitForText('The code is six digits')
    await browser.type('textbox', 'The six digits that it shows now', app.generate())
    await browser.click('button', 'Ask for codes from now on')
    await browser.waitForText('Write these down: they are shown once')
    const recovery = /([a-z2-9]{4}-){3}[a-z2-9]{4}/.exec(await browser.text())?.[0] ?? ''
    await browser.click('button', 'I have them')
    await browser.waitForText('Its codes are asked for when you sign in')
    await leave()
    await enter('maren', server.password)
    await browser.waitForText('Type the six digits that your authenticator app shows now.')
    await browser.type('textbox', 'Code of your authenticator app', 'abc')
    await browser.click('button', 'Sign in')
    await browser.waitForText('The code is six digits, or a recovery code of four groups')
    await browser.type('textbox', 'Code of your authenticator app', recovery)
    await browser.click('button', 'Sign in')
    await browser.find('heading', 'Board')
    await leave()
    await enter('maren', server.password)
    await browser.waitForText('Type the six digits that your authenticator app shows now.')
    // The code of now was used to set it up: the next one counts already.
    await browser.type('textbox', 'Code of your authenticator app', app.generate({ timestamp: Date.now() + 30_000 }))
    await browser.click('button', 'Sign in')
    await browser.find('heading', 'Board')
    await leave()
  }).timeout(60_000)

  it('what a trainee entered waits for a clinician, who reads it and signs', async () => {
    await signIn(browser, 'isolde', server.password)
    await browser.click('link', /^Countersign \d+$/)
    await browser.waitForText('entered by Teodor Finch')
    await browser.waitForText('Skin chin: red not blanching')
    await browser.click('button', /^Countersign all 5 of Piran Nance/)
    await browser.waitForText('Nothing waits for your name')
    await browser.open('/')
    await browser.find('heading', 'Board')
    await browser.waitForText('live cases')
    await browser.waitUntilGone('link', /^Countersign/)
  }).timeout(60_000)
})
