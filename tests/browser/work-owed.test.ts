import { expect } from 'chai'
import type { BoardRow } from '#contract/api/board'
import { signIn, startBrowser, type TestBrowser } from '../harness/browser/browser'
import { startLiveServer, type LiveServer } from '../harness/live-server'
import { quietRound, seedCase, sendApplied, sendEvent, sendRound, type SeededCase } from '../harness/seed-case'
import { patienceMs } from '../harness/patience'

let server: LiveServer
let browser: TestBrowser

describe('work owed in the browser', () => {
  before(async () => {
    server = await startLiveServer()
    browser = await startBrowser(server.address)
    await browser.setViewport(1280, 800)
    await signIn(browser, 'isolde', server.password)
  })

  /** A case whose device went on so many minutes ago, its plan accepted and its last round five minutes old. */
  async function wearing(technique: string, minutesAgo: number): Promise<SeededCase> {
    const seeded = await seedCase(browser, technique)
    await browser.open(`/case/${seeded.caseId}/choose`)
    await browser.click('button', 'Accept the plan')
    await browser.find('heading', 'Make ready')
    await sendRound(browser, seeded, quietRound(technique), true, minutesAgo + 10)
    await sendApplied(browser, seeded, minutesAgo)
    await sendRound(browser, seeded, quietRound(technique), false, 5)
    return seeded
  }
  async function watch(seeded: SeededCase): Promise<void> {
    await browser.open(`/case/${seeded.caseId}/watch`)
    await browser.find('heading', 'Owed')
  }
  async function boardRow(seeded: SeededCase): Promise<BoardRow | undefined> {
    const rows: BoardRow[] = await browser.evaluateAsync(
      `const [done] = arguments
       fetch('/api/board').then((answer) => answer.json()).then(({ rows }) => done(rows))`,
    )
    return rows.find((row) => row.caseId === seeded.caseId)
  }
  const choose = (label: string, answer: string): Promise<void> =>
    browser.evaluate(
      `const group = [...document.querySelectorAll('[role=dialog] [role=group], [role=dialog] [role=radiogroup]')].find((one) => one.getAttribute('aria-label').startsWith(arguments[0]))
       ;[...group.querySelectorAll('button')].find((one) => one.innerText === arguments[1]).click()`,
      label,
      answer,
    )

  describe('three days of a care collar', () => {
    let seeded: SeededCase
    const areas = ['chin', 'jaw, left', 'jaw, right', 'back of the head', 'collarbones', 'breastbone', 'shoulders']
    /** Does the care that is due, one area as given and the others intact. */
    async function doCare(chin: string): Promise<void> {
      await browser.click('button', /^Do it: Wash/)
      await browser.find('dialog', /^Wash/)
      for (const [index, area] of areas.entries()) {
        const grade = index === 0 ? chin : 'intact'
        await choose(`Skin, ${area}`, grade)
        await browser.driver.wait(
          () =>
            browser.evaluate<boolean>(
              `const group = [...document.querySelectorAll('[role=dialog] [role=group], [role=dialog] [role=radiogroup]')].find((one) => one.getAttribute('aria-label').startsWith(arguments[0]))
               return group?.querySelector('[data-state=on]')?.innerText === arguments[1]`,
              `Skin, ${area}`,
              grade,
            ),
          patienceMs,
        )
      }
      for (const asked of ['Washed and dried', 'Fresh liners in', 'Locks shut']) await choose(asked, 'yes')
      await browser.evaluate(`[...document.querySelectorAll('[role=dialog] button')].find((one) => one.innerText === 'Done').click()`)
      await browser.find('heading', 'Done, beside rounds')
    }

    it('is overdue a day after application: on Watch, in what stands, and first on the Board', async () => {
      seeded = await wearing('care-collar', 27 * 60)
      await watch(seeded)
      await browser.waitForText(/Wash, skin, fresh liners, straps equal\.\s*[^.]*late/)
      await browser.waitForText(/Late: Wash, skin, fresh liners/)
      expect((await boardRow(seeded))?.nextWhat).to.equal('Care')
    }).timeout(60_000)

    it('is not done while something was not looked at, and keeps what was said', async () => {
      await browser.click('button', /^Do it: Wash/)
      await choose('Washed and dried', 'yes')
      await browser.evaluate(`[...document.querySelectorAll('[role=dialog] button')].find((one) => one.innerText === 'Done').click()`)
      await browser.waitForText(/Not said yet: Skin, jaw, left/)
      await browser.click('button', 'Close')
      await browser.click('button', /^Do it: Wash/)
      await browser.driver.wait(
        () =>
          browser.evaluate<boolean>(
            `return [...document.querySelectorAll('[role=dialog] [data-state=on]')].some((one) => one.innerText === 'yes')`,
          ),
        patienceMs,
        'what was said was not kept',
      )
      await browser.click('button', 'Close')
    }).timeout(60_000)

    it('done with a chin that stays red: ticked off, owed again at the list’s next time, and the chin stands', async () => {
      await doCare('red not blanching')
      await browser.waitForText(/Wash, skin, fresh liners, straps equal\.\s*in (8|9) h/)
      await browser.driver.wait(async () => !/Late: Wash/.test(await browser.text()), patienceMs)
      await browser.waitForText('Relieve, refit and tell: chin.')
      await browser.driver.wait(async () => /Relieve, refit and tell: chin/.test((await boardRow(seeded))?.finding ?? ''), patienceMs)
    }).timeout(90_000)
  })

  describe('beside what a plan asks for', () => {
    let seeded: SeededCase

    it('says why care was not done, and owes it still', async () => {
      seeded = await wearing('suspended-ring-traction', 150)
      await watch(seeded)
      await browser.click('button', 'Not done: Ring, heel and fibular neck.')
      await browser.click('radio', 'Refused')
      await browser.click('button', 'Record it')
      await browser.waitForText('Reason is missing')
      await browser.type('textbox', 'Reason', 'wants to sleep')
      await browser.click('button', 'Record it')
      await browser.waitForText('refused: wants to sleep')
      await browser.waitForText(/Ring, heel and fibular neck\.\s*[^.]*late/)
    }).timeout(60_000)

    it('keeps a heel that is broken standing until it is found whole', async () => {
      const look = async (heel: string): Promise<void> => {
        await browser.click('button', /^Do it: Ring, heel/)
        await choose('Skin, groin', 'intact')
        await choose('Skin, heel', heel)
        await choose('Skin, fibular', 'intact')
        await choose('Foot and great toe', 'full')
        await browser.evaluate(`[...document.querySelectorAll('[role=dialog] button')].find((one) => one.innerText === 'Done').click()`)
      }
      await look('broken')
      await browser.waitForText('Skin, heel: broken')
      await browser.driver.wait(async () => (await boardRow(seeded))?.finding === 'Skin, heel: broken', patienceMs)
      await look('intact')
      await browser.driver.wait(async () => (await boardRow(seeded))?.finding !== 'Skin, heel: broken', patienceMs)
    }).timeout(60_000)

    it('owes what a person wrote down, until it is done', async () => {
      await browser.click('button', 'Add something owed')
      await browser.click('button', 'Add it')
      await browser.waitForText('What is missing')
      await browser.type('textbox', 'What', 'Ring theatre about the time')
      await browser.click('radio', '30 min')
      await browser.click('button', 'Add it')
      await browser.find('button', 'Do it: Ring theatre about the time')
      await browser.click('button', 'Do it: Ring theatre about the time')
      await browser.type('textbox', 'Note (may stay empty)', 'slot at ten')
      await browser.evaluate(`[...document.querySelectorAll('[role=dialog] button')].find((one) => one.innerText === 'Done').click()`)
      await browser.waitForText('slot at ten')
      await browser.waitUntilGone('button', 'Do it: Ring theatre about the time')
    }).timeout(60_000)

    it('refuses nonsense at the edge with the field and the remedy', async () => {
      for (const [kind, body, path] of [
        ['task-done', { taskId: 'ring-skin', text: 'x', outcome: 'refused', reason: '', answers: {} }, /reason/],
        ['task-done', { taskId: '', text: 'x', outcome: 'done', reason: '', answers: {} }, /taskId/],
        ['task-added', { text: 'Ring', dueAt: 'tomorrow', who: '' }, /dueAt/],
      ] as const) {
        const answer = await sendEvent(browser, { type: 'case', id: seeded.caseId }, kind, body).then(
          () => 'taken',
          (error: Error) => error.message,
        )
        expect(answer).to.match(/422/)
        expect(answer).to.match(path)
      }
    })
  })
})
