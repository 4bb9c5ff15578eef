import { mkdtemp, readFile, rm, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect } from 'chai'
import type { PatientRead } from '../../../src/server/repositories/patient-reads'
import { createReadNoter, slotMs } from '../../../src/server/services/note-read'
import { createSpooledReads } from '../../../src/server/services/spooled-reads'

const noRoom = Object.assign(new Error('full'), { parent: { errno: 1021 } })
const ada = { id: 'ada', name: 'Ada' }

describe('who read what, while the disk of the database is full', () => {
  let folder: string
  let file: string
  let isFull: boolean
  let kept: PatientRead[]
  let now: number
  beforeEach(async () => {
    folder = await mkdtemp(join(tmpdir(), 'wren-reads-'))
    file = join(folder, 'reads.jsonl')
    isFull = true
    kept = []
    now = Date.parse('2026-01-10T23:50:00Z')
  })
  afterEach(() => rm(folder, { recursive: true, force: true }))

  const noter = (to = file) =>
    createReadNoter(
      {
        keep(read) {
          if (isFull) return Promise.reject(noRoom)
          kept.push(read)
          return Promise.resolve()
        },
      },
      () => now,
      createSpooledReads(to),
    )

  it('is kept on the server’s own, and caught up in the quarter in which that is: no sealed day takes anything', async () => {
    const { noteRead, catchUp } = noter()
    await noteRead(ada, 'GET /api/cases/:id', 'case-1')
    await noteRead(ada, 'GET /api/cases/:id', 'case-1')
    await noteRead(ada, 'GET /api/board', '')
    expect((await readFile(file, 'utf8')).trim().split('\n')).to.have.length(2)
    expect(await catchUp().catch(() => 'full still')).to.equal('full still')
    isFull = false
    now += slotMs
    expect(await catchUp()).to.equal(2)
    expect(kept.map(({ subject, route }) => [route, subject])).to.deep.equal([
      ['GET /api/cases/:id', 'case-1'],
      ['GET /api/board', ''],
    ])
    expect(kept.map(({ slot }) => slot.toISOString())).to.deep.equal(['2026-01-11T00:00:00.000Z', '2026-01-11T00:00:00.000Z'])
    expect(kept.map(({ firstAt }) => firstAt.toISOString())).to.deep.equal(['2026-01-10T23:50:00.000Z', '2026-01-10T23:50:00.000Z'])
    expect(await catchUp()).to.equal(0)
  })

  it('what was cut off by an end of the server is left out, and the rest is kept', async () => {
    const { noteRead } = noter()
    await noteRead(ada, 'GET /api/board', '')
    await writeFile(file, `${await readFile(file, 'utf8')}{"slot":"2026-`)
    isFull = false
    expect(await noter().catchUp()).to.equal(1)
  })

  it('nothing is shown where that disk takes nothing either, or the database fails otherwise', async () => {
    const shown = await noter(join(folder, 'none', 'reads'))
      .noteRead(ada, 'GET /api/board', '')
      .then(
        () => 'shown',
        (error: unknown) => error,
      )
    expect(shown).to.equal(noRoom)
    const other = createReadNoter({ keep: () => Promise.reject(new Error('away')) }, () => now, createSpooledReads(file))
    expect(await other.noteRead(ada, 'GET /api/board', '').catch((error: Error) => error.message)).to.equal('away')
  })
})
