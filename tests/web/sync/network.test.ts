import { expect } from 'chai'
import { heardServer, missedServer, useNetwork } from '../../../src/web/sync/network'

const known = Object.getOwnPropertyDescriptor(globalThis, 'navigator')
const browserSays = (onLine: boolean): void =>
  void Object.defineProperty(globalThis, 'navigator', { value: { onLine }, configurable: true })
const isGone = (): boolean => useNetwork.getState().isGone

describe('whether there is a line', () => {
  afterEach(() => {
    browserSays(true)
    heardServer()
    if (known) Object.defineProperty(globalThis, 'navigator', known)
  })

  it('is gone with a refused request, and back with any answer', () => {
    browserSays(true)
    missedServer()
    expect(isGone()).to.equal(true)
    heardServer()
    expect(isGone()).to.equal(false)
  })

  it('is not back by an answer that was on its way when the browser said that it is off', () => {
    browserSays(false)
    missedServer()
    heardServer()
    expect(isGone()).to.equal(true)
  })

  it('is back once something asked since then is answered, whatever the browser says', async () => {
    const { fetch } = globalThis
    browserSays(false)
    missedServer()
    const asked = new Promise<void>((resolve) => {
      globalThis.fetch = (() => {
        resolve()
        return Promise.resolve(new Response())
      }) as typeof globalThis.fetch
    })
    await asked
    globalThis.fetch = fetch
    await new Promise((resolve) => setImmediate(resolve))
    expect(isGone()).to.equal(false)
  })
})
