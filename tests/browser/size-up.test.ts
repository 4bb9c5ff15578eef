import { expect } from 'chai'
import { signIn, startBrowser, type TestBrowser } from '../harness/browser/browser'
import { startLiveServer, type LiveServer } from '../harness/live-server'
import { seedCase, type SeededCase } from '../harness/seed-case'
import { patienceMs } from '../harness/patience'

let server: LiveServer
let browser: TestBrowser
let seeded: SeededCase

describe('what Size up asks, in the browser', () => {
  before(async () => {
    server = await startLiveServer()
    browser = await startBrowser(server.address)
    await browser.setViewport(1280, 800)
    await signIn(browser, 'isolde', server.password)
    seeded = await seedCase(browser, 'leg-slab')
  })

  const open = async (): Promise<void> => {
    await browser.open(`/case/${seeded.caseId}/size-up`)
    await browser.find('heading', 'Is any of this so?')
  }
  const group = async (name: string): Promise<string> => (await browser.find('group', name)).getText()
  interface Episode {
    readonly flags: readonly string[]
    readonly asked?: readonly { readonly question: string; readonly by: string }[]
  }
  const episode = (): Promise<Episode> =>
    browser.evaluateAsync(
      `const [id, done] = arguments; fetch('/api/cases/' + id).then((one) => one.json()).then((one) => done(one.episode))`,
      seeded.caseId,
    )

  it('puts first what would stop it, and folds the rest under a line that names it', async () => {
    await open()
    const shown = await group('Is any of this so?')
    expect(shown).to.match(/^No pulse[^]*Skin tented/)
    expect(
      (await browser.driver.findElements({ css: 'section[aria-labelledby=questions] > [role=group] button[aria-pressed]' })).length,
    ).to.equal(6)
    // Six in sight, and the rest under a line that names it.
    expect(await browser.text()).to.match(/More that would stop or change it: .*diabetes/)
    await browser.evaluate(`[...document.querySelectorAll('summary')].find((one) => one.textContent.startsWith('More that')).click()`)
    await browser.find('button', 'Diabetes')
    const page = await browser.text()
    expect(page).to.match(/Also asked: .*hip suspected/)
    expect(page).to.not.include('Bent back or neck')
  })

  it('says why each is asked, in the words of the plan', async () => {
    await browser.click('button', 'Why each is asked')
    await browser.waitForText('Can no pulse be felt beyond it?')
    await browser.waitForText('Call the senior first: nothing goes on before the pulse has been dealt with.')
    await browser.waitForText(/More rounds: \d+ in place of \d+/)
    await browser.click('button', 'Why each is asked')
  })

  it('what is so stays where it was tapped, and is kept', async () => {
    const place = async (): Promise<number> => {
      const { x, y } = await (await browser.find('button', 'Diabetes')).getRect()
      return Math.round(x + 10_000 * y)
    }
    const before = await place()
    await browser.click('button', 'Diabetes')
    await browser.driver.wait(async () => (await episode()).flags.includes('diabetes'), patienceMs)
    await browser.waitForText('Test the feeling of foot or hand first')
    const chip = await browser.find('button', 'Diabetes')
    expect(await chip.getAttribute('aria-pressed')).to.equal('true')
    expect(Math.abs((await place()) - before)).to.be.below(10_000 * 3)
  })

  it('“None of these” records each as asked, by whom; on the next visit they are one line', async () => {
    const stops = await browser.find('group', 'Is any of this so?')
    await (await stops.findElement({ xpath: './/button[normalize-space() = "None of these"]' })).click()
    await browser.driver.wait(async () => ((await episode()).asked?.length ?? 0) >= 3, patienceMs)
    const { asked } = await episode()
    expect(asked!.map((one) => one.question)).to.include.members(['pulse-absent', 'skin-tented', 'comminuted'])
    expect(new Set(asked!.map((one) => one.by))).to.deep.equal(new Set(['Isolde Quill']))
    await browser.driver.navigate().refresh()
    await browser.waitForText(/Asked, not so, .*Isolde Quill: .*no pulse/)
    expect(await group('Is any of this so?'), 'the next six').to.not.include('No pulse')
    expect(await group('So here')).to.include('Diabetes')
  })

  it('what was answered by no is so after all when it is tapped', async () => {
    await browser.evaluate(`[...document.querySelectorAll('summary')].find((one) => one.textContent.startsWith('Asked')).click()`)
    await browser.click('button', /^Skin tented/)
    await browser.waitForText('Reduce now: call.')
    await browser.click('button', /^Skin tented/)
    await browser.driver.wait(async () => !(await browser.text()).includes('Reduce now: call.'), patienceMs)
  })

  it('swelling is asked until it is said, and “none” is an answer', async () => {
    const other = await seedCase(browser, 'leg-slab', { isUnread: true })
    await browser.open(`/case/${other.caseId}/size-up`)
    await browser.find('heading', 'Is any of this so?')
    if ((await browser.query('radio', 'none')) === null) throw new Error('swelling is not asked')
    await browser.click('radio', 'none')
    await browser.driver.wait(
      async () => (await (await browser.find('radio', 'none')).getAttribute('aria-checked')) === 'true',
      patienceMs,
      'none was not taken for an answer',
    )
  })

  it('is less than a screen and a half on a desk, and three on a phone', async () => {
    await browser.open(`/case/${(await seedCase(browser, 'leg-slab')).caseId}/size-up`)
    await browser.find('group', 'Is any of this so?')
    const height = (): Promise<number> => browser.evaluate('return document.documentElement.scrollHeight')
    expect(await height()).to.be.below(1.5 * 800)
    await browser.setViewport(390, 844)
    await browser.driver.wait(async () => (await height()) < 3.1 * 844, patienceMs, 'it is longer than three screens of a phone')
    await browser.setViewport(1280, 800)
  })
})
