import { expect } from 'chai'
import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { protocolFile } from '#core/files/read-protocol'
import { defaultProtocol } from '#core/quantities/defaults'
import { signIn, startBrowser, type TestBrowser } from '../harness/browser/browser'
import { startLiveServer, type LiveServer } from '../harness/live-server'
import { seedCase, sendApplied, type SeededCase } from '../harness/seed-case'
import { patienceMs } from '../harness/patience'

describe('a lead’s morning, in the browser', () => {
  let server: LiveServer
  let maren: TestBrowser
  let otto: TestBrowser
  let seeded: SeededCase
  before(async () => {
    server = await startLiveServer()
    maren = await startBrowser(server.address)
    await maren.setViewport(1280, 800)
    await signIn(maren, 'maren', server.password)
    seeded = await seedCase(maren, 'ring-traction')
    await sendApplied(maren, seeded, 5)
  })

  it('drafts a protocol: faults are named where they stand, and what is typed survives a reload', async () => {
    await maren.open('/ward')
    await maren.click('link', 'Protocol')
    await maren.waitForText('In force: version 1')
    await maren.click('button', 'Draft a change')
    await maren.type('textbox', 'Usual, row 1: minutes between rounds', '0')
    await maren.waitForText('The usual list, row 1: rounds come every 5 to 720 minutes, not every 0.')
    await maren.driver.navigate().refresh()
    await maren.waitForText('rounds come every 5 to 720 minutes')
    await maren.type('textbox', 'Usual, row 1: minutes between rounds', '10')
    await maren.click('radio', 'Figures')
    await maren.type('textbox', 'Find a figure', 'pull')
    await maren.type('textbox', 'Most on skin', '6')
    await maren.type('textbox', 'Why, in a line', 'agreed with the surgeons')
    await maren.click('button', 'Keep the draft')
    const draft = await maren.find('region', 'Draft by Maren Oake')
    expect(await draft.getText())
      .to.include('15 min × 4, 30 min × 4')
      .and.include('5 kg → 6 kg')
  }).timeout(60_000)

  it('compares it with the live cases, and two sign what goes beyond a guarded figure', async () => {
    await maren.click('button', 'What would change for live cases')
    await maren.waitForText(/\d+ of \d+ live cases would change/)
    await maren.waitForText('Test ring-traction')
    await maren.waitForText(/Next round \d+ min earlier/)
    await maren.click('button', 'Sign it as Maren Oake')
    await maren.waitForText('Another lead signs next')
    otto = await startBrowser(server.address)
    await otto.setViewport(390, 844)
    await signIn(otto, 'otto', server.password)
    await otto.open('/protocol')
    await otto.waitForText('one more signature is missing')
    await otto.click('button', 'Sign it as Otto Marlowe-Pike')
    await otto.click('button', 'Put in force')
    await otto.waitForText(/In force: version 2, since .*, by Otto Marlowe-Pike/)
    await otto.waitForText('signed by Maren Oake and Otto Marlowe-Pike')
  }).timeout(60_000)

  it('a live case keeps its version until a lead moves it', async () => {
    await otto.click('button', 'Look for them')
    await otto.click('button', 'Move Test ring-traction to the version in force')
    await otto.driver.wait(async () => !(await otto.text()).includes('Move Test ring-traction'), patienceMs)
    await otto.open(`/case/${seeded.caseId}/choose`)
    await otto.waitForText(/\n6(\.0)? kg/)
  }).timeout(60_000)

  it('a file is read into the fields, and what is no protocol is refused with its reason', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'protocol-'))
    const [good, bad] = [join(folder, 'ours.json'), join(folder, 'stock.json')]
    writeFileSync(good, JSON.stringify(protocolFile({ ...defaultProtocol, options: { 'leg-slab/extent': 'above-knee' } })))
    writeFileSync(bad, '{"format": "something else"}')
    await otto.open('/protocol')
    await otto.find('button', 'From a file')
    const input = await otto.driver.findElement({ css: 'input[type=file]' })
    await input.sendKeys(bad)
    await otto.waitForText('This is no protocol file')
    await input.sendKeys(good)
    await otto.click('radio', 'Schools')
    await otto.waitForText(/Back slab, leg\s+1 set here/)
    await otto.click('button', 'Leave it')
    await otto.find('button', 'Draft a change')
  }).timeout(60_000)

  it('changes the rota, and the wall board is read across the room', async () => {
    await otto.open('/ward')
    await otto.click('button', 'Add a shift')
    await otto.type('textbox', 'Role', 'Registrar')
    await otto.type('textbox', 'Name', 'Dunstan Reeve')
    await otto.type('textbox', 'Area (empty: everywhere)', 'Ward B')
    await otto.click('button', 'Keep')
    await otto.waitForText(/Dunstan Reeve/)
    await otto.open('/?view=wall')
    // The first that has room shows its letters, and nobody his name.
    await otto.find('list', 'Live cases, worst first')
    expect(await otto.text()).not.to.include('Test ring-traction')
  }).timeout(60_000)
})
