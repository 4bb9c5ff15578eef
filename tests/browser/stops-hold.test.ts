import { expect } from 'chai'
import { signIn, startBrowser, type TestBrowser } from '../harness/browser/browser'
import { startLiveServer, type LiveServer } from '../harness/live-server'
import { itAtLength } from '../harness/long'
import { shownStep, walkTo } from '../harness/cases/run-steps'
import { quietRound, seedCase, sendApplied, sendEvent, sendRound, startRun, type SeededCase } from '../harness/seed-case'
import type { RoundInput } from '#core/model/observation'
import { patienceMs } from '../harness/patience'

let server: LiveServer
let browser: TestBrowser

const apply = (seeded: SeededCase): Promise<void> => browser.open(`/case/${seeded.caseId}/apply`)
/** The strip above every stage: the worst, and what is done first. */
const strip = async (): Promise<string> => (await browser.find('region', 'Said now')).getText()
/** What to do, in its order. */
const actions = async (): Promise<string> => (await browser.find('list', 'What to do, in this order')).getText()

function versionOf(seeded: SeededCase): Promise<number> {
  return browser.evaluateAsync(
    `const done = arguments[1]; fetch('/api/cases/' + arguments[0]).then((one) => one.json()).then((one) => done(one.version))`,
    seeded.caseId,
  )
}
async function setWater(seeded: SeededCase, waterC: number): Promise<void> {
  const setup = { people: 2, waterC, roomC: 21, backing: 'air', packSetMin: null, wearDays: null }
  // What the run has just written may still be on its way: then the version is asked for again.
  const isTaken = async (): Promise<boolean> =>
    sendEvent(browser, { type: 'case', id: seeded.caseId }, 'setup', setup, await versionOf(seeded)).then(
      () => true,
      (error: Error) => {
        if (!error.message.includes('409')) throw error
        return false
      },
    )
  await browser.driver.wait(isTaken, patienceMs, 'the water was not taken')
}
/** A round of a hurt neck or trunk with something changed. */
function changed(technique: string, change: (round: Record<string, unknown>) => object): Omit<RoundInput, 'atMin' | 'baseline'> {
  const round = quietRound(technique) as unknown as Record<string, unknown>
  return { ...round, ...change(round) } as unknown as Omit<RoundInput, 'atMin' | 'baseline'>
}
async function worn(technique: string, round: Omit<RoundInput, 'atMin' | 'baseline'>): Promise<SeededCase> {
  const seeded = await seedCase(browser, technique)
  await sendRound(browser, seeded, quietRound(technique), true, 60)
  await sendApplied(browser, seeded, 55)
  await sendRound(browser, seeded, round, false, 2)
  await browser.open(`/case/${seeded.caseId}/watch`)
  return seeded
}

