import { expect } from 'chai'
import type { CaseRecord } from '#contract/records/case'
import type { EpisodeRecord } from '#contract/records/episode'
import { signIn, startBrowser, type TestBrowser } from '../harness/browser/browser'
import { startLiveServer, type LiveServer } from '../harness/live-server'
import { patienceMs } from '../harness/patience'
import { walkTo } from '../harness/cases/run-steps'
import { quietRound, seedCase, sendApplied, sendEvent, sendRound, startRun, type SeededCase } from '../harness/seed-case'

let server: LiveServer
let browser: TestBrowser

interface Kept {
  readonly record: CaseRecord
  readonly episode: EpisodeRecord
}
/** What the server holds of a case, once it has what is waited for. */
async function keptWith<T>(seeded: SeededCase, read: (kept: Kept) => T | undefined): Promise<T> {
  let found: T | undefined
  const isThere = async (): Promise<boolean> => {
    const kept = await browser.evaluateAsync<Kept>(
      `const done = arguments[1]; fetch('/api/cases/' + arguments[0]).then((one) => one.json()).then(done)`,
      seeded.caseId,
    )
    return (found = read(kept)) !== undefined
  }
  await browser.driver.wait(isThere, patienceMs, 'the server never had it')
  return found as T
}
/** A back slab that is on, with a baseline, and looked at so many minutes ago. */
async function worn(lookedAtMin: number): Promise<SeededCase> {
  const seeded = await seedCase(browser, 'leg-slab')
  await sendRound(browser, seeded, quietRound('leg-slab'), true, 200)
  await sendApplied(browser, seeded, 190)
  await sendRound(browser, seeded, quietRound('leg-slab'), false, lookedAtMin)
  return seeded
}
/** Where the words of an alert begin and end, px from the top of the window. */
const placeOf = (words: RegExp): Promise<{ top: number; bottom: number } | null> =>
  browser.evaluate(
    `const alert = [...document.querySelectorAll('[role=alert]')].find((one) => new RegExp(arguments[0]).test(one.innerText))
     const box = alert?.getBoundingClientRect()
     return box ? { top: box.top, bottom: box.bottom } : null`,
    words.source,
  )
async function expectInSight(words: RegExp): Promise<void> {
  await browser.waitForText(words)
  const place = await placeOf(words)
  expect(place?.top, String(words)).to.be.at.least(0)
  expect(place?.bottom, String(words)).to.be.at.most(844)
}

