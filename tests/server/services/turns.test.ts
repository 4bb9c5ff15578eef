import { expect } from 'chai'
import { createTurns } from '../../../src/server/writing/turns'

const soon = (ms = 5): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms))

/** What was asked for so far is under way. */
async function begun(): Promise<void> {
  for (let turn = 0; turn < 3; turn++) await new Promise((resolve) => setImmediate(resolve))
}

describe('turns of writers', () => {
  it('does together what waits together, and each key in its order', async () => {
    const batches: string[][] = []
    const turns = createTurns<string, string>(async (items) => {
      batches.push([...items])
      await soon(50)
      return items.map((item) => `${item} done`)
    })
    const asked = ['a1', 'b1', 'a2', 'c1', 'a3']
    const first = Promise.all(asked.map((item) => turns.together(item.slice(0, 1), item)))
    await begun()
    const later = Promise.all(['a4', 'b2'].map((item) => turns.together(item.slice(0, 1), item)))
    expect(await first).to.deep.equal(asked.map((item) => `${item} done`))
    await later
    expect(batches).to.deep.equal([asked, ['a4', 'b2']])
  })

  it('what is done alone keeps its place among what is done together on its key, and nobody else waits for it', async () => {
    const log: string[] = []
    const turns = createTurns<string, void>(async (items) => {
      await soon()
      log.push(items.join(' '))
      return items.map(() => undefined)
    })
    const all = [
      turns.together('a', 'a1'),
      turns.alone('a', async () => {
        await soon(30)
        log.push('a alone')
      }),
      turns.together('a', 'a2'),
      turns.together('b', 'b1'),
    ]
    await Promise.all(all)
    expect(log).to.deep.equal(['a1 b1', 'a alone', 'a2'])
  })

  it('tells each whose it is that it was refused, and the others that they were not', async () => {
    const turns = createTurns<number, number>((items) =>
      Promise.resolve(items.map((item) => (item % 2 === 0 ? item : new Error(`odd ${item}`)))),
    )
    const settled = await Promise.allSettled([1, 2, 3, 4].map((item) => turns.together('a', item)))
    expect(settled.map((result) => (result.status === 'fulfilled' ? result.value : (result.reason as Error).message))).to.deep.equal([
      'odd 1',
      2,
      'odd 3',
      4,
    ])
  })

  it('does each by itself where one of them spoils it for all', async () => {
    const batches: number[][] = []
    const turns = createTurns<number, number>((items) => {
      batches.push([...items])
      return items.includes(2) ? Promise.reject(new Error('a two')) : Promise.resolve(items.map((item) => item * 10))
    })
    const settled = await Promise.allSettled([1, 2, 3].map((item) => turns.together('a', item)))
    expect(settled.map((result) => (result.status === 'fulfilled' ? result.value : (result.reason as Error).message))).to.deep.equal([
      10,
      'a two',
      30,
    ])
    expect(batches).to.deep.equal([[1, 2, 3], [1], [2], [3]])
    expect(await turns.together('a', 4), 'and goes on').to.equal(40)
  })

  it('a work that fails lets the next one of its key begin', async () => {
    const turns = createTurns<number, number>((items) => Promise.resolve([...items]))
    const failed = turns.alone('a', () => Promise.reject(new Error('no')))
    const after = turns.alone('a', () => Promise.resolve('yes'))
    expect(await failed.catch((error: Error) => error.message)).to.equal('no')
    expect(await after).to.equal('yes')
  })
})
