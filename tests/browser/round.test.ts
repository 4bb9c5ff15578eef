import { expect } from 'chai'
import { Key } from 'selenium-webdriver'
import { signIn, startBrowser, type TestBrowser } from '../harness/browser'
import { startLiveServer, type LiveServer } from '../harness/live-server'
import { quietRound, seedCase, sendApplied, sendRound, type SeededCase } from '../harness/seed-case'
import { patienceMs } from '../harness/patience'

let server: LiveServer
let browser: TestBrowser

describe('a round on one screen', () => {
  let seeded: SeededCase
  before(async () => {
    server = await startLiveServer()
    browser = await startBrowser(server.address)
    await browser.setViewport(1280, 800)
    await signIn(browser, 'isolde', server.password)
    seeded = await seedCase(browser, 'leg-slab')
    await sendRound(browser, seeded, quietRound('leg-slab'), true, 90)
    await sendApplied(browser, seeded, 80)
    await sendRound(browser, seeded, quietRound('leg-slab', { warmth: 'cool' }), false, 30)
  })
  const openRound = async (): Promise<void> => {
    await browser.open(`/case/${seeded.caseId}/watch`)
    await browser.click('button', 'Do the round')
    await browser.find('dialog', /^Round: Test leg-slab, LEFT ankle/)
  }
  const height = (): Promise<number> => browser.evaluate<number>(`return document.querySelector('[role=dialog]').scrollHeight`)
  const openCount = async (): Promise<number> => {
    const [, count] = /(\d+) open/.exec(await browser.text()) ?? []
    return Number(count ?? 0)
  }

  it('shows both legs, what was entered last and all that is asked within 1280 × 800', async () => {
    await openRound()
    expect(await height()).to.be.at.most(800)
    const warmth = await browser.find('group', 'Warmth, left')
    expect(await warmth.getText()).to.match(/cool\s*was \d\d:\d\d/)
    expect(await (await browser.find('group', 'Warmth, right')).getText()).to.match(/warm\s*as \d\d:\d\d/)
  }).timeout(40_000)

  it('shows on the limb what is open, well and found, and a tap on a place brings its line under the hand', async () => {
    await openRound()
    const levelAt = (site: string): Promise<string | null> =>
      browser.evaluate(`return document.querySelector('[role=dialog] [data-finding="${site}"]')?.dataset.level ?? null`)
    expect(await levelAt('sole')).to.equal('unknown')
    const choose = async (cell: string, word: string): Promise<void> => {
      const group = await browser.find('group', cell)
      await group.findElement({ xpath: `.//button[normalize-space(.//span)='${word}']` }).click()
    }
    await choose('Feeling: sole, left', 'none')
    await choose('Feeling: top of the foot, left', 'normal')
    expect(await levelAt('sole')).to.equal('urgent')
    expect(await levelAt('top-of-foot')).to.equal('none')
    await browser.evaluate(
      `document.querySelector('[role=dialog] [data-finding="foot-pulse"]').dispatchEvent(new MouseEvent('click', { bubbles: true }))`,
    )
    const inHand = await browser.evaluate<string>(`return document.activeElement.closest('[data-cell]').getAttribute('aria-label')`)
    expect(inHand).to.equal('Pulse, left')
    // Tapped again it is emptied only when that is said too.
    await choose('Feeling: sole, left', 'none')
    expect(await levelAt('sole')).to.equal('urgent')
    await browser.find('group', 'Empty Feeling: sole, left?')
    await browser.click('button', 'Keep it')
    expect(await levelAt('sole')).to.equal('urgent')
    for (const [cell, word] of [
      ['Feeling: sole, left', 'none'],
      ['Feeling: top of the foot, left', 'normal'],
    ] as const) {
      await choose(cell, word)
      await browser.click('button', 'Empty it')
    }
    expect(await levelAt('sole')).to.equal('unknown')
  }).timeout(40_000)

  it('is done with keys alone, and judged at the top', async () => {
    await openRound()
    expect(await openCount()).to.equal(24)
    await browser.press(Key.ARROW_DOWN)
    await browser.press('1')
    await browser.driver.wait(async () => (await openCount()) === 23, patienceMs)
    // It went on to the other leg's colour; l is refused where the last was not well.
    await browser.press(Key.ARROW_DOWN)
    await browser.press(Key.ARROW_LEFT)
    await browser.press('l')
    expect(await openCount()).to.equal(23)
    await browser.press('2')
    await browser.driver.wait(async () => (await openCount()) === 22, patienceMs)
    const warmth = await browser.find('group', 'Warmth, left')
    expect(await warmth.findElement({ css: '[aria-pressed="true"]' }).getText()).to.match(/^cool/)
    await browser.click('button', 'Rest of right normal')
    await browser.click('button', 'Next open')
    const inHand = await browser.evaluate<string>(`return document.activeElement.closest('[data-cell]').getAttribute('aria-label')`)
    expect(inHand).to.equal('Refill, left')
  }).timeout(40_000)

  it('holds one leg at a time on a phone in less than 2000 px, and says what is open on the other', async () => {
    await browser.setViewport(390, 844)
    await openRound()
    expect(await height()).to.be.at.most(2_000)
    await browser.click('radio', /^RIGHT/)
    await browser.waitUntilGone('group', 'Pulse, left')
    await browser.click('button', 'Rest of right normal')
    await browser.waitForText('all entered')
    await browser.click('button', 'Next open')
    await browser.find('group', 'Pulse, left')
    await browser.setViewport(1280, 800)
  }).timeout(40_000)
})
