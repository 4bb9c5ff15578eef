import 'fake-indexeddb/auto'
import { randomBytes } from 'node:crypto'
import { expect } from 'chai'
import { openDB } from 'idb'
import { v7 as uuidv7 } from 'uuid'
import type { CaseAnswer } from '#contract/api/answers'
import type { DeviceKeys } from '#contract/api/session'
import type { EventInput } from '#contract/event'
import { openDurable } from '../../../src/web/sync/durable'
import { opensKeys, pinUp } from '../../../src/web/sync/pin'
import { openVault } from '../../../src/web/sync/vault'
import { keysFor } from '../../harness/device-store'

describe('what lies on a device when the keys of the server were rolled', () => {
  const personId = uuidv7()
  const roll = (keys: DeviceKeys): DeviceKeys => ({ ...keys, store: randomBytes(32).toString('base64'), storeBefore: keys.store })
  const event: EventInput = {
    id: uuidv7(),
    stream: { type: 'case', id: uuidv7() },
    kind: 'note',
    v: 1,
    body: { text: 'toes pale' },
    at: '2026-01-10T03:00:00Z',
    offsetMs: 0,
  }
  const answer = { record: { id: uuidv7() }, version: 3, episodeVersion: 2, episode: { id: uuidv7() } } as unknown as CaseAnswer

  it('is read, and lies under the new key from then on; without it nothing opens', async () => {
    const keys = await keysFor(personId)
    const before = await openDurable(personId, await openVault(keys))
    await before.addToOutbox(event)
    await before.writeDraft('case/1/reading', '38.5')
    await before.writeCase(answer)
    await before.writeAnswer('/api/board', { now: '2026-01-10T03:00:00Z' })

    const rolled = roll(keys)
    const during = await openDurable(personId, await openVault(rolled))
    expect(await during.readOutbox()).to.deep.equal([event])
    expect(await during.readDraft('case/1/reading')).to.equal('38.5')
    expect(await during.readCase(answer.record.id)).to.deep.equal(answer)
    expect(await during.readAnswer('/api/board')).to.deep.equal({ now: '2026-01-10T03:00:00Z' })

    // Fourteen days later the key of before is told no more.
    const { storeBefore: _, ...last } = rolled
    const after = await openDurable(personId, await openVault(last))
    expect(await after.readOutbox()).to.deep.equal([event])
    expect(await after.readDraft('case/1/reading')).to.equal('38.5')
    expect(await after.readCase(answer.record.id)).to.deep.equal(answer)
    expect(await after.readAnswer('/api/board')).to.deep.equal({ now: '2026-01-10T03:00:00Z' })

    const old = await openDurable(personId, await openVault(keys))
    expect(await old.readOutbox()).to.deep.equal([])
    expect(await old.readDraft('case/1/reading')).to.equal(undefined)
    const db = await openDB(`zesty-wren-kept-${personId}`, 1)
    expect(await db.count('drafts')).to.equal(1)
    db.close()
    // Sealed entries of a device are counted for everybody: none is left to the next file.
    await after.dropFromOutbox(event.id)
  })

  it('a PIN of before is known by the keys that it opens', async () => {
    const keys = await keysFor(personId)
    const person = { id: personId, name: 'Ada', signIn: 'x', roles: [], settings: {} as never, version: 1 }
    const pinned = await pinUp({ person, keys }, '2468', 0)
    expect(await opensKeys(pinned, keys)).to.equal(true)
    expect(await opensKeys(pinned, roll(keys))).to.equal(false)
    expect(await opensKeys(pinned, null)).to.equal(true)
    // Set by a page that left no mark: good as long as nothing was rolled.
    const { mark: _, ...unmarked } = pinned
    expect(await opensKeys(unmarked, keys)).to.equal(true)
    expect(await opensKeys(unmarked, roll(keys))).to.equal(false)
  }).timeout(20_000)
})
