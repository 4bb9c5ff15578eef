import { createServer, type Server } from 'node:http'
import type { Registry } from 'prom-client'

/** Serves the metrics on a port of their own, on loopback: never through the proxy in front. */
export function serveMetrics(registry: Registry, port: number): Promise<Server> {
  const server = createServer((request, response) => {
    if (request.method !== 'GET' || request.url !== '/metrics') return void response.writeHead(404).end()
    registry.metrics().then(
      (text) => response.writeHead(200, { 'content-type': registry.contentType }).end(text),
      () => response.writeHead(500).end(),
    )
  })
  return new Promise((resolve, reject) => {
    server.once('error', reject)
    server.listen(port, '127.0.0.1', () => resolve(server))
  })
}
