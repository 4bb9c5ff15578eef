import { spawn, type ChildProcess } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect } from 'chai'
import { QueryTypes } from 'sequelize'
import { expectWhole, root, startDurableServers, type DurableServers, type OwnServer } from '../../harness/durable-servers'
import { startLedger } from '../../harness/ledger'
import { freePort } from '../../harness/live-server'
import { openCase, openClient, request } from '../../harness/server-harness'

interface Needs {
  findProgram(names: readonly string[]): string | null
  needDebian(program: string, packages: readonly string[], say: () => void, otherwise: string): void
}
const { findProgram, needDebian } = (await import(`${root}/scripts/needs.mjs`)) as Needs
const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms))
const json = { 'content-type': 'application/json' }

describe('two servers on one database, behind the proxy that is shipped', function () {
  this.timeout(120_000)
  let all: DurableServers
  let one: OwnServer
  let two: OwnServer
  let folder: string
  let proxy: ChildProcess
  let front: string
  before(async () => {
    needDebian('haproxy', ['haproxy'], () => undefined, '')
    all = await startDurableServers(2, { WREN_PROXIES: 'loopback', WREN_DRAIN_S: '2' })
    ;[one, two] = all.servers as [OwnServer, OwnServer]
    folder = mkdtempSync(join(tmpdir(), 'wren-proxy-'))
    const port = await freePort()
    front = `http://127.0.0.1:${port}`
    const shipped = readFileSync(join(root, 'docs/operations/haproxy.cfg'), 'utf8')
    const told = shipped
      .replace('127.0.0.1:8443', `127.0.0.1:${port}`)
      .replace('127.0.0.1:4181', `127.0.0.1:${one.port}`)
      .replace('127.0.0.1:4182', `127.0.0.1:${two.port}`)
    writeFileSync(join(folder, 'haproxy.cfg'), told)
    proxy = spawn(findProgram(['haproxy']) ?? 'haproxy', ['-f', join(folder, 'haproxy.cfg'), '-db'], { stdio: 'ignore' })
    while (!(await isReady(front))) await pause(50)
  })
  after(async () => {
    proxy.kill('SIGKILL')
    await all.stop()
    rmSync(folder, { recursive: true, force: true })
  })

  const isReady = (address: string): Promise<boolean> =>
    fetch(`${address}/api/ready`).then(
      (answer) => answer.ok,
      () => false,
    )
  const signInAt = (address: string, name: string, password: string, from?: string) =>
    request(address, '/api/session', {
      method: 'POST',
      headers: { ...json, ...(from ? { 'x-forwarded-for': from } : {}) },
      body: JSON.stringify({ name, password }),
    })

  it('a session of one is good at the other, and what is written at one is heard at the other', async () => {
    const { lead } = all
    const signedIn = await signInAt(one.address, lead.name, lead.password)
    const cookie = (signedIn.headers.get('set-cookie') ?? '').split(';')[0] ?? ''
    expect((await request(two.address, '/api/board', { headers: { cookie } })).status).to.equal(200)
    const stream = await fetch(`${two.address}/api/stream`, { headers: { cookie } })
    const reader = stream.body!.getReader()
    const heard = async (wanted: string): Promise<void> => {
      for (let text = ''; !text.includes(wanted);) text += Buffer.from((await reader.read()).value ?? []).toString()
    }
    await heard('event: ready')
    const { caseStream } = await openCase(await openClient(one.address, lead.id, lead.name, lead.password))
    await heard(caseStream.id)
    await reader.cancel()
  })

  it('wrong sign-ins are counted by both together, by the address that the proxy saw', async () => {
    const statuses = await Promise.all(
      Array.from({ length: 12 }, (_, count) => signInAt((count % 2 ? one : two).address, 'somebody', 'wrong', '10.0.0.7')),
    )
    expect(statuses.filter((answer) => answer.status === 401)).to.have.length(5)
    expect((await signInAt(one.address, 'somebody', 'wrong', '10.0.0.8')).status).to.equal(401)
    // What a caller claims of itself does not reach them through the proxy.
    for (let count = 0; count < 7; count++) await signInAt(front, 'liar', 'wrong', `10.1.1.${count}`)
    expect((await signInAt(front, 'liar', 'wrong', '10.1.1.99')).status).to.equal(429)
  })

  it('one of them keeps the anchor of the day', async () => {
    const rows = await all.db.query<{ day: string }>('SELECT day FROM audit_anchors', { type: QueryTypes.SELECT })
    expect(rows).to.have.length(1)
  })

  it('one is asked to stop under load: nobody sees a fault', async () => {
    const ledger = await startLedger(front, all.lead, 6)
    await pause(400)
    const ended = new Promise((resolve) => one.child().once('exit', resolve))
    one.child().kill('SIGTERM')
    expect(await ended).to.equal(0)
    await pause(300)
    await one.start()
    await expectWhole(all.db, ledger)
    expect(ledger.faults()).to.deep.equal([])
  })

  it('one is killed under load: the other goes on, and nothing is lost', async () => {
    while (!(await isReady(one.address))) await pause(50)
    await pause(800)
    const ledger = await startLedger(front, all.lead, 6)
    await pause(400)
    await two.kill()
    const before = ledger.acknowledged.size
    while (ledger.acknowledged.size <= before + 20) await pause(50)
    await two.start()
    await expectWhole(all.db, ledger)
  })
})
