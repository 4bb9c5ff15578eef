import { expect } from 'chai'
import { readCase } from '#core/files/read-case'
import type { CaseRecord } from '#contract/records/case'
import { signIn, startBrowser, type TestBrowser } from '../harness/browser/browser'
import { exampleOf } from '../harness/cases/example-cases'
import { startLiveServer, type LiveServer } from '../harness/live-server'
import { itAtLength } from '../harness/long'
import { patienceMs } from '../harness/patience'
import { finishStep, shownStep, walkTo, walkToEnd } from '../harness/cases/run-steps'
import { quietRound, seedCase, sendApplied, sendEvent, sendRound, startRun, type SeededCase } from '../harness/seed-case'

let server: LiveServer
let browser: TestBrowser

/** The strip above every stage: the worst, and what is done first. */
const strip = async (): Promise<string> => (await browser.find('region', 'Said now')).getText()
/** An alert or a region, as urgent as it is. */
const standing = (): Promise<string> => browser.evaluate(`return document.querySelector('main [aria-label="What stands"]').innerText`)
const recordOf = (caseId: string): Promise<CaseRecord> =>
  browser.evaluateAsync<CaseRecord>(
    `const [id, done] = arguments
     fetch('/api/cases/' + id).then((one) => one.json()).then(({ record }) => done(record))`,
    caseId,
  )
/** What the server has of a case, once it is so. */
async function kept(caseId: string, isSo: (record: CaseRecord) => boolean, what: string): Promise<CaseRecord> {
  let record = await recordOf(caseId)
  await browser.driver.wait(async () => isSo((record = await recordOf(caseId))), patienceMs, `not kept: ${what}`)
  return record
}
async function wet(): Promise<SeededCase> {
  const seeded = await seedCase(browser, 'leg-slab')
  await sendRound(browser, seeded, quietRound('leg-slab'), true)
  await startRun(browser, seeded)
  await walkTo(browser, /Elastic bandage from/)
  return seeded
}
async function openNow(): Promise<void> {
  await browser.click('button', 'Open it now, step by step')
  await browser.find('region', /^Step 1 of/)
}
async function report(trouble: RegExp): Promise<void> {
  await browser.click('button', /Something is wrong/)
  await browser.click('button', trouble)
}
/** Something on for hours, its plan accepted. */
async function worn(technique: string, change: Parameters<typeof quietRound>[1] = {}): Promise<SeededCase> {
  const seeded = await seedCase(browser, technique)
  await sendRound(browser, seeded, quietRound(technique), true, 300)
  await browser.open(`/case/${seeded.caseId}/choose`)
  await browser.click('button', 'Accept the plan')
  await browser.find('heading', 'Make ready')
  await kept(seeded.caseId, (record) => record.accepted !== null, 'the plan')
  await sendApplied(browser, seeded, 245)
  await sendRound(browser, seeded, quietRound(technique, change), false, 2)
  await browser.open(`/case/${seeded.caseId}/watch`)
  return seeded
}
/** Begins another device in place of the one in hand, with the readings that its example has. */
async function convert(name: RegExp, technique: string): Promise<string> {
  const before = await browser.driver.getCurrentUrl()
  await browser.click('button', /^All about /)
  await browser.click('button', 'Another device')
  await browser.click('radio', name)
  await browser.click('button', 'Begin')
  await browser.driver.wait(async () => (await browser.driver.getCurrentUrl()) !== before, patienceMs)
  await browser.find('heading', 'Measure')
  const id = /case\/([^/]+)/.exec(await browser.driver.getCurrentUrl())?.[1] ?? ''
  await kept(id, (record) => record.oldTechnique !== undefined, 'what it replaces')
  for (const reading of readCase(exampleOf(technique)).clinicalCase?.measurements ?? []) {
    const unit = typeof reading.value === 'number' ? { unit: 'cm' } : {}
    await sendEvent(browser, { type: 'case', id }, 'reading', { tool: 'tape', typed: '', posture: '', ...unit, ...reading })
  }
  await browser.open(`/case/${id}/choose`)
  await browser.click('button', 'Accept the plan')
  await browser.find('heading', 'Make ready')
  await browser.click('button', 'Start applying')
  await browser.find('region', /^Step 1 of/)
  return id
}

