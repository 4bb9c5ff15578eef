import { expect } from 'chai'
import { keysInMemory } from '../../harness/device-store'
import { pinUp, unpin } from '../../../src/web/sync/pin'
import { openVault } from '../../../src/web/sync/vault'

const person = { id: '01990000-0000-7000-8000-000000000001', name: 'Ada', signIn: 'x', roles: [], settings: {} as never, version: 1 }
const author = { id: person.id, epoch: 0, roles: [] }

describe('what lies on a device', () => {
  const server = keysInMemory()

  it('opens with the key that it was put away under, and says nothing without', async () => {
    const vault = await openVault(await server.keysOf(author, 'tablet 1', null))
    const other = await openVault(await server.keysOf(author, 'tablet 2', null))
    const sealed = await vault.put({ name: 'Merryn Sale' })
    expect(Buffer.from(sealed.data).toString('latin1')).not.to.include('Merryn')
    expect(await vault.take(sealed)).to.deep.equal({ name: 'Merryn Sale' })
    expect(await other.take(sealed)).to.equal(undefined)
    expect(await vault.take(undefined)).to.equal(undefined)
  })

  it('never looks the same twice, and has the same name always', async () => {
    const vault = await openVault(await server.keysOf(author, 'tablet 1', null))
    const [one, two] = [await vault.put('x'), await vault.put('x')]
    expect(Buffer.from(one.data).equals(Buffer.from(two.data))).to.equal(false)
    expect(await vault.nameOf('/api/history?q=sale')).to.equal(await vault.nameOf('/api/history?q=sale'))
    expect(await vault.nameOf('/api/history?q=sale')).not.to.include('sale')
  })

  for (const text of ['', 'toes pale', 'ü — 骨', 'x'.repeat(200_000)])
    it(`what a page seals the server opens, and finds whose it is (${text.length} letters)`, async () => {
      const vault = await openVault(await server.keysOf(author, 'tablet 1', null))
      const opened = await server.open(Buffer.from(await vault.seal({ text }), 'base64'))
      expect(opened).to.deep.equal({ personId: person.id, epoch: 0, device: null, isTooOld: false, roles: [], event: { text } })
    })

  it('another server’s seal opens nothing here', async () => {
    const vault = await openVault(await keysInMemory().keysOf(author, 'tablet 1', null))
    const failed = await server.open(Buffer.from(await vault.seal({}), 'base64')).then(
      () => null,
      (error: Error) => error.message,
    )
    expect(failed).to.match(/was not sealed for this server/)
  })

  it('a PIN opens what it was pinned up with, another one does not', async () => {
    const keys = await server.keysOf(author, 'tablet 1', null)
    const pinned = await pinUp({ person, keys }, '2468', 5)
    expect(pinned).to.include({ tries: 0, provenMs: 5 })
    expect(await unpin(pinned, '2468')).to.deep.equal({ person, keys })
    expect(await unpin(pinned, '2469')).to.equal(undefined)
  }).timeout(20_000)
})
