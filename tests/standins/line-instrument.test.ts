import { expect } from 'chai'
import { fork, type ChildProcess } from 'node:child_process'
import { connect, type Socket } from 'node:net'
import { request as ask } from 'node:http'
import { fileURLToPath } from 'node:url'
import { WebSocket } from 'ws'

const origin = 'http://127.0.0.1:4180'

/** A simulated device as it is built, asked by strangers and with nonsense. */
describe('a simulated device', () => {
  let child: ChildProcess
  let port: number
  before(async () => {
    child = fork(fileURLToPath(new URL('../../dist/standins/tape.js', import.meta.url)), {
      env: { ...process.env, PORT: '0', WREN_ORIGINS: origin },
    })
    port = await new Promise((resolve) => child.once('message', (message) => resolve((message as { port: number }).port)))
  })
  after(async () => {
    child.kill('SIGTERM')
    await new Promise((resolve) => child.once('exit', resolve))
  })
  afterEach(async () => {
    expect(child.exitCode, 'it lives').to.equal(null)
    expect(await post('/hold', {})).to.equal(204)
  })

  const send = (path: string, headers: Record<string, string>, body = '', method = 'POST'): Promise<number> =>
    new Promise((resolve, reject) => {
      const asked = ask({ port, host: '127.0.0.1', path, method, headers }, (answer) => {
        answer.resume()
        answer.on('end', () => resolve(answer.statusCode ?? 0))
      })
      asked.on('error', reject)
      asked.end(body)
    })
  const post = (path: string, headers: Record<string, string>, body = ''): Promise<number> => send(path, headers, body)
  const listen = (headers: Record<string, string> = { origin }): Promise<WebSocket> =>
    new Promise((resolve, reject) => {
      const socket = new WebSocket(`ws://127.0.0.1:${port}/tape`, { headers })
      socket.once('message', () => resolve(socket))
      socket.once('error', reject)
    })
  const closed = (socket: WebSocket): Promise<void> => new Promise((resolve) => socket.once('close', () => resolve()))
  const raw = (): Promise<Socket> =>
    new Promise((resolve) => {
      const socket = connect(port, '127.0.0.1', () => resolve(socket))
      socket.on('error', () => undefined)
    })

  it('answers its own page, pages that it was told of, and programs', async () => {
    expect(await post('/hold', { origin: `http://127.0.0.1:${port}` })).to.equal(204)
    expect(await post('/hold', { origin })).to.equal(204)
    expect(await post('/hold', {})).to.equal(204)
  })

  for (const [what, headers] of [
    ['a page from elsewhere', { origin: 'http://elsewhere.test' }],
    ['a page without an origin of its own', { origin: 'null' }],
    ['another host that was made to lead here', { host: 'elsewhere.test' }],
    ['another port of this host', { host: '127.0.0.1:1' }],
  ] as const) {
    it(`refuses ${what}, for reading, setting and listening alike`, async () => {
      for (const [path, method] of [
        ['/', 'GET'],
        ['/state', 'GET'],
        ['/state', 'POST'],
        ['/unplug', 'POST'],
      ] as const)
        expect(await send(path, headers, '', method), path).to.equal(403)
      const refusal = await listen({ origin, ...headers }).catch((error: Error) => error.message)
      expect(refusal).to.match(/403/)
    })
  }

  it('a frame that is no frame ends its own connection, and the others hear on', async () => {
    const [bad, good] = [await listen(), await listen()]
    const isClosed = closed(bad)
    ;(bad as unknown as { _socket: Socket })._socket.write(Buffer.from([0xff, 0xff, 0x00, 0x13, 0x37]))
    await isClosed
    await new Promise((resolve) => good.once('message', resolve))
    good.terminate()
  })

  it('so does one that is longer than any line', async () => {
    const socket = await listen()
    const isClosed = closed(socket)
    socket.send('x'.repeat(5_000))
    await isClosed
  })

  it('survives refused upgrades whose sender hangs up at once', async () => {
    for (let time = 0; time < 50; time++) {
      const socket = await raw()
      socket.write(`GET /tape HTTP/1.1\r\nHost: x\r\nConnection: Upgrade\r\nUpgrade: websocket\r\nSec-WebSocket-Version: 13\r\n\r\n`)
      socket.resetAndDestroy()
    }
  })

  it('survives what is no HTTP, and bodies that never end well', async () => {
    for (const text of ['\u0000\u0001\u0002', 'GET', 'POST /state HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Length: 5\r\n\r\nab']) {
      const socket = await raw()
      socket.write(text)
      socket.end()
      socket.resume()
      await new Promise((resolve) => socket.once('close', resolve))
    }
    for (const body of ['{', 'null', '[]', '{"value":1e9}', '{"value":"7"}', '{"lossShare":-1}'])
      expect(await post('/state', {}, body)).to.equal(422)
    expect(await post('/state', {}, `{"value":7${' '.repeat(5_000)}}`)).to.equal(413)
    expect(await post('/state', {}, '{"value":7}')).to.equal(200)
  })
})
