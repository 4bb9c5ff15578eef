import { expect } from 'chai'
import { paths } from '#contract/api/paths'
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
    // Others in this process may ask something as well: only what the line itself asks brings it back.
    const asked: unknown[] = []
    const back = new Promise<void>((resolve) => {
      const stop = useNetwork.subscribe(({ isGone: isStillGone }) => {
        if (isStillGone) return
        stop()
        resolve()
      })
    })
    globalThis.fetch = ((path: unknown) => {
      asked.push(path)
      return Promise.resolve(new Response())
    }) as typeof globalThis.fetch
    await back
    globalThis.fetch = fetch
    expect(asked).to.include(paths.session)
    expect(isGone()).to.equal(false)
  })
})
