import { expect } from 'chai'
import { signIn, startBrowser, type TestBrowser } from '../harness/browser/browser'
import { startLiveServer, type LiveServer } from '../harness/live-server'
import { quietRound, seedCase, sendApplied, sendEvent, sendRound, type SeededCase } from '../harness/seed-case'
import { patienceMs } from '../harness/patience'

let server: LiveServer
let browser: TestBrowser

describe('how a case ends, in the browser', () => {
  before(async () => {
    server = await startLiveServer()
    browser = await startBrowser(server.address)
    await browser.setViewport(1280, 800)
    await signIn(browser, 'isolde', server.password)
  })

  async function wearing(technique: string): Promise<SeededCase> {
    const seeded = await seedCase(browser, technique)
    await sendRound(browser, seeded, quietRound(technique), true, 60)
    await sendApplied(browser, seeded, 50)
    await sendRound(browser, seeded, quietRound(technique), false, 5)
    return seeded
  }
  const boardText = async (): Promise<string> => {
    // Others are called at home too: only those of this test.
    await browser.open('/?q=test')
    await browser.waitForText(/read just now|read \d+ min ago/)
    return browser.text()
  }

  /** Until the server has what the page shows already. */
  async function isKept(seeded: SeededCase, field: 'ended' | 'removedAt'): Promise<void> {
    await browser.driver.wait(
      () =>
        browser.evaluateAsync<boolean>(
          `const [id, field, done] = arguments
           fetch('/api/cases/' + id).then((one) => one.json()).then(({ record }) => done(Boolean(record[field])))`,
          seeded.caseId,
          field,
        ),
      patienceMs,
      `${field} was never kept`,
    )
  }

  describe('home with it on', () => {
    let seeded: SeededCase

    it('asks who helps where the patient lives alone, and what was taught back', async () => {
      seeded = await wearing('leg-slab')
      await sendEvent(browser, { type: 'episode', id: seeded.episodeId }, 'flags', { flags: ['lives-alone'] }, 4)
      await browser.open(`/case/${seeded.caseId}/watch`)
      await browser.click('button', 'How it ends')
      await browser.click('button', /^End it/)
      await browser.waitForText('What happens is missing')
      await browser.click('radio', 'Home with it on')
      await browser.click('button', /^End it/)
      await browser.waitForText('Who helps at home is missing')
      await browser.type('textbox', 'Who helps at home', 'Sister, every evening')
      await browser.click('radio', 'tried, can')
      await browser.type('textbox', 'Phone of the patient', '0491 570 006')
      await browser.type('textbox', 'Number to call, day and night', '0491 570 110')
      await browser.click('radio', 'crutches')
      await browser.click('button', /^End it/)
      await browser.waitForText('Taught back is missing')
      await browser.type('textbox', 'Taught back: what the patient will come back for', 'white toes or numbness')
      await browser.click('button', /^End it/)
      await browser.find('region', 'Ended')
      await browser.waitForText('Sister, every evening')
    }).timeout(60_000)

    it('sends the patient home with a sheet that prints', async () => {
      await isKept(seeded, 'ended')
      const sheet = await browser.find('link', 'Take-home sheet, A4')
      const [status, type, size]: [number, string, number] = await browser.evaluateAsync(
        `const [href, done] = arguments
         fetch(href).then(async (one) => done([one.status, one.headers.get('content-type'), (await one.blob()).size]))`,
        await sheet.getAttribute('href'),
      )
      expect([status, type]).to.deep.equal([200, 'application/pdf'])
      expect(size).to.be.greaterThan(10_000)
    }).timeout(30_000)

    it('owes the call of the next day, on Watch and on the Board, until it is made', async () => {
      await browser.find('button', /^Do it: Call at home/)
      await browser.waitUntilGone('button', 'Do the round')
      expect(await boardText()).to.match(/Call at home/)
      await browser.open(`/case/${seeded.caseId}/watch`)
      await browser.click('button', /^Do it: Call at home/)
      await browser.type('textbox', 'Note (may stay empty)', 'slept, toes warm')
      await browser.click('button', 'Done')
      await browser.waitForText('slept, toes warm')
      await browser.driver.wait(async () => !(await boardText()).includes('Call at home'), patienceMs)
    }).timeout(60_000)

    it('is found in the history, and goes on when it is reopened', async () => {
      await browser.click('button', 'Menu')
      await browser.click('menuitem', 'History')
      await browser.type('searchbox', 'Find', 'home test leg')
      await browser.driver.wait(async () => /q=home\+test\+leg/.test(await browser.driver.getCurrentUrl()), patienceMs)
      await browser.waitForText(/Home with it on,/)
      await browser.driver.navigate().refresh()
      await browser.click('link', /Test leg-slab/)
      await browser.click('button', 'Reopen')
      await browser.click('button', 'Reopen it')
      await browser.waitForText('Reason is missing')
      await browser.type('textbox', 'Reason', 'back with numb toes')
      await browser.click('button', 'Reopen it')
      await browser.find('button', 'Do the round')
      await browser.waitUntilGone('region', 'Ended')
    }).timeout(60_000)
  })

  it('taken off: skin and movement are said first, and the history knows', async () => {
    const seeded = await wearing('walker-boot')
    await browser.open(`/case/${seeded.caseId}/watch`)
    await browser.click('button', 'How it ends')
    await browser.click('radio', 'Taken off')
    await browser.type('textbox', 'Reason', 'healed')
    await browser.click('button', /^End it/)
    await browser.waitForText('Skin under it is missing')
    await browser.click('radio', 'intact')
    await browser.click('radio', 'as before')
    await browser.click('button', /^End it/)
    await browser.waitForText('Removed')
    await isKept(seeded, 'removedAt')
    await browser.open('/history?q=test walker off')
    await browser.waitForText(/taken off/)
  }).timeout(60_000)

  it('entered by mistake: leaves the Board with its reason', async () => {
    const seeded = await seedCase(browser, 'volar-slab')
    await browser.open(`/case/${seeded.caseId}/size-up`)
    await browser.click('button', 'Entered by mistake')
    await browser.type('textbox', 'Reason', 'opened twice')
    await browser.click('button', 'Void the case')
    await browser.find('region', 'Ended')
    await browser.waitForText('opened twice')
    await isKept(seeded, 'ended')
    await browser.open('/history?q=mistake volar')
    await browser.find('link', /Test volar-slab/)
  }).timeout(60_000)

  it('moves: to a free bed by two taps, says who has the bed, and begins the rounds anew after a transfer', async () => {
    const seeded = await wearing('hinged-knee-brace')
    await boardText()
    await browser.open(`/case/${seeded.caseId}/watch`)
    await browser.click('button', 'Bay 9: move')
    await browser.click('button', 'Ward A')
    await browser.find('button', 'Ward A, bed 11')
    await browser.waitUntilGone('button', 'Ward A, bed 5')
    await browser.type('textbox', 'Place', 'Ward A, bed 5')
    await browser.click('radio', 'yes: rounds begin anew')
    await browser.click('button', 'Move')
    await browser.waitForText('Ward A, bed 5 has Jago Penrose-Lyle by the Board.')
    await browser.type('textbox', 'Place', ' ')
    await browser.click('button', 'Move')
    await browser.waitForText('Place is missing')
    await browser.click('button', 'Ward A')
    await browser.click('button', 'Ward A, bed 11')
    await browser.click('button', 'Move')
    await browser.find('button', 'Ward A, bed 11: move')
    await browser.waitForText(/Next round in|Round due in/)
    await browser.open('/new')
    await browser.find('button', 'Ward A, bed 11: move')
  }).timeout(60_000)

  it('says so where nothing is found', async () => {
    await browser.open('/history?q=nobody-of-this-name')
    await browser.waitForText(/No case for “nobody-of-this-name”/)
  })
})
