import { expect } from 'chai'
import { signIn, startBrowser, type TestBrowser } from '../harness/browser/browser'
import { startLiveServer, type LiveServer } from '../harness/live-server'
import { finishStep, shownStep, walkTo } from '../harness/cases/run-steps'
import { quietRound, seedCase, sendApplied, sendEvent, sendRound, startRun, type SeededCase } from '../harness/seed-case'

let server: LiveServer
let browser: TestBrowser
let shell: SeededCase

describe('a trunk shell that was off for the night', () => {
  before(async () => {
    server = await startLiveServer()
    browser = await startBrowser(server.address)
    await browser.setViewport(1280, 800)
    await signIn(browser, 'isolde', server.password)
    shell = await seedCase(browser, 'trunk-shell')
    await sendRound(browser, shell, quietRound('trunk-shell'), true, 90)
    await startRun(browser, shell)
    await sendApplied(browser, shell, 60)
    await sendRound(browser, shell, quietRound('trunk-shell'), false, 5)
    const stream = { type: 'case', id: shell.caseId } as const
    await sendEvent(browser, stream, 'reading', { id: 'strap-left-1', value: 4, unit: 'cm' }, 50)
    await sendEvent(browser, stream, 'reading', { id: 'edge-to-notch-loose', value: 3, unit: 'cm' }, 50)
    await sendEvent(browser, stream, 'reading', { id: 'edge-to-notch-lying', value: 1.4, unit: 'cm' }, 49)
  })

  it('begins again from Watch, with its own short list', async () => {
    await browser.open(`/case/${shell.caseId}/watch`)
    await browser.click('button', 'Put it on again')
    await browser.find('region', /Step 1 of 1\d/)
    await browser.waitForText('put on again')
    expect(await shownStep(browser)).to.match(/Read aloud with the patient/)
  }).timeout(60_000)

  it('wants the circulation before it, and names this patient’s own figures', async () => {
    await walkTo(browser, /Check circulation, feeling and movement on/)
    await sendRound(browser, shell, quietRound('trunk-shell'), false)
    await walkTo(browser, /Straps touched down/)
    expect(await shownStep(browser)).to.match(/tightening lifts it [\d.]+.cm here; last time 3.cm/)
    expect(await shownStep(browser), 'what was read the last time is not read now').not.to.include('Read:')
    await browser.type('textbox', 'Edge below the notch, loose', '1.8')
    await browser.click('button', 'Done')
    await walkTo(browser, /left and right/i)
    expect(await shownStep(browser)).to.match(/last time 4.cm/)
  }).timeout(60_000)

  it('goes on to the look after, and back to its rounds: nothing was applied twice', async () => {
    await walkTo(browser, /Check circulation, feeling and movement again/)
    await sendRound(browser, shell, quietRound('trunk-shell'), false)
    await finishStep(browser)
    await browser.find('button', 'Put it on again')
    await browser.open(`/case/${shell.caseId}/record`)
    await browser.waitForText('Put on again')
  }).timeout(60_000)
})
