import { expect } from 'chai'
import { readdirSync, readFileSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { openFolds, signInAtForm, startKeepingBrowser, type KeepingBrowser } from '../harness/browser/browser'
import { startCutLine, type CutLine } from '../harness/browser/cut-line'
import { waitForKeptApplication } from '../harness/kept'
import { startLiveServer, type LiveServer } from '../harness/live-server'
import { itAtLength } from '../harness/long'
import { patienceMs } from '../harness/patience'
import { seedCase } from '../harness/seed-case'

let server: LiveServer
let line: CutLine
let browser: KeepingBrowser

/** What another device does with an account. */
async function asPerson(name: string): Promise<{
  get<T>(path: string): Promise<T>
  post(path: string, body: object): Promise<Response>
}> {
  const opened = await fetch(`${server.address}/api/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ name, password: server.password }),
  })
  const { csrf } = (await opened.json()) as { csrf: string }
  const headers = {
    'content-type': 'application/json',
    'x-csrf-token': csrf,
    cookie: (opened.headers.get('set-cookie') ?? '').split(';')[0] ?? '',
  }
  return {
    get: async <T>(path: string) => (await (await fetch(`${server.address}${path}`, { headers })).json()) as T,
    post: (path, body) => fetch(`${server.address}${path}`, { method: 'POST', headers, body: JSON.stringify(body) }),
  }
}

interface Episode {
  readonly id: string
  readonly injuries: Readonly<
    Record<string, { readonly region: string | null; readonly side: string | null; readonly swelling: string | null }>
  >
  readonly unattributed?: { readonly name: string; readonly claimed?: unknown }
}

/** What the device keeps of its emergency entry; the keys by what they let be done with them. */
const keptAlone = (): Promise<{ readonly isOn: boolean; readonly keys: readonly boolean[] | null } | null> =>
  browser.evaluateAsync(
    `const [done] = arguments
     const asked = indexedDB.open('zesty-wren-shared')
     asked.onsuccess = () => {
       const read = asked.result.transaction('facts').objectStore('facts').get('alone')
       read.onsuccess = () => {
         const alone = read.result
         asked.result.close()
         done(alone ? { isOn: alone.isOn, keys: alone.keys && [alone.keys.store.extractable, alone.keys.naming.extractable] } : null)
       }
     }`,
  )

const caseInHand = async (): Promise<string> => /\/case\/([^/]+)/.exec(await browser.driver.getCurrentUrl())?.[1] ?? ''

/** Whether any file of the browser's profile holds a text. */
function profileHolds(text: string, folder = browser.profile): boolean {
  return readdirSync(folder).some((name) => {
    const path = join(folder, name)
    const found = statSync(path, { throwIfNoEntry: false })
    if (found?.isDirectory()) return profileHolds(text, path)
    if (!found?.isFile()) return false
    const bytes = readFileSync(path)
    return [Buffer.from(text, 'utf8'), Buffer.from(text, 'utf16le')].some((needle) => bytes.includes(needle))
  })
}

describe('a paired device without a line and without an account, in the browser', () => {
  let caseId: string
  before(async () => {
    server = await startLiveServer()
    line = await startCutLine(server.address)
    browser = await startKeepingBrowser(line.address)
    await browser.setViewport(390, 844)
    await browser.open('/')
    await browser.find('button', 'Sign in')
    expect(await browser.query('button', 'Emergency: begin without signing in')).to.equal(null)
    const paired = await browser.evaluateAsync<number>(
      `const [password, done] = arguments
       const post = (path, body, token) => fetch(path, { method: 'POST', headers: { 'content-type': 'application/json', ...(token ? { 'x-csrf-token': token } : {}) }, body: JSON.stringify(body) })
       post('/api/session', { name: 'greta', password })
         .then((one) => one.json())
         .then(async ({ csrf }) => {
           const { status } = await post('/api/admin/devices', { name: 'Rescue 3' }, csrf)
           await fetch('/api/session', { method: 'DELETE', headers: { 'x-csrf-token': csrf } })
           done(status)
         })`,
      server.password,
    )
    expect(paired).to.equal(200)
    await browser.driver.navigate().refresh()
    await browser.find('button', 'Emergency: begin without signing in')
    await waitForKeptApplication(browser)
  })
  after(() => browser.quit())

  it('begins by one tap, though nothing answers', async () => {
    await line.cut()
    await browser.driver.navigate().refresh()
    await browser.waitForText('The server does not answer')
    await browser.click('button', 'Emergency: begin without signing in')
    await browser.find('heading', 'Size up')
    await browser.waitForText('Kept as unattributed@Rescue 3 until a clinician claims it.')
    caseId = await caseInHand()
    await browser.click('button', 'left ankle')
    await browser.click('radio', 'marked')
    await browser.waitForText('No connection')
    expect(await keptAlone()).to.deep.equal({ isOn: true, keys: [false, false] })
  }).timeout(60_000)

  it('goes on where it was through a reload, and asks nobody who they are', async () => {
    await browser.driver.navigate().refresh()
    await browser.find('heading', 'Size up')
    expect(await caseInHand()).to.equal(caseId)
    expect(await (await browser.find('radio', 'marked')).getAttribute('aria-checked')).to.equal('true')
    await openFolds(browser)
    await browser.type('textbox', 'Name', 'said of nobody alone')
    await browser.click('button', 'Keep')
  }).timeout(60_000)

  it('a lock is opened by the same button, and what was begun goes on', async () => {
    await browser.click('button', 'Menu')
    await browser.click('menuitem', /^Lock; /)
    await browser.find('dialog', 'Locked')
    await browser.driver.navigate().refresh()
    await browser.waitForText('The server does not answer')
    await browser.click('button', 'Emergency: begin without signing in')
    await browser.find('heading', 'Size up')
    expect(await caseInHand()).to.equal(caseId)
  }).timeout(60_000)

  it('ended without a line it is closed, counted, and written nowhere in the plain', async () => {
    await browser.click('button', 'End it')
    await browser.waitForText('The server does not answer')
    await browser.waitForText(/\d+ entries of the last user are not sent/)
    expect((await keptAlone())?.isOn).to.equal(false)
    expect(profileHolds('said of nobody alone')).to.equal(false)
    expect(profileHolds('zesty-wren-shared')).to.equal(true)
    await browser.waitForText(/S\.O\.N\.[^]*\d+ not sent/)
    await browser.click('button', 'Emergency: begin without signing in')
    await browser.find('heading', 'This device’s patients')
    await browser.click('link', 'New patient')
    await browser.find('heading', 'Size up')
    expect(await caseInHand()).not.to.equal(caseId)
    await browser.open('/')
    await browser.click('link', /said of nobody alone/)
    await browser.find('heading', 'Measure')
    expect(await caseInHand()).to.equal(caseId)
    await browser.open(`/case/${caseId}/size-up`)
    await browser.find('heading', 'Size up')
    expect(await (await browser.find('radio', 'marked')).getAttribute('aria-checked')).to.equal('true')
  }).timeout(60_000)

  it('arrives when the line is back, under the name of the device, without anybody’s help', async () => {
    const isolde = await asPerson('isolde')
    await line.mend()
    await browser.driver.wait(
      async () =>
        Object.values((await isolde.get<{ episode?: Episode }>(`/api/cases/${caseId}`)).episode?.injuries ?? {})[0]?.swelling === 'marked',
      40_000,
      'what was entered never arrived',
    )
    const { episode } = await isolde.get<{ episode: Episode }>(`/api/cases/${caseId}`)
    expect(episode.unattributed?.name).to.equal('unattributed@Rescue 3')
    await browser.waitForText('Kept as unattributed@Rescue 3 until a clinician claims it.')
    expect(await browser.query('dialog', 'Signed out')).to.equal(null)
  }).timeout(90_000)

  it('leaves no page of a patient behind another one', async () => {
    const length = (): Promise<number> => browser.evaluate('return window.history.length')
    const before = await length()
    await browser.click('button', 'Menu')
    await browser.click('menuitem', 'Board')
    await browser.click('button', 'Menu')
    await browser.click('menuitem', 'Settings')
    await browser.find('heading', 'Settings')
    for (const [link, heading] of [
      ['Guide', 'Guide'],
      ['Board', 'This device’s patients'],
    ] as const) {
      await browser.click('link', link)
      await browser.find('heading', heading)
    }
    expect(await length()).to.equal(before)
  }).timeout(60_000)

  itAtLength('is over once all of it is handed over: the keys go, and the way in is there again', async () => {
    const isolde = await asPerson('isolde')
    const { rows } = await isolde.get<{ rows: readonly { readonly caseId: string; readonly unattributed?: { readonly name: string } }[] }>(
      '/api/board',
    )
    const begun = rows.filter((row) => row.unattributed?.name.endsWith('Rescue 3'))
    // Of the second one nothing was entered: it is nowhere.
    expect(begun.length).to.equal(1)
    for (const row of begun) {
      const { episode } = await isolde.get<{ episode: Episode }>(`/api/cases/${row.caseId}`)
      for (const [kind, body] of [
        ['claimed', { words: 'I was there' }],
        ['patient-received', { told: [], withoutWords: true }],
      ] as const) {
        const answered = await isolde.post('/api/events', {
          id: crypto.randomUUID(),
          stream: { type: 'episode', id: episode.id },
          kind,
          v: 1,
          body,
          at: new Date().toISOString(),
          offsetMs: 0,
        })
        expect([answered.status, answered.ok ? '' : await answered.text()]).to.deep.equal([200, ''])
      }
    }
    await browser.driver.wait(async () => (await browser.query('button', 'Sign in')) !== null, 60_000, 'the emergency entry never ended')
    await browser.driver.wait(async () => (await keptAlone())?.keys === null, patienceMs, 'the keys stayed')
    expect((await keptAlone())?.isOn).to.equal(false)
  }).timeout(120_000)

  for (const [what, isCut] of [
    ['with a line', false],
    ['without one', true],
  ] as const)
    itAtLength(`from somebody’s locked screen, ${what}, it begins a page of its own and a new patient`, async () => {
      await browser.setViewport(1280, 800)
      await signInAtForm(browser, 'isolde', server.password, '2468')
      const { caseId: theirs } = await seedCase(browser, 'leg-slab')
      await browser.open(`/case/${theirs}/watch`)
      await browser.waitForText('Test leg-slab')
      await browser.click('button', 'Lock')
      await browser.click('menuitem', /^Lock; /)
      await browser.find('dialog', 'Locked')
      if (isCut) await line.cut()
      await browser.click('button', 'Emergency: begin without signing in')
      await browser.waitForText('Kept as unattributed@Rescue 3 until a clinician claims it.')
      await browser.find('heading', 'Size up')
      expect(await caseInHand()).not.to.equal(theirs)
      expect(await browser.text()).not.to.include('Test leg-slab')
      if (isCut) await line.mend()
      await browser.open('/')
      await browser.click('button', 'End it')
      await browser.driver.wait(async () => (await browser.query('textbox', 'Name')) !== null, patienceMs, 'it never ended')
    }).timeout(90_000)
})