describe('when it turns, in the browser', () => {
  before(async () => {
    server = await startLiveServer()
    browser = await startBrowser(server.address)
    await browser.setViewport(1280, 800)
    await signIn(browser, 'isolde', server.password)
  })

  it('water of 55 °C holds the wetting: no Done, no Skip, no going on, not by a pedal, not after a reload', async () => {
    const seeded = await seedCase(browser, 'leg-slab')
    await sendRound(browser, seeded, quietRound('leg-slab'), true)
    await startRun(browser, seeded)
    await walkTo(browser, /Wet until/)
    await setWater(seeded, 55)
    for (const turn of ['heard', 'reloaded']) {
      if (turn === 'reloaded') await apply(seeded)
      await browser.waitForText('55 °C is too hot to dip in')
      await browser.waitForText('Nobody goes on over this, and nobody skips it')
      const before = await shownStep(browser)
      for (const name of ['Skip', 'Go on all the same']) expect(await browser.query('button', name), name).to.equal(null)
      expect(await (await browser.find('button', 'Done')).isEnabled()).to.equal(false)
      await browser.press(' ')
      expect((await shownStep(browser)).split(':')[0]).to.equal(before.split(':')[0])
    }
    await setWater(seeded, 22)
    await browser.find('button', 'Skip')
  })

  it('a stop that is skipped asks what going on asks, and goes with you', async () => {
    const seeded = await seedCase(browser, 'leg-slab')
    await sendRound(browser, seeded, quietRound('leg-slab'), true)
    await startRun(browser, seeded)
    await walkTo(browser, /^Step \d+ of \d+: .*Padding from the toes/s)
    const { episodeVersion } = await browser.evaluateAsync<{ episodeVersion: number }>(
      `const done = arguments[1]; fetch('/api/cases/' + arguments[0]).then((one) => one.json()).then(done)`,
      seeded.caseId,
    )
    const injury = {
      region: 'ankle',
      side: 'left',
      pattern: 'malleolar-fracture',
      levelCm: 8,
      flags: ['fresh', 'skin-tented'],
      swelling: 'moderate',
    }
    await sendEvent(browser, { type: 'episode', id: seeded.episodeId }, 'injury', { injuryId: seeded.injuryId, injury }, episodeVersion)
    await browser.waitForText('Reduce now: call.')
    await browser.click('button', 'Skip')
    await browser.find('dialog', 'Skip it although a stop stands?')
    await browser.type('textbox', /^Why|Reason/, 'theatre is ready')
    await browser.click('button', 'Skip it all the same')
    await browser.waitForText('Feel every bony point')
    await browser.waitForText('Reduce now: call.')
    await browser.find('button', 'Go on all the same')
  })

  itAtLength('a brace without orders can only be ordered', async () => {
    const seeded = await seedCase(browser, 'hinged-knee-brace', { orders: { brace: undefined } })
    await sendRound(browser, seeded, quietRound('hinged-knee-brace'), true)
    await startRun(browser, seeded)
    await walkTo(browser, /Stop here until an order is entered/)
    await browser.find('button', 'Enter the order')
    for (const name of ['Skip', 'Go on all the same']) expect(await browser.query('button', name), name).to.equal(null)
  })

  it('breathless before the collar closes: closing it is held, and the first line says what to do', async () => {
    const seeded = await seedCase(browser, 'extrication-collar', { options: { policy: 'rigid' } })
    await sendRound(browser, seeded, quietRound('extrication-collar'), true)
    await startRun(browser, seeded)
    await walkTo(browser, /Slide it behind/)
    await sendRound(
      browser,
      seeded,
      changed('extrication-collar', (round) => ({ neck: { ...(round['neck'] as object), breathing: 'harder' } })),
      false,
    )
    await browser.waitForText('Not while this stands: Neck: breathing: harder')
    expect(await strip()).to.include('First: As the patient breathes best')
    await browser.find('button', 'Go on all the same')
  })

  itAtLength('new paralysis in a collar: the head is held, somebody called, nothing opened; alone the same', async () => {
    const weak = changed('care-collar', (round) => ({
      limbs: (round['limbs'] as { limb: string; side: string; power: object }[]).map((one) =>
        one.limb === 'arm' && one.side === 'left' ? { ...one, power: { ...one.power, grip: 2 } } : one,
      ),
    }))
    await worn('care-collar', weak)
    await browser.waitForText('Urgent: left arm: grip: strength 2 of 5')
    expect(await actions()).to.match(/1\s*Hold the head in line/)
    expect(await actions()).to.match(/1\s*Hold the head[\s\S]*2\s*Call the senior[\s\S]*3\s*Collar, vest and shell: open nothing/)
    expect(await actions()).to.not.include('Open the collar')
  })

  itAtLength('hard breath in a collar: alone the airway is open before the call', async () => {
    await worn(
      'care-collar',
      changed('care-collar', (round) => ({ neck: { ...(round['neck'] as object), breathing: 'noisy' } })),
    )
    await browser.waitForText('Urgent: neck: breathing: noisy')
    expect(await actions()).to.match(/1\s*Hold the head[\s\S]*2\s*Call the senior[\s\S]*Open the collar/)
    await browser.click('radio', 'I am alone')
    await browser.driver.wait(
      async () => /1\s*Clear the airway[\s\S]*2\s*Shout for help[\s\S]*Open the collar/.test(await actions()),
      patienceMs,
    )
  })

  itAtLength('a numb saddle in a shell: the shell stays shut', async () => {
    await worn(
      'trunk-shell',
      changed('trunk-shell', (round) => ({ spine: { ...(round['spine'] as object), saddle: 'numb' } })),
    )
    await browser.waitForText('Urgent: trunk: saddle feeling: numb')
    expect(await actions()).to.match(/1\s*Keep head, shoulders and hips in line/)
    expect(await actions()).to.not.include('Open the front')
  })

  itAtLength('a pulse lost in a cast is opened, in traction eased, and the Board says the first line', async () => {
    await worn('leg-cast', quietRound('leg-cast', { pulse: 'absent' }))
    await browser.waitForText('Urgent: left leg: no pulse felt')
    expect(await actions()).to.match(/1\s*Call the senior and open at once[\s\S]*2\s*Open the device down to the skin/)
    await worn('suspended-ring-traction', quietRound('suspended-ring-traction', { pulse: 'absent' }))
    await browser.waitForText('Urgent: left leg: no pulse felt')
    expect(await actions()).to.match(/1\s*Call the senior[\s\S]*2\s*Feel the pulse of both feet[\s\S]*3\s*Ease the pull by half/)
    await browser.open('/')
    await browser.waitForText('First: Call the senior now')
  })
})
