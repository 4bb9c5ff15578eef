import { expect } from 'chai'
import { signIn, startBrowser, type TestBrowser } from '../harness/browser/browser'
import { startLiveServer, type LiveServer } from '../harness/live-server'
import { walkTo } from '../harness/cases/run-steps'
import { quietRound, seedCase, sendRound, startRun, type SeededCase } from '../harness/seed-case'
import { patienceMs } from '../harness/patience'

let server: LiveServer
let browser: TestBrowser

/** Moves a slider as a thumb does: the page sees every value on the way as an input. */
async function slide(label: string, value: number): Promise<void> {
  const slider = await browser.find('slider', new RegExp(`^${label}`))
  await browser.driver.executeScript(
    `const [slider, value] = arguments
     Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(slider, value)
     slider.dispatchEvent(new Event('input', { bubbles: true }))`,
    slider,
    String(value),
  )
}
const panel = async (): Promise<string> => (await browser.find('region', /^The rig/)).getText()
const newton = (text: string, label: string): number => Number(new RegExp(`${label}\\n(-?\\d+) N`).exec(text)?.[1])

describe('pull and wet clocks in the browser', () => {
  before(async () => {
    server = await startLiveServer()
    browser = await startBrowser(server.address)
    await browser.setViewport(1280, 800)
    await signIn(browser, 'isolde', server.password)
  })

  describe('the rig of a suspended leg', () => {
    let seeded: SeededCase

    it('is drawn with its forces, the lift as planned', async () => {
      seeded = await seedCase(browser, 'suspended-ring-traction')
      await browser.open(`/case/${seeded.caseId}/make-ready`)
      await browser.find('image', /The pull from the side, to scale; Suspension [\d.]+ kg.*Lift \d+ N/)
      expect(newton(await panel(), 'Lift')).to.be.within(60, 160)
    })

    it('answers each change: more weight lifts more and spares the hip, less cord pull eases the skin', async () => {
      const before = await panel()
      await slide('Suspension weight', 9)
      await browser.waitForText('The leg rises')
      const heavier = await panel()
      expect(newton(heavier, 'Lift')).to.be.greaterThan(newton(before, 'Lift') + 20)
      expect(newton(heavier, 'Borne by the hip')).to.be.below(newton(before, 'Borne by the hip'))
      await slide('Pull tied into the cord', 9)
      await browser.waitForText('Stop: skin bears')
      await slide('Pull tied into the cord', 2)
      await browser.driver.wait(async () => !(await panel()).includes('Stop: skin bears'), patienceMs)
    })

    it('records only how the bed is built, and only when asked', async () => {
      await browser.click('button', 'As planned')
      await slide('Beam above the bars', 140)
      await browser.click('button', 'The bed is built like this')
      await browser.driver.navigate().refresh()
      await browser.find('image', /The pull from the side/)
      expect(await panel()).to.match(/Beam above the bars\s+140 cm/)
      expect(await panel()).not.to.include('As planned')
    })

    it('is legible on a phone: no text under 11 px, none cut off', async () => {
      await browser.setViewport(390, 844)
      const faults: string[] = await browser.evaluate(
        `const svg = document.querySelector('#rig').closest('section').querySelector('svg')
         const frame = svg.getBoundingClientRect()
         const scale = frame.width / svg.viewBox.baseVal.width
         return [...svg.querySelectorAll('text')].filter((text) => {
           const box = text.getBoundingClientRect()
           return parseFloat(getComputedStyle(text).fontSize) * scale < 11 || box.left < frame.left - 1 || box.right > frame.right + 1
         }).map((text) => text.textContent)`,
      )
      expect(faults).to.deep.equal([])
      await browser.setViewport(1280, 800)
    })
  })

  it('a cast shows by roll what is still workable, in words, each by its own clock', async () => {
    const seeded = await seedCase(browser, 'leg-cast')
    await sendRound(browser, seeded, quietRound('leg-cast'), true)
    await startRun(browser, seeded)
    await walkTo(browser, /Roll 2 of/)
    const legend = await browser.find('list', 'Workable now')
    expect(await legend.getText()).to.match(/Roll 1: workable\s*\d:\d\d/)
    expect(await legend.getText()).to.match(/Roll 2: workable\s*\d:\d\d/)
    await walkTo(browser, /Roll 3 of/)
    await browser.driver.wait(async () => {
      const words = await (await browser.find('list', 'Workable now')).getText()
      return !words.includes('Roll 1:') && words.includes('Roll 3: workable')
    }, patienceMs)
  }).timeout(60_000)
})
