import { createServer, type IncomingMessage, type ServerResponse } from 'node:http'
import type { AddressInfo } from 'node:net'
import { WebSocketServer } from 'ws'
import { panelPage } from './panel'
import { createTape, type TapeSettings } from './tape-state'

// A simulated digital tape: a WebSocket of readings, and a page of its own to squeeze it. Loopback only.
const tape = createTape(Math.random)
const allowed = (process.env['WREN_ORIGINS'] ?? '').split(' ').filter(Boolean)

const server = createServer((request, response) => void answer(request, response))
const sockets = new WebSocketServer({
  noServer: true,
})
server.on('upgrade', (request, socket, head) => {
  const origin = request.headers.origin ?? ''
  if (request.url !== '/tape' || !(allowed.length === 0 || allowed.includes(origin))) {
    socket.end('HTTP/1.1 403 Forbidden\r\n\r\n')
    return
  }
  sockets.handleUpgrade(request, socket, head, (client) => client.send('TAPE 1 Tern tape'))
})
setInterval(() => {
  for (const line of tape.tick()) for (const client of sockets.clients) client.send(line)
}, 100)

async function answer(request: IncomingMessage, response: ServerResponse): Promise<void> {
  const send = (status: number, type: string, body: string): void => void response.writeHead(status, { 'content-type': type }).end(body)
  if (request.method === 'GET' && request.url === '/') return send(200, 'text/html; charset=utf-8', panelPage)
  if (request.method === 'GET' && request.url === '/state') return send(200, 'application/json', JSON.stringify(tape.settings))
  if (request.method !== 'POST') return send(404, 'text/plain', 'There is nothing here.')
  if (request.url === '/hold') {
    for (const client of sockets.clients) client.send(tape.hold())
    return send(204, 'text/plain', '')
  }
  if (request.url === '/unplug') {
    for (const client of sockets.clients) client.terminate()
    return send(204, 'text/plain', '')
  }
  if (request.url === '/garbage') {
    for (const client of sockets.clients) client.send('R ?? \u0007 garbage')
    return send(204, 'text/plain', '')
  }
  const changes = readSettings(await readBody(request))
  if (request.url !== '/state' || !changes)
    return send(422, 'text/plain', 'Send lengthCm, jitterCm, batteryPercent or lossShare as numbers in range.')
  tape.change(changes)
  send(200, 'application/json', JSON.stringify(tape.settings))
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

const ranges: Readonly<Record<keyof TapeSettings, readonly [number, number]>> = {
  lengthCm: [0, 150],
  jitterCm: [0, 10],
  batteryPercent: [0, 100],
  lossShare: [0, 1],
}

function readSettings(text: string): Partial<TapeSettings> | null {
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
