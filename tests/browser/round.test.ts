import { expect } from 'chai'
import { Key } from 'selenium-webdriver'
import { signIn, startBrowser, type TestBrowser } from '../harness/browser/browser'
import { countHands } from '../harness/browser/count-taps'
import { enterOpen } from '../harness/browser/fill-round'
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

  it('as a list on a phone holds one leg at a time in less than 2320 px, and says what is open on the other', async () => {
    await browser.setViewport(390, 844)
    await openRound()
    await browser.click('button', 'Show as a list')
    expect(await height()).to.be.at.most(2_320)
    await browser.click('radio', /^RIGHT/)
    await browser.waitUntilGone('group', 'Pulse, left')
    await browser.click('button', 'Rest of right normal')
    await browser.click('button', 'Next open')
    // Seconds are counted: no tap calls them normal.
    expect(await browser.evaluate<string>(`return document.activeElement.closest('[data-cell]').ariaLabel`)).to.equal('Refill, right')
    await (await browser.find('group', 'Refill, right')).findElement({ xpath: `.//button[normalize-space(.//span)='2s']` }).click()
    await browser.waitForText('all entered')
    await browser.click('button', 'Next open')
    await browser.find('group', 'Pulse, left')
    await browser.click('button', 'Show on the limb')
    await browser.setViewport(1280, 800)
  }).timeout(40_000)
})

describe('a round on the limb', () => {
  const zones = (): Promise<
    readonly { id: string; name: string; left: number; right: number; width: number; height: number; isInHand: boolean }[]
  > =>
    browser.evaluate(`return [...document.querySelectorAll('form [data-zone]')].map((one) => {
      const { left, right, width, height } = one.getBoundingClientRect()
      return { id: one.dataset.zone, name: one.ariaLabel, left, right, width, height, isInHand: one.ariaPressed === 'true' }
    })`)
  const inHand = async (): Promise<string | undefined> => (await zones()).find((one) => one.isInHand)?.id
  const openRound = async (technique: string): Promise<SeededCase> => {
    const seeded = await seedCase(browser, technique)
    await sendRound(browser, seeded, quietRound(technique), true, 90)
    await sendApplied(browser, seeded, 80)
    await sendRound(browser, seeded, quietRound(technique), false, 60)
    await browser.open(`/case/${seeded.caseId}/watch`)
    await browser.click('button', 'Do the round')
    await browser.find('dialog', /^Round: /)
    return seeded
  }
  const roundsOf = (
    seeded: SeededCase,
  ): Promise<readonly { findings: { analgesia?: boolean; limbs: readonly { side: string; refillS?: number; pulse?: string }[] } }[]> =>
    browser.evaluateAsync(
      `const [id, done] = arguments; fetch('/api/cases/' + id).then((one) => one.json()).then(({ episode }) => done(episode.rounds))`,
      seeded.caseId,
    )

  for (const [technique, end] of [
    ['leg-slab', 'Toes'],
    ['volar-slab', 'Fingers'],
  ] as const) {
    it(`${technique}: nothing ever abnormal is done in seven taps, with both refills counted`, async () => {
      await browser.setViewport(390, 844)
      const seeded = await openRound(technique)
      const hands = await countHands(browser)
      await hands.begin()
      await browser.click('button', 'Rest of both normal')
      await enterOpen(browser)
      await browser.click('button', 'Judge this round')
      await browser.waitUntilGone('dialog', /^Round: /)
      expect((await hands.count()).taps).to.be.at.most(7)
      await browser.driver.wait(async () => (await roundsOf(seeded)).length === 3, patienceMs)
      const { findings } = (await roundsOf(seeded)).at(-1)!
      expect(findings.limbs.map(({ refillS }) => refillS)).to.deep.equal([1.5, 1.5])
      expect(findings, 'nobody was asked for pain relief').to.not.have.property('analgesia')
    }).timeout(60_000)

    it(`${technique}: its places are buttons for a thumb that say what was entered, and none lies over another`, async () => {
      for (const [width, height] of [
        [390, 844],
        [320, 640],
        [768, 1024],
      ] as const) {
        await browser.setViewport(width, height)
        await openRound(technique)
        const found = await zones()
        expect(found.length).to.be.within(5, 6)
        expect(found[0]?.name).to.match(new RegExp(`^${end}: Colour open, Warmth open`))
        for (const [index, one] of found.entries()) {
          expect(Math.min(one.width, one.height), `${one.id} at ${width}`).to.be.at.least(44)
          expect(one.left, `${one.id} at ${width}`).to.be.at.least(found[index - 1]?.right ?? 0)
          expect(one.right).to.be.at.most(width)
        }
      }
    }).timeout(60_000)
  }

  it('leads from a place that is whole to the next, takes no press meant for the one before, and a tap on the limb opens its place', async () => {
    await browser.setViewport(390, 844)
    const seeded = await openRound('leg-slab')
    expect(await inHand()).to.equal('end')
    const put = (cell: string, word: string): Promise<void> =>
      browser.evaluate(
        `const cell = document.querySelector('form [data-cell="' + arguments[0] + '"]')
         const button = cell && [...cell.querySelectorAll('button')].find((one) => one.innerText.split('\\n')[0].replace(/\\s/g, '') === arguments[1])
         if (!button) throw new Error('no ' + arguments[1] + ' at ' + arguments[0])
         button.click()`,
        cell,
        word,
      )
    for (const [item, word] of [
      ['colour', 'pink'],
      ['warmth', 'warm'],
      ['refillS', '2s'],
    ] as const)
      await put(`left/${item}`, word)
    await put('left/swelling', 'none')
    expect(await inHand()).to.equal('pulse')
    expect(await browser.evaluate(`return document.activeElement.closest('[data-cell]')?.dataset.cell`)).to.equal('left/pulse')
    await put('left/pulse', 'absent')
    expect(await inHand(), 'too soon: nobody can have read it').to.equal('pulse')
    await browser.driver.sleep(400)
    await put('left/pulse', 'absent')
    expect(await inHand()).to.equal('feeling')
    expect((await zones()).find(({ id }) => id === 'pulse')?.name).to.equal('Pulse: Pulse absent')
    await browser.evaluate(
      `document.querySelector('[role=dialog] [data-finding="foot-pulse"]').dispatchEvent(new MouseEvent('click', { bubbles: true }))`,
    )
    expect(await inHand()).to.equal('pulse')
    await browser.click('button', /^RIGHT/)
    await browser.find('list', 'Places of the right leg')
    expect(
      (await zones()).map(({ id }) => id),
      'what only a device does is not asked of the sound side',
    ).to.deep.equal(['end', 'pulse', 'feeling', 'movement'])
    await browser.click('button', 'Judge this round')
    await browser.waitForText(/places are open/)
    await browser.click('button', /^Judge this round with/)
    await browser.driver.wait(async () => (await roundsOf(seeded)).length === 3, patienceMs)
    expect((await roundsOf(seeded)).at(-1)?.findings.limbs).to.have.length(1)
  }).timeout(60_000)
})
