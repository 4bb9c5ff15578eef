import { request as ask } from 'node:http'
import type { AddressInfo } from 'node:net'
import { expect } from 'chai'
import { pino } from 'pino'
import { serveMetrics } from '../../../src/server/jobs/metrics-server'
import { openCase, startHarness, type Harness } from '../../harness/server-harness'

/** A request with a Host that `fetch` would not send. */
function askAs(address: string, host: string, init: { method?: string; path?: string; origin?: string } = {}): Promise<number> {
  const { hostname, port } = new URL(address)
  return new Promise((resolve, reject) => {
    const headers = { host, ...(init.origin ? { origin: init.origin } : {}) }
    const sent = ask({ hostname, port, path: init.path ?? '/api/session', method: init.method ?? 'GET', headers }, (response) => {
      response.resume()
      resolve(response.statusCode ?? 0)
    })
    sent.on('error', reject)
    sent.end()
  })
}

describe('watching the server', () => {
  let harness: Harness
  const leaving = new AbortController()
  before(async () => {
    harness = await startHarness({ app: { isMeasured: true, hosts: ['127.0.0.1', 'wren.example'], leaving: leaving.signal } })
  })
  after(() => harness.stop())

  it('counts requests by route, events by kind and open connections, and names nobody', async () => {
    const ada = await harness.signIn('ada', ['clinician'])
    const { caseStream } = await openCase(ada)
    await ada.send(caseStream, 'note', { text: 'nobody reads this' })
    await ada.get(`/api/cases/${caseStream.id}`)
    await ada.get('/api/nowhere/at-all')
    const metering = await serveMetrics(harness.metrics!.registry, 0)
    const at = `http://127.0.0.1:${(metering.address() as AddressInfo).port}`
    const text = await (await fetch(`${at}/metrics`)).text()
    expect(text).to.match(/wren_events_total\{kind="note"\} 1/)
    expect(text).to.match(/wren_request_seconds_count\{method="GET",route="\/api\/cases\/:id",status="2xx"\} 1/)
    expect(text).to.match(/wren_request_seconds_count\{method="GET",route="other",status="4xx"\} 1/)
    expect(text).to.match(/wren_database_connections\{pool="reads",state="waiting"\} 0/)
    expect(text).to.include('process_resident_memory_bytes')
    expect(text).not.to.match(/nobody reads|ada|[0-9a-f]{8}-[0-9a-f]{4}/)
    expect((await fetch(`${at}/other`)).status).to.equal(404)
    await new Promise((resolve) => metering.close(resolve))
  })

  it('answers under the names that it knows, to pages of its own', async () => {
    const { address } = harness
    expect(await askAs(address, '127.0.0.1:1234')).to.equal(200)
    expect(await askAs(address, 'WREN.example')).to.equal(200)
    for (const host of ['stranger.example', 'a b', '127.0.0.1.stranger.example', '::::'])
      expect(await askAs(address, host), host).to.equal(403)
    const lock = { method: 'DELETE' }
    expect(await askAs(address, '127.0.0.1', { ...lock, origin: 'https://wren.example' })).to.equal(200)
    for (const origin of ['https://stranger.example', 'null', 'nonsense'])
      expect(await askAs(address, '127.0.0.1', { ...lock, origin }), origin).to.equal(403)
  })

  it('is live and ready, under any name, until it was asked to stop', async () => {
    const { address } = harness
    for (const path of ['/api/live', '/api/ready', '/api/health']) expect(await askAs(address, '10.1.2.3', { path }), path).to.equal(200)
    leaving.abort()
    expect(await askAs(address, 'x', { path: '/api/live' })).to.equal(200)
    expect(await askAs(address, 'x', { path: '/api/ready' })).to.equal(404)
  })
})

describe('who watches over security', () => {
  it('hears of pauses, wrong codes and records opened from outside, in log and count, and of no patient', async () => {
    const lines: Record<string, unknown>[] = []
    const log = pino({ level: 'warn' }, { write: (line: string) => void lines.push(JSON.parse(line) as Record<string, unknown>) })
    const harness = await startHarness({ log, app: { isMeasured: true, hasCareTeams: true } })
    try {
      const ada = await harness.signIn('ada', ['clinician'])
      const { episodeStream } = await openCase(ada)
      const bram = await harness.signIn('bram', ['clinician'])
      await bram.send(episodeStream, 'looked-in', { reason: 'called to Mr Secret' })
      for (let wrong = 0; wrong < 7; wrong++)
        await fetch(`${harness.address}/api/session`, {
          method: 'POST',
          headers: { 'content-type': 'application/json', 'x-wren-device': 'tablet' },
          body: JSON.stringify({ name: 'ada', password: 'wrong' }),
        })
      const kinds = lines.map((line) => line['security'])
      expect(kinds).to.include('looked-in').and.include('pause')
      expect(lines.find((line) => line['security'] === 'looked-in')).to.include({ person: bram.personId })
      const text = await harness.metrics!.registry.metrics()
      expect(text).to.match(/wren_security_total\{kind="looked-in"\} 1/)
      expect(text).to.match(/wren_security_total\{kind="pause"\} 2/)
      expect(JSON.stringify(lines) + text).not.to.include('Secret')
    } finally {
      await harness.stop()
    }
  })
})
