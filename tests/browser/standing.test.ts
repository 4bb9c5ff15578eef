import { expect } from 'chai'
import { keyMovements } from '#core/model/round-items'
import { signIn, startBrowser, type TestBrowser } from '../harness/browser/browser'
import { sendRoundForm } from '../harness/browser/fill-round'
import { startLiveServer, type LiveServer } from '../harness/live-server'
import { itAtLength } from '../harness/long'
import { walkTo } from '../harness/cases/run-steps'
import { quietRound, seedCase, sendApplied, sendEvent, sendRound, startRun, type SeededCase } from '../harness/seed-case'
import { patienceMs } from '../harness/patience'

let server: LiveServer
let browser: TestBrowser

const open = (seeded: SeededCase, stage: string): Promise<void> => browser.open(`/case/${seeded.caseId}/${stage}`)
const panel = async (): Promise<string> => (await browser.find('region', 'What stands')).getText()
/** What stands on Watch once it says something; an alarm is announced as such. */
const alarm = async (): Promise<string> => (await browser.find('alert', 'What stands')).getText()
/** The line of a patient on the Board, once it says what is waited for. */
async function boardLine(name: string, wanted: RegExp): Promise<string> {
  await browser.open('/')
  let line = ''
  const isThere = async (): Promise<boolean> => {
    const texts = await browser.texts('ul[aria-label^="Live cases"] > li')
    line = texts.find((text) => text.includes(name)) ?? ''
    return wanted.test(line)
  }
  await browser.driver.wait(async () => isThere().catch(() => false), patienceMs, `the Board never said ${String(wanted)} of ${name}`)
  return line
}
/** What the server holds of a case. */
function recordOf(
  seeded: SeededCase,
): Promise<{ episodeVersion: number; record: { measurements: { id: string; key: string; value: number; side?: string }[] } }> {
  return browser.evaluateAsync(
    `const done = arguments[1]; fetch('/api/cases/' + arguments[0]).then((one) => one.json()).then(done)`,
    seeded.caseId,
  )
}
/** Names the patient, so that its line on the Board is found. */
async function named(seeded: SeededCase, name: string): Promise<SeededCase> {
  const patient = {
    name,
    isTemporary: false,
    born: '1980-01-01',
    number: 'TS-0002',
    ageYears: 40,
    isAgeEstimated: false,
    sex: '',
    heightCm: 171,
    massKg: 70,
    isMassEstimated: false,
  }
  const { episodeVersion: version } = await recordOf(seeded)
  await sendEvent(browser, { type: 'episode', id: seeded.episodeId }, 'patient', patient, version)
  return seeded
}

