import { expect } from 'chai'
import jsQR from 'jsqr'
import { signIn, startBrowser, startKeepingBrowser, type KeepingBrowser, type TestBrowser } from '../harness/browser/browser'
import { countHands } from '../harness/browser/count-taps'
import { startCutLine, type CutLine } from '../harness/browser/cut-line'
import { waitForKeptApplication } from '../harness/kept'
import { startLiveServer, type LiveServer } from '../harness/live-server'
import { patienceMs } from '../harness/patience'
import { finishStep, shownStep } from '../harness/cases/run-steps'

let server: LiveServer
let line: CutLine
let crew: KeepingBrowser
let ward: TestBrowser

const emergency = 'Emergency: begin without signing in'
const caseOf = async (browser: TestBrowser): Promise<string> => /\/case\/([^/]+)/.exec(await browser.driver.getCurrentUrl())?.[1] ?? ''
const shownNumber = async (): Promise<string> => (await shownStep(crew)).split(':')[0] ?? ''

/** What the codes of a page say, each read by a reader that did not make it, from its picture as it is drawn. */
async function readCodes(browser: TestBrowser): Promise<readonly string[]> {
  const pictures = await browser.evaluateAsync<readonly { readonly size: number; readonly dark: string }[]>(
    `const [done] = arguments
     const seen = [...document.querySelectorAll('svg[aria-label^="Code to scan"]')].filter((one) => one.checkVisibility())
     Promise.all(seen.map((svg) => new Promise((resolve, reject) => {
       const size = 800
       const copy = svg.cloneNode(true)
       copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg')
       copy.setAttribute('width', size)
       copy.setAttribute('height', size)
       const image = new Image()
       image.onerror = () => reject(new Error('no picture'))
       image.onload = () => {
         const canvas = Object.assign(document.createElement('canvas'), { width: size, height: size })
         const pen = canvas.getContext('2d')
         pen.drawImage(image, 0, 0)
         const { data } = pen.getImageData(0, 0, size, size)
         let dark = ''
         for (let at = 0; at < data.length; at += 4) dark += data[at] < 128 ? '1' : '0'
         resolve({ size, dark })
       }
       image.src = 'data:image/svg+xml;base64,' + btoa(new XMLSerializer().serializeToString(copy))
     }))).then(done)`,
  )
  return pictures.map(({ size, dark }) => {
    const pixels = new Uint8ClampedArray(size * size * 4).fill(255)
    for (let at = 0; at < dark.length; at++) if (dark[at] === '1') pixels.fill(0, at * 4, at * 4 + 3)
    return jsQR(pixels, size, size)?.data ?? 'not read'
  })
}

