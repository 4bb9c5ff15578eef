import { createServer, type IncomingMessage, type ServerResponse } from 'node:http'
import type { AddressInfo } from 'node:net'
import { WebSocketServer } from 'ws'
import { createLineSource, type DeviceKind, type SourceSettings } from './line-source'
import { panelPage } from './panel'

/**
 * Runs one simulated device in this process: a WebSocket of lines, and a page of its own to set it. Loopback only; only
 * pages from `WREN_ORIGINS` are let in; ends with its supervisor.
 */
export function serveDevice(kind: DeviceKind): void {
  const source = createLineSource(kind, Math.random)
  const allowed = (process.env['WREN_ORIGINS'] ?? '').split(' ').filter(Boolean)
  const server = createServer((request, response) => void answer(request, response))
  const sockets = new WebSocketServer({ noServer: true })
  server.on('upgrade', (request, socket, head) => {
    const origin = request.headers.origin ?? ''
    if (request.url !== kind.path || !(allowed.length === 0 || allowed.includes(origin))) {
      socket.end('HTTP/1.1 403 Forbidden\r\n\r\n')
      return
    }
    sockets.handleUpgrade(request, socket, head, (client) => client.send(`${kind.hello} 1 Tern ${kind.title.toLowerCase()}`))
  })
  setInterval(() => source.tick().forEach(tell), 100)

  function tell(line: string): void {
    for (const client of sockets.clients) client.send(line)
  }

  async function answer(request: IncomingMessage, response: ServerResponse): Promise<void> {
    const send = (status: number, type: string, body: string): void => void response.writeHead(status, { 'content-type': type }).end(body)
    const done = (): void => send(204, 'text/plain', '')
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
    const changes = readSettings(await readBody(request), kind)
    if (request.url !== '/state' || !changes)
      return send(422, 'text/plain', 'Send value, jitter, batteryPercent or lossShare as numbers in range.')
    source.change(changes)
    send(200, 'application/json', JSON.stringify(source.settings))
  }

  server.listen(Number(process.env['PORT'] ?? 0), '127.0.0.1', () =>
    process.send?.({ ready: true, port: (server.address() as AddressInfo).port }),
  )
  const stop = (): void => {
    for (const client of sockets.clients) client.terminate()
    server.close(() => process.exit(0))
    server.closeAllConnections()
  }
  process.on('SIGTERM', stop)
  process.on('SIGINT', stop)
  process.on('disconnect', stop)
}

function readBody(request: IncomingMessage): Promise<string> {
  return new Promise((resolve) => {
    let text = ''
    request.on('data', (chunk: Buffer) => {
      if (text.length < 2000) text += chunk.toString()
    })
    request.on('end', () => resolve(text))
    request.on('error', () => resolve(''))
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
    const changes: Record<string, number> = {}
    for (const [name, [least, greatest]] of Object.entries(ranges)) {
      const value = data[name]
      if (value === undefined) continue
      if (typeof value !== 'number' || !(value >= least && value <= greatest)) return null
      changes[name] = value
    }
    return changes
  } catch {
    return null
  }
}
