import { expect } from 'chai'
import type { CaseRecord } from '#contract/records/case'
import { findTechnique } from '#core/techniques/registry'
import type { LimbFindings } from '#core/model/observation'
import { exampleOf } from '../harness/cases/example-cases'
import { patienceMs } from '../harness/patience'
import { bothLegs } from '../../src/server/demo/findings'
import { signIn, startBrowser, type TestBrowser } from '../harness/browser/browser'
import { startLiveServer, type LiveServer } from '../harness/live-server'
import { quietRound, seedCase, sendApplied, sendEvent, sendRound, startRun, type SeededCase } from '../harness/seed-case'

let server: LiveServer
let browser: TestBrowser

const panel = async (): Promise<string> => (await browser.find('alert', 'What stands')).getText()
/** The lines of what to do, as they stand. */
const lines = (): Promise<readonly string[]> =>
  browser.evaluate(
    `return [...document.querySelectorAll('ol[aria-label="What to do, in this order"] > li > div > p.font-semibold')].map((one) => one.innerText)`,
  )
/** Where the first line ends, px from the top of the window. */
const firstLineEnds = (): Promise<number> =>
  browser.evaluate(`return document.querySelector('ol[aria-label="What to do, in this order"] > li p').getBoundingClientRect().bottom`)
const recordOf = (seeded: SeededCase): Promise<CaseRecord> =>
  browser.evaluateAsync(
    `const done = arguments[1]; fetch('/api/cases/' + arguments[0]).then((one) => one.json()).then((one) => done(one.record))`,
    seeded.caseId,
  )
/** What the server holds of a case, once it has what is waited for. */
async function recordWith<T>(seeded: SeededCase, read: (record: CaseRecord) => T | undefined): Promise<T> {
  let found: T | undefined
  const isThere = async (): Promise<boolean> => (found = read(await recordOf(seeded))) !== undefined
  await browser.driver.wait(isThere, patienceMs, 'the server never had it')
  return found as T
}
/** A quiet round of a leg device on the side that its example has hurt. */
const legsOf = (technique: string, change: Partial<LimbFindings> = {}) =>
  bothLegs(exampleOf(technique).injury['side'] as 'left' | 'right', change)
const isOfLeg = (technique: string): boolean => technique.includes('leg') || technique.includes('traction')
const watch = ({ caseId }: SeededCase): Promise<void> => browser.open(`/case/${caseId}/watch`)

/** A device that went on twenty minutes ago, with a baseline that found all well. */
async function worn(technique: string): Promise<SeededCase> {
  const seeded = await seedCase(browser, technique)
  await sendRound(browser, seeded, isOfLeg(technique) ? legsOf(technique) : quietRound(technique), true, 30)
  await sendApplied(browser, seeded, 20)
  return seeded
}

async function trouble(seeded: SeededCase, troubleId: string, technique: string): Promise<void> {
  const label = findTechnique(technique)?.troubles.find(({ id }) => id === troubleId)?.label ?? troubleId
  await sendEvent(browser, { type: 'case', id: seeded.caseId }, 'trouble', { runId: null, stepId: null, troubleId, label, note: '' })
}