describe('in the field: two patients on a phone without a line and without an account', () => {
  let first: string
  let second: string

  before(async () => {
    server = await startLiveServer()
    line = await startCutLine(server.address)
    crew = await startKeepingBrowser(line.address)
    await crew.setViewport(390, 844)
    await crew.open('/')
    await crew.find('button', 'Sign in')
    await crew.evaluateAsync(
      `const [password, done] = arguments
       const post = (path, body, token) => fetch(path, { method: 'POST', headers: { 'content-type': 'application/json', ...(token ? { 'x-csrf-token': token } : {}) }, body: JSON.stringify(body) })
       post('/api/session', { name: 'greta', password })
         .then((one) => one.json())
         .then(async ({ csrf }) => {
           await post('/api/admin/devices', { name: 'Rescue 5' }, csrf)
           await fetch('/api/session', { method: 'DELETE', headers: { 'x-csrf-token': csrf } })
           done(null)
         })`,
      server.password,
    )
    await crew.driver.navigate().refresh()
    await crew.find('button', emergency)
    await waitForKeptApplication(crew)
  })
  after(() => crew.quit())

  it('a collar: from the first tap to its first step by six taps and six keys at most', async () => {
    const hands = await countHands(crew)
    await line.cut()
    await crew.driver.navigate().refresh()
    await crew.find('button', emergency)
    await hands.begin()
    await crew.click('button', emergency)
    await crew.find('heading', 'Size up')
    first = await caseOf(crew)
    await crew.click('button', 'neck')
    await crew.click('link', 'Measure')
    await crew.find('heading', 'Measure')
    await crew.press('8')
    await crew.click('button', 'Enter')
    await crew.click('link', /^Choose /)
    await crew.click('button', 'Begin')
    await crew.waitForText('Step 1 of')
    const { taps, keys } = await hands.count()
    expect(taps, 'taps').to.be.at.most(6)
    expect(keys, 'keys').to.be.at.most(6)
    expect(await crew.text())
      .to.include('Rescue 5')
      .and.not.include('Emergency department')
  }).timeout(60_000)

  it('the page dies after every step, and goes on where it was', async () => {
    for (let step = 1; step <= 6; step++) {
      expect(await shownNumber()).to.match(new RegExp(`^Step ${step} of`))
      await finishStep(crew)
      const next = await shownNumber()
      const [said, topPx, isSeen] = await crew.evaluate<readonly [string, number, boolean]>(
        `const headline = document.activeElement
         const { left, top } = headline.getBoundingClientRect()
         return [headline.ariaLabel ?? '', top, document.elementFromPoint(left + 5, top + 5) === headline]`,
      )
      expect(said, 'a step begins at its sentence').to.match(new RegExp(`Step ${step + 1} of \\d+\\.$`))
      expect(topPx, 'which is at the top of the view').to.be.within(0, 260)
      expect(isSeen, 'and nothing lies over it').to.equal(true)
      await crew.driver.navigate().refresh()
      await crew.driver.wait(async () => (await shownNumber()) === next, patienceMs, `${next} was lost`)
    }
  }).timeout(120_000)

  it('a second patient is begun, and both are found again, before and after the way in', async () => {
    await crew.open('/')
    await crew.click('link', 'New patient')
    await crew.find('heading', 'Size up')
    second = await caseOf(crew)
    await crew.click('button', 'left ankle')
    await crew.click('radio', 'marked')
    await crew.click('button', 'End it')
    await crew.waitForText(/This device’s patients[^]*Extrication collar[^]*\d+ not sent/)
    expect((await crew.texts('section[aria-label="This device’s patients"] li')).length).to.equal(2)
    await crew.click('button', emergency)
    await crew.find('heading', 'This device’s patients')
    await crew.find('link', /LEFT ankle/)
    await crew.click('link', /neck/)
    await crew.driver.wait(async () => /^Step 7 of/.test(await shownNumber()), patienceMs)
    expect(await caseOf(crew)).to.equal(first)
    // In the field the short look stands there first.
    await crew.click('button', 'Record the baseline')
    await crew.waitForText('16 open')
  }).timeout(60_000)

  it('a claim adds a person and takes nothing from the phone, though Apply is open there', async () => {
    await line.mend()
    ward = await startBrowser(server.address)
    await ward.setViewport(1280, 800)
    await signIn(ward, 'isolde', server.password)
    const answered = (): Promise<number> =>
      ward.evaluateAsync(`const [id, done] = arguments; fetch('/api/cases/' + id).then(({ status }) => done(status))`, first)
    await ward.driver.wait(async () => (await answered()) === 200, 90_000, 'what was entered without a line never arrived')
    await ward.open(`/case/${first}`)
    await ward.click('button', 'Claim it')
    await ward.type('textbox', 'Who was there', 'I was with the crew')
    await ward.click('button', 'Claim it')
    await ward.waitForText('unattributed@Rescue 5 has not given over yet.')
    await crew.waitForText(/Claimed by Isolde Quill/)
    await crew.driver.navigate().refresh()
    await crew.driver.wait(async () => /^Step 7 of/.test(await shownNumber()), patienceMs)
    await crew.type('textbox', /Note/, 'collar was tight at first')
    await crew.click('button', 'Keep the note')
    await ward.click('link', 'Receiver’s card')
    await ward.waitForText('collar was tight at first')
  }).timeout(150_000)

  it('the card says the same on the page and in its code', async () => {
    await crew.click('link', 'Receiver’s card')
    await crew.find('heading', /Receiver’s card/)
    await crew.waitForText('On the body')
    const read = (await readCodes(crew)).join('\n')
    const said = await crew.text()
    for (const words of ['neck: Extrication collar, not on yet', 'Blood thinners: not asked', 'head, at the head: nobody named (as of']) {
      expect(read, words).to.include(words)
      expect(said, words).to.include(words)
    }
  }).timeout(60_000)

  it('is over once both sides have said so; what is gone says where, and the other patient stays', async () => {
    await ward.click('button', 'I have the patient')
    await ward.waitForText(/Isolde Quill has the patient/)
    await crew.waitForText(/Isolde Quill has the patient/)
    expect(await crew.query('button', 'I have the patient'), 'nobody takes their own patient').to.equal(null)
    await crew.click('button', 'I give over')
    await crew.waitForText('Both sides have said so.')
    await crew.driver.navigate().refresh()
    await crew.waitForText(/Isolde Quill has this patient since/)
    await ward.driver.navigate().refresh()
    await ward.waitForText('Both sides have said so.')
    await crew.click('link', 'To the Board')
    await crew.find('heading', 'This device’s patients')
    await crew.waitForText(/Isolde Quill has this patient since[^]*LEFT ankle|LEFT ankle[^]*Isolde Quill has this patient since/)
    // Opened, the list is gone, and with it the link: what counts is whose page is open then.
    await crew.click('link', /LEFT ankle/).catch(async (error: unknown) => {
      if ((await caseOf(crew)) !== second) throw error
    })
    await crew.find('heading', 'Measure')
    expect(await caseOf(crew)).to.equal(second)
  }).timeout(90_000)
})
