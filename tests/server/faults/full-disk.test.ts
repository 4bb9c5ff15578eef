import { spawnSync } from 'node:child_process'
import { appendFileSync, mkdtempSync, rmSync, statfsSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect } from 'chai'
import { v7 as uuidv7 } from 'uuid'
import { defineModels } from '../../../src/server/db/models'
import { verifyDatabase } from '../../../src/server/services/verify-database'
import { startDurableServers, type DurableServers } from '../../harness/durable-servers'
import { openCase, openClient, type Answer, type Client, type OpenedCase } from '../../harness/server-harness'

const mb = 1024 * 1024

/** A disk of its own that is filled to the last byte, and freed: a file system in memory, where this machine lets one be made. */
describe('a disk that is really full', function () {
  this.timeout(180_000)
  const mount = mkdtempSync(join(tmpdir(), 'wren-full-'))
  const ballast = join(mount, 'ballast')
  let isMounted = false
  let all: DurableServers
  let client: Client
  let opened: OpenedCase
  before(async function () {
    isMounted = spawnSync('mount', ['-t', 'tmpfs', '-o', 'size=420m', 'tmpfs', mount]).status === 0
    if (!isMounted) return this.skip()
    all = await startDurableServers(1, {}, join(mount, 'data'))
    const address = all.servers[0]!.address
    client = await openClient(address, all.lead.id, all.lead.name, all.lead.password)
    opened = await openCase(client)
  })
  after(async () => {
    if (isMounted) {
      rmSync(ballast, { force: true })
      await all.stop().catch(() => undefined)
      spawnSync('umount', ['-l', mount])
    }
    rmSync(mount, { recursive: true, force: true })
  })

  /** Fills what is left, to the last block. */
  const fill = (): void => {
    for (let size = 16 * mb; size >= 4096;) {
      const free = statfsSync(mount)
      if (free.bavail * free.bsize < size) {
        size /= 4
        continue
      }
      appendFileSync(ballast, Buffer.alloc(size))
    }
  }
  const kept: string[] = []
  const write = async (text: string, id = uuidv7()): Promise<Answer> => {
    const answer = await client.sendAs(opened.caseStream, 'note', { text }, { id })
    if (answer.status === 200) kept.push(id)
    return answer
  }

  it('answers 503 in words while there is no room, still shows what is there, and goes on by itself', async () => {
    expect((await write('before')).status).to.equal(200)
    fill()
    const long = 'x'.repeat(1_900)
    let refused: Answer | null = null
    const id = uuidv7()
    for (let count = 0; count < 4_000 && !refused; count++) {
      const answer = await write(`${count} ${long}`, count === 0 ? id : uuidv7())
      if (answer.status !== 200) refused = answer
    }
    expect(refused?.status).to.equal(503)
    expect(refused?.body['detail']).to.match(/room|disk/i)
    expect((await client.get('/api/board')).status).to.equal(200)
    expect((await client.get(`/api/cases/${opened.caseStream.id}`)).status).to.equal(200)
    rmSync(ballast)
    let again = await write('after')
    for (let count = 0; count < 100 && again.status !== 200; count++) {
      await new Promise((resolve) => setTimeout(resolve, 100))
      again = await write('after')
    }
    expect(again.status).to.equal(200)
    const { body } = await client.get(`/api/cases/${opened.caseStream.id}`)
    expect((body['record'] as { notes?: readonly unknown[] }).notes).to.have.length(kept.length)
    expect((await verifyDatabase(all.db, defineModels(all.db))).faults).to.deep.equal([])
  })
})