describe('what stands, in the browser', () => {
  before(async () => {
    server = await startLiveServer()
    browser = await startBrowser(server.address)
    await browser.setViewport(1280, 800)
    await signIn(browser, 'isolde', server.password)
  })

  it('an urgent finding stays urgent when one figure is entered, until two complete quiet rounds', async () => {
    const seeded = await named(await seedCase(browser, 'leg-slab'), 'Urgent Merryn')
    await sendRound(browser, seeded, quietRound('leg-slab'), true, 60)
    await sendApplied(browser, seeded, 55)
    await sendRound(browser, seeded, quietRound('leg-slab', { pulse: 'absent' }), false, 40)
    await open(seeded, 'watch')
    await browser.click('button', 'Do the round')
    const cell = await browser.find('group', 'Pain at rest, left')
    for (const button of await cell.findElements({ css: 'button' })) if ((await button.getText()).startsWith('3')) await button.click()
    await browser.click('button', 'Judge this round')
    await browser.waitForText(/\d+ places are open: they count as not looked at/)
    await browser.click('button', /^Judge this round with \d+ open$/)
    await browser.waitForText('Not looked at: left leg colour')
    expect(await alarm())
      .to.include('Urgent: ')
      .and.to.include('no pulse felt')
      .and.to.match(/Nobody has answered, 4\d min/)

    await browser.click('button', /^Done: Open the device down to the skin/)
    await browser.waitForText(/✓ Done \d\d:\d\d/)
    await browser.click('button', 'By telephone…')
    await browser.type('textbox', 'Name and role', ' ')
    await browser.click('button', 'Reached')
    await browser.waitForText('Not recorded. Name and role is missing')
    await browser.type('textbox', 'Name and role', 'Sorrel Vane, registrar')
    await browser.click('button', 'Reached')
    await browser.waitForText(/Answered \d\d:\d\d, Sorrel Vane, registrar/)
    expect(await boardLine('Urgent Merryn', /(?<!not )answered \d\d:\d\d, Sorrel Vane/)).to.include('Urgent')

    await sendRound(browser, seeded, quietRound('leg-slab'), false, 20)
    await open(seeded, 'watch')
    await browser.waitForText('Review: ')
    expect(await panel()).to.include('One more complete quiet round within 30 minutes')
    await sendRound(browser, seeded, quietRound('leg-slab'), false, 5)
    await open(seeded, 'watch')
    await browser.waitForText(/Not looked at: left leg colour/)
    expect(await panel()).not.to.match(/pulse felt|Urgent|Review/)
  })

  it('on a phone the verdict comes to the top of the screen, and the Board says the same', async () => {
    const seeded = await named(await seedCase(browser, 'leg-slab'), 'Phone Jory')
    await sendRound(browser, seeded, quietRound('leg-slab'), true, 60)
    await sendApplied(browser, seeded, 55)
    await browser.setViewport(390, 844)
    await sendRound(browser, seeded, quietRound('leg-slab', { pulse: 'absent' }), false)
    await open(seeded, 'watch')
    await browser.waitForText('Urgent: ')
    const top: number = await browser.evaluate(`return document.querySelector('[aria-label="What stands"]').getBoundingClientRect().top`)
    expect(top).to.be.below(200)
    await boardLine('Phone Jory', /no pulse felt/)
    await browser.setViewport(1280, 800)
  })

  it('paralysis at the first look of a seated vest alarms and lists all of it', async () => {
    const seeded = await seedCase(browser, 'seated-vest')
    const findings = quietRound('seated-vest')
    const limp = findings.limbs.map((limb) => ({ ...limb, power: Object.fromEntries(keyMovements[limb.limb].map(({ id }) => [id, 0])) }))
    await sendRound(browser, seeded, { ...findings, limbs: limp }, true)
    await open(seeded, 'measure')
    await browser.click('button', /elbow bend: strength 0 of 5/)
    await browser.find('dialog', 'What stands')
    const text = await alarm()
    // The headline says the first of them, and the list the others.
    expect(text).to.include('Urgent: left arm: elbow bend: strength 0 of 5').and.to.include('Right leg: foot down: strength 0 of 5')
    expect(text).to.include('Hold the head in line').and.not.to.include('Known')
  })

  it('an airway at risk that is found in mid-run binds the collar step, and going on is a deviation', async () => {
    const seeded = await seedCase(browser, 'extrication-collar', { options: { policy: 'rigid' } })
    await sendRound(browser, seeded, quietRound('extrication-collar'), true)
    await startRun(browser, seeded)
    const flags = ['airway-at-risk']
    const { episodeVersion: version } = await recordOf(seeded)
    await sendEvent(browser, { type: 'episode', id: seeded.episodeId }, 'flags', { flags }, version)
    await browser.waitForText('The plan changed after it was accepted')
    await walkTo(browser, /Slide it behind/)
    await browser.waitForText('No rigid collar: hold with hands and blocks as found.')
    const done = await browser.find('button', 'Done')
    expect(await done.isEnabled()).to.equal(false)
    await browser.click('button', 'Go on all the same')
    await browser.click('button', 'Go on all the same')
    await browser.type('textbox', 'Reason', 'moved by boat, no other way to hold')
    await browser.evaluate(
      `[...document.querySelectorAll('[role=dialog] button')].find((one) => one.innerText === 'Go on all the same').click()`,
    )
    await browser.click('button', /and \d+ more/)
    await browser.waitForText('Done although a stop stood on it')
  })

  it('a wrong side with the slab on needs its own dialog, alarms, and is held until it was looked at and read aloud afresh', async () => {
    const seeded = await named(await seedCase(browser, 'leg-slab'), 'Side Wenna')
    await sendRound(browser, seeded, quietRound('leg-slab'), true, 60)
    await startRun(browser, seeded)
    await walkTo(browser, /Cut for the LEFT|baseline/i)
    await sendApplied(browser, seeded, 0)
    await open(seeded, 'size-up')
    await browser.click('radio', 'RIGHT')
    await browser.find('dialog', 'Is the device on the wrong side?')
    await browser.click('button', /^It is RIGHT ankle/)
    await browser.waitForText('Reason is missing')
    await browser.type('textbox', 'Reason', 'read from the wrong film')
    await browser.click('button', /^It is RIGHT ankle/)
    await browser.waitForText('Look now which limb it is on')
    expect(await boardLine('Side Wenna', /which limb it is on/i))
      .to.include('Urgent')
      .and.to.include('LEFT ankle')
    await open(seeded, 'apply')
    await browser.find('heading', 'Which limb is it on?')
    await browser.click('button', 'On the RIGHT leg')
    await browser.find('heading', 'The run is held')
    await browser.click('button', 'Read aloud and confirmed: RIGHT ankle')
    await browser.waitForText('The plan is not accepted yet.')
  })

  itAtLength('a corrected reading after acceptance shows the bar before Start and in mid-run; kept with a reason it is gone', async () => {
    const seeded = await seedCase(browser, 'leg-slab')
    await open(seeded, 'choose')
    await browser.click('button', 'Accept the plan')
    await browser.find('heading', 'Make ready')
    const correct = async (byCm: number): Promise<void> => {
      const { record } = await recordOf(seeded)
      const last = record.measurements.findLast((measurement) => measurement.id === 'slab-path')!
      const reading = {
        id: last.id,
        side: last.side,
        value: last.value + byCm,
        unit: 'cm',
        tool: 'tape',
        typed: '',
        posture: '',
        supersedes: last.key,
      }
      await sendEvent(browser, { type: 'case', id: seeded.caseId }, 'reading', reading)
    }
    await correct(3)
    await browser.find('region', 'A changed plan waits')
    expect(await (await browser.find('button', 'Start applying')).isEnabled()).to.equal(false)
    await browser.click('button', 'Keep what was accepted')
    await browser.type('textbox', 'Reason', 'measured over the dressing')
    await browser.click('button', 'Keep it')
    await browser.waitUntilGone('region', 'A changed plan waits')
    await browser.click('button', 'Start applying')
    await browser.find('region', /^Step 1 of/)
    await correct(3)
    await browser.find('region', 'A changed plan waits')
  })

  itAtLength('skin that does not blanch under a care collar stands on Watch and Board until a later occasion ends it', async () => {
    const seeded = await named(await seedCase(browser, 'care-collar'), 'Skin Tegen')
    await sendApplied(browser, seeded, 30)
    await sendRound(browser, seeded, quietRound('care-collar'), false, 20)
    const skin = (value: string) => sendEvent(browser, { type: 'case', id: seeded.caseId }, 'reading', { id: 'skin-chin', value })
    await skin('red-not-blanching')
    await open(seeded, 'watch')
    await browser.waitForText(/Relieve, refit and tell: chin/i)
    await boardLine('Skin Tegen', /Relieve, refit and tell: chin/)
    await skin('intact')
    await open(seeded, 'watch')
    await browser.waitForText(/Relieve, refit and tell: chin/i)
    await open(seeded, 'measure')
    await browser.click('button', 'Re-seated')
    await browser.waitForText('Last: re-seated')
    await skin('intact')
    await open(seeded, 'watch')
    await browser.find('region', 'What stands')
    expect(await browser.text()).not.to.match(/Relieve, refit and tell/i)
  })

  itAtLength('a collar that was on already is entered with what is known, checked first, and stands until it is planned', async () => {
    const seeded = await named(await seedCase(browser, 'extrication-collar', { isUnread: true }), 'Found Petrok')
    await open(seeded, 'size-up')
    await browser.click('button', 'It is already on')
    await browser.click('button', 'Check it now')
    await browser.waitForText('What is on, and who put it on is missing')
    await browser.waitForText('On since is missing')
    await browser.type('textbox', 'What is on, and who put it on', 'Adult collar, first responders')
    await browser.click('radio', 'Not known')
    await browser.click('button', 'Check it now')
    await browser.find('heading', 'Check')
    await open(seeded, 'watch')
    await browser.waitForText('Found on, not planned here: Adult collar, first responders; since when is not known')
  })

  itAtLength('a slip in a round is put right with why: it counts no longer, and stays readable', async () => {
    const seeded = await named(await seedCase(browser, 'leg-slab'), 'Slip Loveday')
    await sendRound(browser, seeded, quietRound('leg-slab'), true, 60)
    await sendApplied(browser, seeded, 55)
    await sendRound(browser, seeded, quietRound('leg-slab', { pulse: 'absent' }), false, 10)
    await open(seeded, 'watch')
    await browser.waitForText('no pulse felt')
    await browser.evaluate(`[...document.querySelectorAll('section[aria-labelledby=rounds] summary')][0].click()`)
    await browser.click('button', 'Put it right')
    await browser.find('dialog', /^Put right/)
    await browser.evaluate(
      `const cell = document.querySelector('[role=dialog] [role=group][aria-label="Pulse, left"]')
       ;[...cell.querySelectorAll('button')].find((one) => one.innerText === 'present').click()
       ;[...document.querySelectorAll('[role=dialog] button')].find((one) => one.innerText === 'Put it right').click()`,
    )
    await browser.waitForText('What was wrong with it is missing')
    await browser.type('textbox', 'What was wrong with it', 'felt on the wrong foot')
    await sendRoundForm(browser, 'Put it right')
    await browser.waitForText('as first entered')
    await browser.waitForText('felt on the wrong foot')
    await browser.waitForText('No warning in what was entered')
  })

  it('a pulse lost through “Something is wrong” stands as an alarm', async () => {
    const seeded = await seedCase(browser, 'leg-slab')
    await sendRound(browser, seeded, quietRound('leg-slab'), true, 30)
    await sendApplied(browser, seeded, 25)
    await open(seeded, 'watch')
    await browser.click('button', 'Something is wrong')
    await browser.click('button', 'Pulse lost, or the limb cold and pale')
    await browser.click('button', 'Go on')
    expect(await alarm()).to.include('pulse lost, or the limb cold and pale')
  })
})