describe('when the work turns, in the browser', () => {
  before(async () => {
    server = await startLiveServer()
    browser = await startBrowser(server.address)
    await browser.setViewport(1280, 800)
    await signIn(browser, 'isolde', server.password)
  })

  it('wrong side in mid-slab: held, looked at, the wet slab off, the side changed, and all of it again from the baseline', async () => {
    const seeded = await wet()
    await report(/Wrong side/)
    await browser.click('button', 'Say which limb it is on')
    await browser.find('heading', 'Which limb is it on?')
    expect(await strip()).to.include('First: Stop. Leave the limb safe')
    expect(await (await browser.find('button', 'On the LEFT leg')).isEnabled()).to.equal(false)
    await browser.click('radio', 'The RIGHT leg is hurt')
    await browser.click('button', 'On the LEFT leg')
    await browser.find('heading', 'It comes off the LEFT leg')
    await browser.click('button', 'Take it off, step by step')
    await walkTo(browser, /still wet: unwind it/)
    await walkTo(browser, /Look at the skin all round/)
    expect(await (await browser.find('button', 'Done')).isEnabled()).to.equal(false)
    await finishStep(browser)
    const off = await kept(seeded.caseId, (record) => record.takenOff?.length === 1, 'that it is off')
    expect(off.runs.at(-1)?.underneath?.[0]).to.include({ skin: 'intact', pulse: 'felt', moves: 'as-before' })
    await browser.find('heading', 'The record names the wrong limb')
    await browser.click('button', /^Change it to RIGHT/)
    await browser.type('textbox', 'Reason', 'the film was turned')
    await browser.click('button', /^It is RIGHT/)
    await browser.click('button', /^Read aloud and confirmed: RIGHT/)
    await browser.waitForText('The plan is not accepted yet')
    expect(await (await browser.find('region', 'Patient')).getText()).to.match(/RIGHT\s+ankle/)
    // The page is left below: nobody leaves it in the very moment of a press.
    await kept(seeded.caseId, (record) => record.sideChange?.checked != null, 'that it was read aloud')
    await startRun(browser, seeded)
    expect(await shownStep(browser)).to.match(/^Step 1 of/)
    await walkTo(browser, /Rings and tight clothing off/)
    await browser.find('button', 'Record the check')
    await browser.open(`/case/${seeded.caseId}/record`)
    await browser.find('radio', /^Applied, wrong side/)
    await browser.find('radio', /^Taken off the wrong limb/)
  }).timeout(120_000)

  itAtLength('the last look passed by: it is off all the same, and the way goes on', async () => {
    const seeded = await wet()
    await report(/Wrong side/)
    await browser.click('button', 'Say which limb it is on')
    await browser.click('radio', 'The LEFT leg is hurt')
    await browser.click('button', 'On the RIGHT leg')
    await browser.click('button', 'Take it off, step by step')
    await walkTo(browser, /Look at the skin all round/)
    await browser.click('button', 'Skip')
    await browser.type('textbox', 'Reason', 'taken to theatre')
    await browser.click('button', 'Skip it')
    await kept(seeded.caseId, (record) => record.takenOff?.length === 1, 'that it is off')
    await browser.find('button', /^Read aloud and confirmed: LEFT/)
  }).timeout(90_000)

  itAtLength('wrong side pressed by mistake: taken back, kept as a slip, and the run is where it was', async () => {
    const seeded = await wet()
    await report(/Wrong side/)
    await browser.click('button', /^Pressed by mistake: undo/)
    await browser.waitForText('Elastic bandage from')
    const { troubles } = await kept(seeded.caseId, (record) => record.troubles?.[0]?.ended !== undefined, 'the slip')
    expect(troubles?.[0]?.ended).to.include({ word: 'pressed by mistake', isSlip: true })
    await browser.open(`/case/${seeded.caseId}/apply`)
    await browser.waitForText('Elastic bandage from')
    // And the answer itself, pressed with the wrong thumb.
    await report(/Wrong side/)
    await browser.click('button', 'Say which limb it is on')
    await browser.click('radio', 'The LEFT leg is hurt')
    await browser.click('button', 'On the RIGHT leg')
    await browser.click('button', /^Undo, \d+ s/)
    await browser.click('radio', 'The LEFT leg is hurt')
    await browser.click('button', 'On the LEFT leg')
    await browser.click('button', /^Read aloud and confirmed: LEFT/)
    await browser.waitForText('Elastic bandage from')
  }).timeout(90_000)

  for (const [state, hours, text] of [
    ['hard', 245, /Both sides with the saw/],
    ['soft', 10, /Still soft: unwrap it/],
  ] as const) {
    const test = state === 'hard' ? it : itAtLength
    test(`a pulse lost in a long cast, ${state}: one button, and the first cut is the second step`, async () => {
      const seeded = await seedCase(browser, 'leg-cast')
      await sendRound(browser, seeded, quietRound('leg-cast'), true, 300)
      await browser.open(`/case/${seeded.caseId}/choose`)
      await browser.click('button', 'Accept the plan')
      await browser.find('heading', 'Make ready')
      await kept(seeded.caseId, (record) => record.accepted !== null, 'the plan')
      await sendApplied(browser, seeded, hours)
      await sendRound(browser, seeded, quietRound('leg-cast', { pulse: 'absent' }), false, 2)
      await browser.open(`/case/${seeded.caseId}/watch`)
      await browser.waitForText('Urgent: left leg: no pulse felt')
      if (state === 'soft') {
        await browser.click('radio', 'I am alone')
        await browser.waitForText('Shout for help and press Call: it pages the senior. Then open at once.')
      }
      // Nobody has to take a change of the application first.
      expect(await browser.query('button', 'Accept the change')).to.equal(null)
      await openNow()
      expect(await shownStep(browser)).to.match(/^Step 1 of 6/)
      await finishStep(browser)
      expect(await shownStep(browser)).to.match(text)
      expect(await shownStep(browser)).to.include('foot and thigh included')
      await walkTo(browser, /^Step 6 of 6.*Limb down to heart level, not above it/s)
      const open = await kept(seeded.caseId, (record) => record.openedNowAt !== undefined, 'that it is open')
      expect(open.responses?.map((response) => response.action)).to.include.members(['call-and-open', 'open-to-skin', 'ease-bend'])
      await browser.open(`/case/${seeded.caseId}/watch`)
      // On Watch the page below says it, once.
      await browser.waitForText('Bring the limb to heart level')
      expect(await standing()).to.include('Bring the limb to heart level')
    }).timeout(90_000)
  }

  itAtLength('a slab, a brace and a collar open by their own lines, from the same button', async () => {
    await worn('leg-slab', { pulse: 'absent' })
    await openNow()
    await walkTo(browser, /Cut the bandage and padding along the open front/)
    const brace = await worn('hinged-knee-brace')
    const { limbs } = quietRound('hinged-knee-brace', { pulse: 'absent' })
    const right = limbs.map((limb) => ({ ...limb, side: limb.side === 'left' ? ('right' as const) : ('left' as const) }))
    await sendRound(browser, brace, { ...quietRound('hinged-knee-brace'), limbs: right }, false)
    await browser.waitForText('Urgent: right leg: no pulse felt')
    await openNow()
    await walkTo(browser, /Open every strap; leave the frame under the leg/)
    const seeded = await seedCase(browser, 'care-collar')
    await sendRound(browser, seeded, quietRound('care-collar'), true, 60)
    await sendApplied(browser, seeded, 55)
    const round = quietRound('care-collar') as unknown as { neck: object }
    await sendRound(browser, seeded, { ...round, neck: { ...round.neck, breathing: 'noisy' } } as never, false, 2)
    await browser.open(`/case/${seeded.caseId}/watch`)
    await openNow()
    await walkTo(browser, /^Step 2 of \d+: .*holds the head in line/s)
  }).timeout(120_000)

  itAtLength('a roll’s clock is no hold: Done asks nothing while it is workable; “it is hard” ends the clocks everywhere', async () => {
    const cast = await seedCase(browser, 'leg-cast')
    await sendRound(browser, cast, quietRound('leg-cast'), true)
    await startRun(browser, cast)
    await walkTo(browser, /Roll 3 of/)
    await browser.click('button', 'Done')
    await browser.waitForText('Roll 4')
    expect(await browser.query('button', 'Go on holding')).to.equal(null)
    const slab = await seedCase(browser, 'leg-slab')
    await sendRound(browser, slab, quietRound('leg-slab'), true)
    await startRun(browser, slab)
    await walkTo(browser, /Hold without moving until it is hard/)
    await browser.click('button', 'Done')
    await browser.click('button', 'It is hard')
    await browser.waitForText('Turn the bandage ends in')
    const clocksOf = (record: CaseRecord) => record.runs[0]?.timers.filter((timer) => timer.kind === 'set' || timer.kind === 'hold') ?? []
    await kept(slab.caseId, (record) => clocksOf(record).length > 1 && clocksOf(record).every((clock) => clock.endedAt), 'its clock')
  }).timeout(120_000)

  itAtLength('a frame changed for suspension: hands take the pull before it comes off, and give it over to the cord', async () => {
    const frame = await worn('frame-traction')
    await convert(/^Suspended ring/, 'suspended-ring-traction')
    await walkTo(browser, /takes the pull by hand/)
    await finishStep(browser)
    expect(await shownStep(browser)).to.include('ratchet let out; the hands carry the pull')
    await browser.waitForText('Helper at the foot')
    await walkTo(browser, /Look at the skin all round where it was/)
    await finishStep(browser)
    await walkTo(browser, /The hands give the pull over here; they let go only when it holds/)
    expect((await recordOf(frame.caseId)).removedAt).to.equal(null)
  }).timeout(120_000)

  itAtLength('a slab changed for a cast, a roadside collar for a ward collar: what they hold is held first', async () => {
    await worn('leg-slab')
    await convert(/^Leg cast/, 'leg-cast')
    await walkTo(browser, /holds the limb in line, one hand above and one below/)
    await walkTo(browser, /Back slab, leg off: cut the bandage/)
    const collar = await seedCase(browser, 'extrication-collar', { options: { policy: 'rigid' } })
    await sendRound(browser, collar, quietRound('extrication-collar'), true, 60)
    await sendApplied(browser, collar, 55)
    await sendRound(browser, collar, quietRound('extrication-collar'), false, 2)
    await browser.open(`/case/${collar.caseId}/watch`)
    await convert(/^Neck collar, care|^Care|collar/i, 'care-collar')
    expect(await shownStep(browser)).to.include('both hands, the head in line, and keep it')
    await walkTo(browser, /off: blocks and straps off, the collar undone/)
    await walkTo(browser, /Look and press: chin/)
  }).timeout(150_000)

  it('the weight on the floor at night, alone: hands on the pull first, on card, strip and list', async () => {
    const seeded = await worn('suspended-ring-traction')
    for (const trouble of [/^The weight stands on the floor/, /^A cord is off its wheel/]) {
      await report(trouble)
      const list = await (await browser.find('list', 'What to do, in this order')).getText()
      expect(list).to.match(/1\s*Hands on the pull[\s\S]*2\s*Set it again, to the planned 5 kg/)
      expect(list).to.not.match(/loosen/i)
      await browser.click('button', /^Pressed by mistake/)
      await browser.driver.wait(async () => !(await strip()).includes('Hands on the pull'), patienceMs, 'it still stands')
    }
    await report(/^Ring or strap presses in the groin/)
    await browser.click('button', 'Go on')
    await browser.waitForText('Ease the point that presses: cord, prop, pad')
    expect(await standing()).to.include('The pull stays')
    await kept(seeded.caseId, (record) => (record.troubles ?? []).length === 3, 'the troubles')
  }).timeout(90_000)

  itAtLength('12 kg where 5 were planned is a review with its own answers, and due again in a quarter of an hour', async () => {
    await worn('suspended-ring-traction')
    await browser.click('button', /Weights hang free/)
    await browser.waitForText('planned 5 kg')
    for (const group of [
      'Weights hang free',
      'Cords run on their wheels',
      'Foot upright, slings where they were',
      'Foot of the bed raised as planned',
    ])
      await browser.evaluate(
        `[...document.querySelectorAll('fieldset')].find((one) => one.querySelector('legend')?.innerText === arguments[0]).querySelector('[role=radio]').click()`,
        group,
      )
    await browser.type('textbox', 'Counterweight, kg', '12')
    await browser.type('textbox', 'Suspension weight, kg', '5.6')
    await browser.click('button', 'Done')
    await browser.waitForText('Review: counterweight: 12 kg, planned 5 kg')
    await browser.waitForText('Counterweight set again to the planned 5 kg')
    expect(await strip()).to.not.match(/loosen/i)
    await browser.waitForText(/Weights.*in 1[45] min|in 1[45] min/s)
  }).timeout(60_000)

  itAtLength('goes on without a line: looked at, taken off and begun again, and sent when it is back', async () => {
    const seeded = await wet()
    await browser.driver.sendDevToolsCommand('Network.enable', {})
    const offline = (isOff: boolean): Promise<void> =>
      browser.driver.sendDevToolsCommand('Network.emulateNetworkConditions', {
        offline: isOff,
        latency: 0,
        downloadThroughput: -1,
        uploadThroughput: -1,
      })
    await offline(true)
    try {
      await report(/Wrong side/)
      await browser.click('button', 'Say which limb it is on')
      await browser.click('radio', 'The LEFT leg is hurt')
      await browser.click('button', 'On the RIGHT leg')
      await browser.click('button', 'Take it off, step by step')
      await walkToEnd(browser)
      await browser.click('button', /^Read aloud and confirmed: LEFT/)
      await browser.waitForText('Nothing is laid out yet')
    } finally {
      await offline(false)
    }
    const record = await kept(
      seeded.caseId,
      (one) => one.takenOff?.length === 1 && one.troubles?.[0]?.ended !== undefined,
      'what was done without a line',
    )
    expect(record.runs.map((run) => run.wrongSide !== undefined || run.isTakingOff === true)).to.deep.equal([true, true])
    expect(record.accepted).to.not.equal(null)
  }).timeout(120_000)
})
