import { expect } from 'chai'
import { fork, type ChildProcess } from 'node:child_process'
import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { fileURLToPath } from 'node:url'
import type { PagerReceipt } from '#contract/api/pager'
import { isSignedBy } from '../../src/server/services/keep-receipt'

const secret = 'a secret of the tests'

/** The simulated pager as it is built: its receipts hold for the server, and it misbehaves when told to. */
describe('the simulated pager', () => {
  let child: ChildProcess
  let address: string
  let server: Server
  let heard: { readonly receipt: PagerReceipt; readonly signature: string }[] = []
  before(async () => {
    server = createServer((asked, response) => {
      let text = ''
      asked.on('data', (chunk: Buffer) => (text += chunk.toString()))
      asked.on('end', () => {
        heard.push({ receipt: JSON.parse(text) as PagerReceipt, signature: String(asked.headers['x-signature']) })
        response.writeHead(200).end('{}')
      })
    })
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
    const receipts = `http://127.0.0.1:${(server.address() as AddressInfo).port}/receipts`
    child = fork(fileURLToPath(new URL('../../dist/standins/pager.js', import.meta.url)), {
      env: { ...process.env, PORT: '0', WREN_PAGER_SECRET: secret, WREN_PAGER_RECEIPTS: receipts },
    })
    const port: number = await new Promise((resolve) => child.once('message', (message) => resolve((message as { port: number }).port)))
    address = `http://127.0.0.1:${port}`
  })
  after(async () => {
    child.kill('SIGTERM')
    await new Promise((resolve) => child.once('exit', resolve))
    server.closeAllConnections()
    await new Promise((resolve) => server.close(resolve))
  })
  beforeEach(() => {
    heard = []
  })

  const post = async (path: string, body: unknown, headers: Record<string, string> = {}): Promise<number> =>
    (await fetch(`${address}${path}`, { method: 'POST', headers, body: typeof body === 'string' ? body : JSON.stringify(body) })).status
  const mode = async (name: string): Promise<number> => post('/state', { mode: name })
  const page = (id: string) => ({ id, to: 'Registrar', text: 'Bay 9: no pulse felt' })
  async function until(count: number): Promise<void> {
    while (heard.length < count) await new Promise((resolve) => setTimeout(resolve, 10))
  }

  it('says that a page was delivered, and what a person does with it, signed', async () => {
    await mode('deliver')
    expect(await post('/pages', page('a'))).to.equal(202)
    await until(1)
    expect(await post('/receipts', { pageId: 'a', what: 'answered' })).to.equal(204)
    await until(2)
    expect(heard.map((one) => [one.receipt.what, one.receipt.who])).to.deep.equal([
      ['delivered', ''],
      ['answered', 'Registrar'],
    ])
    for (const { receipt, signature } of heard) expect(isSignedBy(receipt, signature, secret)).to.equal(true)
    expect(isSignedBy(heard[0]!.receipt, heard[1]!.signature, secret)).to.equal(false)
    expect(isSignedBy(heard[0]!.receipt, '', secret)).to.equal(false)
  })

  it('refuses, loses, doubles and falls silent when it is told to', async () => {
    expect(await mode('refuse')).to.equal(204)
    expect(await post('/pages', page('b'))).to.equal(409)
    await mode('down')
    expect(await post('/pages', page('b'))).to.equal(503)
    expect((await fetch(`${address}/health`)).status).to.equal(503)
    await mode('lose')
    expect(await post('/pages', page('lost'))).to.equal(202)
    await mode('duplicate')
    expect(await post('/pages', page('twice'))).to.equal(202)
    await until(2)
    expect(heard.map((one) => one.receipt.pageId)).to.deep.equal(['twice', 'twice'])
    await mode('deliver')
    expect((await fetch(`${address}/health`)).status).to.equal(200)
  })

  it('takes no nonsense and no strangers, and lives on', async () => {
    expect(await mode('dance')).to.equal(422)
    expect(await post('/pages', 'nonsense')).to.equal(422)
    expect(await post('/pages', { id: 'c', to: 'R' })).to.equal(422)
    expect(await post('/pages', 'x'.repeat(9_000))).to.equal(413)
    expect(await post('/receipts', { pageId: 'nobody', what: 'answered' })).to.equal(422)
    expect(await post('/pages', page('d'), { origin: 'http://elsewhere.test' })).to.equal(403)
    expect((await fetch(`${address}/elsewhere`)).status).to.equal(404)
    expect(await post('/pages', page('d'))).to.equal(202)
  })
})