describe('presses on a phone', () => {
  before(async () => {
    server = await startLiveServer()
    browser = await startBrowser(server.address)
    await browser.setViewport(390, 844)
    await signIn(browser, 'isolde', server.password)
  })

  it('a round with open places asks once, by number, in sight; a double tap sends nothing', async () => {
    const seeded = await worn(60)
    await browser.open(`/case/${seeded.caseId}/watch`)
    await browser.click('button', 'Do the round')
    await browser.click('button', 'Judge this round')
    await expectInSight(/Not recorded\. Nothing is entered/)
    await browser.click('button', 'Rest of both normal')
    await browser.click('button', 'Judge this round')
    await expectInSight(/\d+ places are open: they count as not looked at/)
    const where = await browser.evaluate<{ x: number; y: number }>(
      `const box = [...document.querySelectorAll('button')].find((one) => one.innerText === 'Next open').getBoundingClientRect()
       return { x: box.x + box.width / 2, y: box.y + box.height / 2 }`,
    )
    // Where the first tap was, the second goes to what is open.
    const under = await browser.evaluate<string>(
      `const send = document.querySelector('button[type=submit]').getBoundingClientRect()
       return send.x > arguments[0] ? 'Judge' : 'Next open'`,
      where.x,
    )
    expect(under).to.equal('Next open')
    await browser.click('button', /^Judge this round with \d+ open$/)
    await keptWith(seeded, ({ episode }) => (episode.rounds.length === 3 ? true : undefined))
    await browser.waitForText(/The last round was not complete/)
  }).timeout(60_000)

  it('what is late has its button on the Board, on My round and where it stands', async () => {
    const seeded = await worn(1)
    await sendEvent(browser, { type: 'case', id: seeded.caseId }, 'task-added', {
      text: 'Film of the ankle',
      dueAt: new Date(Date.now() - 90 * 60_000).toISOString(),
      who: '',
    })
    await browser.open('/')
    await browser.click('link', /^Do it: Film of the ankle: Test leg-slab/)
    await browser.find('dialog', /^Film of the ankle/)
    // The next press may come before a slow page has taken the first out of the address.
    await browser.evaluate(
      `const named = (tag, name) => [...document.querySelectorAll(tag)].find((one) => (one.ariaLabel ?? one.textContent).trim().startsWith(name))
       named('button', 'Cancel').click()
       named('a', 'Do it: Late: Film of the ankle').click()
       return new Promise((drawn) => setTimeout(drawn, 500))`,
    )
    await browser.find('dialog', /^Film of the ankle/)
    await browser.open('/round')
    await browser.click('link', /Do it: Film of the ankle, Test leg-slab|Test leg-slab: Open: Film of the ankle/)
    await browser.find('dialog', /^Film of the ankle/)
    await browser.click('button', 'Done')
    await keptWith(seeded, ({ record }) => record.tasks?.find(({ text, outcome }) => text === 'Film of the ankle' && outcome === 'done'))
  }).timeout(60_000)

  it('My round says what was tried, and a round that was not done is put right', async () => {
    const seeded = await worn(180)
    const notDone = (outcome: string, reason: string): Promise<void> =>
      sendEvent(browser, { type: 'episode', id: seeded.episodeId }, 'round', {
        cases: [seeded.caseId],
        isBaseline: false,
        outcome,
        reason,
        findings: { limbs: [] },
      })
    await notDone('refused', 'wants to be left alone')
    await browser.open('/round')
    await browser.waitForText(/Tried: refused \d\d:\d\d/)
    await browser.open(`/case/${seeded.caseId}/watch`)
    const openRow = (): Promise<boolean> =>
      browser.evaluate(
        `for (const words of [/Rounds so far/, /refused: wants/]) {
           const fold = [...document.querySelectorAll('summary')].find((one) => words.test(one.innerText) && one.checkVisibility())
           if (fold && !fold.parentElement.open) fold.click()
         }
         return [...document.querySelectorAll('button')].some((one) => one.innerText === 'Put it right' && one.checkVisibility())`,
      )
    await browser.driver.wait(openRow, patienceMs, 'the round that was not done is not listed')
    await browser.evaluate(
      `[...document.querySelectorAll('button')].find((one) => one.innerText === 'Put it right' && one.checkVisibility()).click()`,
    )
    await browser.click('radio', 'Asleep')
    await browser.click('button', 'Put it right')
    await expectInSight(/What was wrong with it is missing: say it in a few words/)
    await browser.type('textbox', 'What was wrong with it', 'pressed for the next bed')
    await browser.click('button', 'Put it right')
    const right = await keptWith(seeded, ({ episode }) => episode.rounds.find((round) => round.correctedAt !== undefined))
    expect(right).to.include({ outcome: 'asleep', why: 'pressed for the next bed' })
  }).timeout(60_000)

  it('what sets too early ends its clock, says what is not moulded, and ends no hold', async () => {
    const seeded = await seedCase(browser, 'leg-slab')
    await sendRound(browser, seeded, quietRound('leg-slab'), true, 10)
    await startRun(browser, seeded)
    await walkTo(browser, /Lay the slab|Lay it|slab along/i)
    const { id: runId } = await keptWith(seeded, ({ record }) => record.runs.at(-1))
    await sendEvent(browser, { type: 'case', id: seeded.caseId }, 'timer', {
      runId,
      timerId: 'set',
      label: 'Setting',
      minutes: 6,
      kind: 'set',
    })
    await browser.open(`/case/${seeded.caseId}/apply`)
    await browser.find('region', /^Step \d+ of/)
    await browser.click('button', 'Something is wrong')
    await browser.click('button', 'It is setting too early')
    await browser.waitForText(/Not moulded: .*Right as it lies: leave it\. Wrong: cut it off and begin again/)
    const timers = await keptWith(seeded, ({ record }) => {
      const own = record.runs.at(-1)?.timers ?? []
      return own.some(({ kind, endedAt }) => kind === 'set' && endedAt) ? own : undefined
    })
    expect(timers.filter(({ kind, endedAt }) => kind === 'hold' && endedAt)).to.deep.equal([])
  }).timeout(90_000)

  it('a button that may not be pressed says why, at the button', async () => {
    await browser.open('/new')
    await browser.find('heading', 'Size up')
    await browser.evaluate(`[...document.querySelectorAll('button')].find((one) => one.innerText === 'Choose region and side').click()`)
    await expectInSight(/Not recorded\. Region and side are missing: tap the part on the picture, or type it/)
  }).timeout(40_000)
})
