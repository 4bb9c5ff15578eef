import { expect } from 'chai'
import type { SittingAnswer } from '#contract/api/practice'
import { findStation, planOfStation, stationIdOf } from '#core/practice/stations/shipped-stations'
import { stationContext } from '#core/practice/stations/station-context'
import { stepName } from '#core/runs/step-name'
import { signIn, startBrowser, startKeepingBrowser, type KeepingBrowser, type TestBrowser } from '../harness/browser/browser'
import { startCutLine, type CutLine } from '../harness/browser/cut-line'
import { startLiveServer } from '../harness/live-server'
import { patienceMs } from '../harness/patience'

const station = findStation(stationIdOf('frame-traction'), stationContext)
const plan = station && planOfStation(station, stationContext)
const listed = plan?.procedure.steps.map((step) => step.id) ?? []
/** As a candidate does it who straps the leg before it is pulled. */
const done = listed.map((id) => (id === 'pull' ? 'straps' : id === 'straps' ? 'pull' : id))
/** The tablet sleeps so long in mid-run. */
const asleepMs = 11 * 60_000

describe('a station examined on two devices, in the browser', () => {
  let examiner: TestBrowser
  let candidate: KeepingBrowser
  let line: CutLine
  let runPath = ''
  let password = ''
  before(async () => {
    const server = await startLiveServer()
    password = server.password
    line = await startCutLine(server.address)
    examiner = await startBrowser(line.address)
    await examiner.setViewport(1280, 800)
    await signIn(examiner, 'isolde', server.password)
    candidate = await startKeepingBrowser(server.address)
    await candidate.setViewport(820, 1180)
    await signIn(candidate, 'teodor', server.password)
  })
  after(() => candidate.quit())
  /** Pressed twice, as a thumb that bounces: the list keeps its places, so that the second press meets nothing. */
  const tick = async (id: string): Promise<void> => {
    const before = await doneCount()
    const button = await examiner.find('button', stepName({ id }))
    await examiner.driver.executeScript('arguments[0].scrollIntoView({ block: "center" })', button)
    await examiner.driver.actions().doubleClick(button).perform()
    await examiner.driver.wait(async () => (await doneCount()) > before, patienceMs, `${id} was not ticked`)
    expect(await doneCount()).to.equal(before + 1)
  }
  const doneCount = (): Promise<number> =>
    examiner.evaluate<number>(`return document.querySelectorAll('section[aria-labelledby="done"] li').length`)

  it('is begun by the examiner, and the candidate finds it under Practice with clock and givens, and no step', async () => {
    await examiner.open(`/practice/station/${stationIdOf('frame-traction')}`)
    await examiner.click('button', 'Start their clock')
    await examiner.waitForText('Candidate is missing')
    await examiner.click('button', /^Teodor/)
    await examiner.click('button', 'Start their clock')
    await examiner.find('list', 'Steps, tick them in any order')
    runPath = new URL(await examiner.driver.getCurrentUrl()).pathname
    await candidate.open('/practice')
    await candidate.click('link', /^You are examined now/)
    await candidate.find('timer', 'Time left')
    await candidate.waitForText('Ask your examiner')
    const text = await candidate.text()
    expect(text).to.include(station?.given[0])
    expect(text).not.to.include(stepName({ id: 'hitch' }))
  }).timeout(60_000)

  it('tells the candidate what they ask, once the examiner has answered', async () => {
    await examiner.click('button', 'Pulse?')
    await candidate.waitForText('Strong, the same on both sides.')
  }).timeout(40_000)

  it('is marked on without a line: nothing is lost, a slip is taken back, and the tablet may sleep', async () => {
    for (const id of done.slice(0, 4)) await tick(id)
    await line.cut()
    for (const id of done.slice(4, 8)) await tick(id)
    await tick('board')
    await examiner.click('button', 'Undo')
    await examiner.driver.wait(async () => (await doneCount()) === 8, patienceMs)
    await examiner.waitForText(/marks are kept here and not yet sent/)
    await examiner.evaluate(`const real = Date.now.bind(Date); Date.now = () => real() + ${asleepMs}`)
    await examiner.waitForText('over time')
    for (const id of done.slice(8)) await tick(id)
    await examiner.click('button', 'Pull let go')
    const fields = await examiner.driver.findElements({ css: 'section[aria-labelledby="figures"] input' })
    // The frame's length is right to 1 cm and 1 cm off; the load is right; the third is not given.
    await fields[0]?.sendKeys('106,8')
    await fields[1]?.sendKeys('7')
  }).timeout(60_000)

  it('gives the score that is worked out by hand, at once', async () => {
    await examiner.click('button', 'End the run')
    await examiner.click('button', 'End and score')
    await examiner.waitForText('failed: critical')
    const text = await examiner.text()
    expect(text).to.include('Pull let go')
    expect(text).to.include(`${stepName({ id: 'pull' })} comes before ${stepName({ id: 'straps' })}`)
    expect(text).to.include('This is your own sheet')
  }).timeout(40_000)

  it('merges what was kept when the line is back, and both see the same sheet', async () => {
    await line.mend()
    await examiner.driver.wait(async () => !(await examiner.text()).includes('not yet sent'), patienceMs, 'the marks never went')
    await candidate.waitForText('failed: critical')
    const answer = await candidate.evaluateAsync<SittingAnswer>(
      `fetch(arguments[0]).then((one) => one.json()).then(arguments[1])`,
      `/api${runPath.replace('/run/', '/sittings/')}`,
    )
    const marks = answer.sitting.examiners[0]?.marks ?? []
    const endedS = (marks.find((mark) => mark.what.kind === 'end')?.atMs ?? 0) / 1000
    expect(endedS).to.be.within(660, 800)
    // 20 pairs of steps have an order that binds and one is broken; every step is done; figures 2/3, 1 and 0; late by so much of half the limit.
    const time = 1 - (endedS / 600 - 1) / 0.5
    const total = 40 * (19 / 20) + 30 + (20 * (2 / 3 + 1 + 0)) / 3 + 10 * time
    for (const browser of [examiner, candidate]) await browser.waitForText(total.toFixed(1))
    expect(await candidate.text()).to.include('Your order, and the procedure’s')
    await candidate.find('link', 'Sheet, A4')
  }).timeout(60_000)

  it('stands in the candidate’s progress, with when it is due again', async () => {
    await candidate.open('/practice/progress')
    await candidate.find('link', /traction/i)
    await candidate.waitForText(/3 runs, \d passed/)
    await candidate.waitForText(/due again/)
  }).timeout(40_000)

  it('loses nothing where the examiner’s session ends in mid-run: it goes once they have signed in again', async () => {
    await examiner.open(`/practice/station/${stationIdOf('frame-traction')}`)
    await examiner.click('button', /^Teodor/)
    await examiner.click('button', 'Start their clock')
    await examiner.find('list', 'Steps, tick them in any order')
    const path = new URL(await examiner.driver.getCurrentUrl()).pathname
    await examiner.driver.manage().deleteAllCookies()
    // The page leaves the document once its session is over: what was ticked is kept.
    await examiner.click('button', stepName({ id: 'protect' }))
    await examiner.find('dialog', 'Signed out')
    await examiner.type('textbox', 'Name', 'isolde')
    await examiner.type('textbox', 'Password', password)
    await examiner.click('button', 'Sign in')
    const marked = (): Promise<number> =>
      examiner.evaluateAsync<number>(
        `fetch(arguments[0]).then((one) => one.json()).then((one) => arguments[1](one.sitting?.examiners[0]?.marks.length ?? 0), () => arguments[1](0))`,
        `/api${path.replace('/run/', '/sittings/')}`,
      )
    await examiner.driver.wait(async () => (await marked()) === 1, patienceMs, 'the mark never went')
    expect(await examiner.text()).not.to.include('does not take this run')
  }).timeout(60_000)
})
