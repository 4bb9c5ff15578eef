import type { IncomingMessage, Server } from 'node:http'
import type { AddressInfo } from 'node:net'

/** Whether a request names this machine, at a server's port, as its host: whoever resolved another name to it is refused. */
export function isOurHost(server: Server, request: IncomingMessage): boolean {
  const { port } = server.address() as AddressInfo
  return [`127.0.0.1:${port}`, `localhost:${port}`].includes(request.headers.host ?? '')
}

/** Whether a request comes from a server's own page, from one that it was told of, or from no page at all. */
export function isOurOrigin({ headers }: IncomingMessage, allowed: readonly string[]): boolean {
  const { origin } = headers
  return origin === undefined || origin === `http://${headers.host ?? ''}` || allowed.includes(origin)
}

/** The body of a request; null when it is longer than any that means something. */
export function readBody(request: IncomingMessage, mostBytes: number): Promise<string | null> {
  return new Promise((resolve) => {
    let text = ''
    request.on('data', (chunk: Buffer) => {
      if (text.length <= mostBytes) text += chunk.toString()
    })
    request.on('end', () => resolve(text.length > mostBytes ? null : text))
    request.on('error', () => resolve(''))
  })
}

/**
 * Listens on loopback, says so to the supervisor, and ends with it.
 * @param before what is let go of before the server closes
 */
export function listenForSupervisor(server: Server, before: () => void = () => undefined): void {
  server.listen(Number(process.env['PORT'] ?? 0), '127.0.0.1', () =>
    process.send?.({ ready: true, port: (server.address() as AddressInfo).port }),
  )
  const stop = (): void => {
    before()
    server.close(() => process.exit(0))
    server.closeAllConnections()
  }
  process.on('SIGTERM', stop)
  process.on('SIGINT', stop)
  process.on('disconnect', stop)
}
