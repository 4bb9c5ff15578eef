import { createServer, type IncomingMessage, type ServerResponse } from 'node:http'
import { WebSocketServer } from 'ws'
import { isOurHost, isOurOrigin, listenForSupervisor, readBody } from '../local-server'
import { createLineSource, type DeviceKind, type SourceSettings } from './line-source'
import { panelPage } from './panel'

/** A line of the wire is short; what comes in is never longer. */
const mostFrameBytes = 1024
const mostBodyBytes = 2_000

/**
 * Runs one simulated device in this process: a WebSocket of lines, and a page of its own to set it. Loopback only: a request that
 * names another host is refused, whoever resolved it to this machine; only pages from `WREN_ORIGINS`, and its own, may ask for
 * anything; ends with its supervisor.
 */
export function serveDevice(kind: DeviceKind): void {
  const source = createLineSource(kind, Math.random)
  const allowed = (process.env['WREN_ORIGINS'] ?? '').split(' ').filter(Boolean)
  const server = createServer((request, response) => void answer(request, response))
  const sockets = new WebSocketServer({ noServer: true, maxPayload: mostFrameBytes, perMessageDeflate: false })
  server.on('upgrade', (request, socket, head) => {
    // Whoever asked may be gone, or hang up, at any moment: that is no trouble of the others.
    socket.on('error', () => socket.destroy())
    const origin = request.headers.origin ?? ''
    if (request.url !== kind.path || !isOurHost(server, request) || !(allowed.length === 0 || allowed.includes(origin))) {
      socket.end('HTTP/1.1 403 Forbidden\r\nconnection: close\r\n\r\n', () => socket.destroy())
      return
    }
    sockets.handleUpgrade(request, socket, head, (client) => {
      // A frame that is no frame ends that connection, and nothing else.
      client.on('error', () => client.terminate())
      client.send(`${kind.hello} 1 Tern ${kind.title.toLowerCase()}`)
    })
  })
  server.on('clientError', (_error, socket) => socket.destroy())
  setInterval(() => source.tick().forEach(tell), 100)

  function tell(line: string): void {
    for (const client of sockets.clients) if (client.readyState === client.OPEN) client.send(line)
  }

  async function answer(request: IncomingMessage, response: ServerResponse): Promise<void> {
    const send = (status: number, type: string, body: string): void => void response.writeHead(status, { 'content-type': type }).end(body)
    const done = (): void => send(204, 'text/plain', '')
    if (!isOurHost(server, request) || !isOurOrigin(request, allowed))
      return send(403, 'text/plain', 'Only this device’s own page, and pages that it was told of, may ask.')
    if (request.method === 'GET' && request.url === '/') return send(200, 'text/html; charset=utf-8', panelPage(kind))
    if (request.method === 'GET' && request.url === '/state') return send(200, 'application/json', JSON.stringify(source.settings))
    if (request.method !== 'POST') return send(404, 'text/plain', 'There is nothing here.')
    if (request.url === '/hold') {
      tell(source.hold())
      return done()
    }
    if (request.url === '/unplug') {
      for (const client of sockets.clients) client.terminate()
      return done()
    }
    if (request.url === '/garbage') {
      for (const line of [`${kind.reading} ?? \u0007 garbage`, `${kind.reading} 1e9 S`, '', 'x'.repeat(2000)]) tell(line)
      return done()
    }
    const text = await readBody(request, mostBodyBytes)
    if (text === null) return send(413, 'text/plain', `Send at most ${mostBodyBytes} bytes.`)
    const changes = readSettings(text, kind)
    if (request.url !== '/state' || !changes)
      return send(422, 'text/plain', 'Send value, jitter, batteryPercent or lossShare as numbers in range.')
    source.change(changes)
    send(200, 'application/json', JSON.stringify(source.settings))
  }

  listenForSupervisor(server, () => {
    for (const client of sockets.clients) client.terminate()
  })
}

function readSettings(text: string, kind: DeviceKind): Partial<SourceSettings> | null {
  const ranges: Readonly<Record<keyof SourceSettings, readonly [number, number]>> = {
    value: [kind.least, kind.greatest],
    jitter: [0, kind.greatest / 10],
    batteryPercent: [0, 100],
    lossShare: [0, 1],
  }
  try {
    const data = JSON.parse(text) as Record<string, unknown>
    if (!Object.keys(data).every((name) => Object.hasOwn(ranges, name))) return null
    const changes: Record<string, number> = {}
    for (const [name, [least, greatest]] of Object.entries(ranges)) {
      const value = data[name]
      if (value === undefined) continue
      if (typeof value !== 'number' || !(value >= least && value <= greatest)) return null
      changes[name] = value
    }
    return Object.keys(changes).length > 0 ? changes : null
  } catch {
    return null
  }
}