describe('what is said first, on a phone', () => {
  before(async () => {
    server = await startLiveServer()
    browser = await startBrowser(server.address)
    await browser.setViewport(390, 844)
    await signIn(browser, 'isolde', server.password)
  })

  it('a pulse lost in a slab: one headline, one first line in the first screen, four more and the rest folded', async () => {
    const seeded = await worn('leg-slab')
    await sendRound(browser, seeded, quietRound('leg-slab', { pulse: 'absent', colour: 'pale', warmth: 'cold' }), false, 5)
    await watch(seeded)
    await browser.find('alert', 'What stands')
    expect(await panel()).to.match(/^Urgent: left leg: no pulse felt/)
    const shown = await lines()
    expect(shown[0]).to.match(/^Call the senior and open at once/)
    expect(shown).to.have.length(5)
    await browser.waitForText('4 more')
    expect(await firstLineEnds()).to.be.below(844)
  })

  it('a senior answers in two taps, and their words stand in the alarm and on the Board', async () => {
    const seeded = await worn('leg-slab')
    await sendRound(browser, seeded, quietRound('leg-slab', { pulse: 'absent' }), false, 5)
    await watch(seeded)
    await browser.click('button', 'Answer as a senior')
    await browser.click('button', 'Open it now')
    await browser.waitForText(/Isolde Quill, \d\d:\d\d: open it now/)
    await browser.click('button', 'Answer as a senior')
    await browser.click('button', '10 min')
    await browser.waitForText(/comes in 10 min, there \d\d:\d\d/)
    await browser.open('/')
    await browser.waitForText(/Isolde Quill, \d\d:\d\d: comes in 10 min/)
  })

  it('a senior answers from the line of the Board, and the answers stand open', async () => {
    const seeded = await worn('leg-slab')
    await sendRound(browser, seeded, quietRound('leg-slab', { pulse: 'absent' }), false, 5)
    await browser.open('/')
    await browser.find('link', /^Answer as a senior: /)
    await browser.clickAt(`a[href="/case/${seeded.caseId}/watch?answer"]`, 0)
    await browser.find('dialog', 'A senior answers')
    await browser.click('button', '5 min')
    await browser.waitForText(/Isolde Quill, \d\d:\d\d: comes in 5 min/)
    await browser.waitUntilGone('dialog', 'A senior answers')
    expect(await browser.driver.getCurrentUrl()).to.not.include('answer')
  })

  it('a limb without pulse is left only from the bedside; what was typed stays where it is refused', async () => {
    const seeded = await worn('leg-slab')
    await sendRound(browser, seeded, quietRound('leg-slab', { pulse: 'absent' }), false, 5)
    await watch(seeded)
    await browser.click('button', 'Answer as a senior')
    await browser.click('button', 'Leave it, until, because')
    await browser.click('button', 'Leave it')
    await browser.waitForText('Not recorded. Because is missing')
    await browser.type('textbox', 'Because', 'Doppler signal at the ankle, theatre is ready')
    await browser.click('button', 'Leave it')
    await browser.waitForText('Not recorded. A limb without pulse')
    await browser.click('radio', 'At the bedside')
    await browser.click('button', 'Leave it')
    await browser.waitForText(/Urgent, settled|Settled by Isolde Quill/)
    expect(await recordWith(seeded, (record) => record.seniorDecisions?.at(-1))).to.include({ how: 'bedside', answer: 'leave', forMin: 30 })
  })

  it('an arrest in a collar stands alone: compress first, and no older danger, no second answer', async () => {
    const seeded = await worn('extrication-collar')
    await sendRound(browser, seeded, { ...quietRound('extrication-collar'), neck: { breathing: 'noisy' } }, false, 10)
    await trouble(seeded, 'arrest', 'extrication-collar')
    await watch(seeded)
    await browser.find('alert', 'What stands')
    const shown = await lines()
    expect(shown[0]).to.match(/^Flat on something firm: compress/)
    expect(shown.join(' '))
      .to.match(/Call the arrest team and fetch the defibrillator/)
      .and.not.match(/again|Check|oxygen/i)
    expect(await panel()).to.match(/^Urgent: neck: cardiac arrest/)
  })

  it('one alone with somebody who vomits turns them first, then calls', async () => {
    const seeded = await worn('trunk-shell')
    await trouble(seeded, 'vomiting', 'trunk-shell')
    await watch(seeded)
    await browser.click('radio', 'I am alone')
    await browser.waitForText(/Near rail up, straps off/)
    const shown = await lines()
    expect(shown[0]).to.match(/^Near rail up/)
    expect(shown[2]).to.match(/^Shout for help/)
  })

  it('a pulse lost under a frame: called, compared, eased by half; the run of it writes the pull that is left', async () => {
    const seeded = await worn('frame-traction')
    await sendRound(browser, seeded, legsOf('frame-traction', { pulse: 'absent' }), false, 5)
    await watch(seeded)
    await browser.find('alert', 'What stands')
    const shown = await lines()
    expect(shown.slice(0, 3).join(' ')).to.match(/^Call the senior now.*Feel the pulse of both feet.*Ease the pull by half, then all of it/)
    expect(await panel()).to.not.match(/pull stays|Keep the pull(?! that)/i)
    await browser.click('button', 'Ease it now, step by step')
    await browser.waitForText(/is it this one\? Say name and side aloud/)
  })

  it('a patient who cannot be asked: only what is seen is asked, and it stands as one line with its reason', async () => {
    const seeded = await worn('leg-slab')
    await watch(seeded)
    await browser.click('button', 'Do the round')
    await browser.click('button', 'Cannot be asked')
    await browser.click('radio', 'unresponsive')
    expect(await browser.text()).to.not.match(/Pain at rest|Feeling: sole/)
    await sendRound(browser, seeded, { ...unasked(), cannotAsk: 'unresponsive' }, false, 1)
    await watch(seeded)
    await browser.waitForText(/cannot be asked, unresponsive/i)
    await sendRound(browser, seeded, { ...unasked('marked'), cannotAsk: 'unresponsive' }, false)
    await watch(seeded)
    await browser.find('alert', 'What stands')
    expect(await panel()).to.match(/Swelling up from .* to marked; nobody can say whether it hurts/i)
  })

  it('a frame that pulls and whose run is not ended is handed over as on', async () => {
    const seeded = await seedCase(browser, 'frame-traction')
    await sendRound(browser, seeded, legsOf('frame-traction'), true, 30)
    await startRun(browser, seeded)
    const run = await recordWith(seeded, (record) => record.runs.at(-1))
    const step = { runId: run.id, stepId: 'pull', outcome: 'done', reason: '' }
    await sendEvent(browser, { type: 'case', id: seeded.caseId }, 'step', step)
    await browser.open('/hand-over')
    await browser.waitForText(/on since .*its steps not finished/)
  })
})

/** A round without anything that needs an answer. */
function unasked(swelling: 'mild' | 'marked' = 'mild') {
  const round = quietRound('leg-slab', { swelling })
  return { ...round, limbs: round.limbs.map(({ feeling: _f, movement: _m, restPain: _p, stretchPain: _s, ...seen }) => seen) }
}
