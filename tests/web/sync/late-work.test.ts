import { expect } from 'chai'
import { doLateWork, stopLateWork } from '../../../src/web/sync/late-work'

describe('work that may come late', () => {
  it('goes on after a piece that fails; once stopped the one under way is waited for, and no further one begins', async () => {
    const done: string[] = []
    await doLateWork(() => Promise.reject(new Error('no network')))
    let finish = (): void => undefined
    const piece = doLateWork(() => new Promise<void>((resolve) => (finish = resolve)).then(() => void done.push('under way')))
    const stopped = stopLateWork().then(() => done.push('stopped'))
    await doLateWork(async () => done.push('too late'))
    finish()
    await Promise.all([piece, stopped])
    expect(done).to.deep.equal(['under way', 'stopped'])
  })
})
