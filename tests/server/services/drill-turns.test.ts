import { expect } from 'chai'
import type { DrillPost } from '#contract/api/practice'
import { createDrillKeeper } from '../../../src/server/services/keep-drill'
import type { PracticeDrills } from '../../../src/server/repositories/practice-drills'
import type { WorkerPool } from '../../../src/server/workers/pool'

const post = { night: 'usual', seed: 1, moves: [], endedAtMin: 10 } as unknown as DrillPost
const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms))

describe('nights of the drill that end at once', () => {
  it('are scored one after the other: the other threads stay with the patients', async () => {
    let [underWay, most, scored] = [0, 0, 0]
    const pool = {
      async run() {
        most = Math.max(most, ++underWay)
        await pause(5)
        underWay--
        scored++
        return {}
      },
    } as unknown as WorkerPool
    const drills = { keep: () => Promise.resolve() } as unknown as PracticeDrills
    const keeper = createDrillKeeper({ drills, pool, clock: () => 0 })
    const answers = await Promise.allSettled(Array.from({ length: 60 }, (_, at) => keeper.keep(`night-${at}`, post, 'somebody')))
    expect(most).to.equal(1)
    const refused = answers.flatMap((answer) =>
      answer.status === 'rejected' ? [answer.reason as { status: number; message: string }] : [],
    )
    expect(scored + refused.length).to.equal(60)
    expect(scored).to.be.at.least(40)
    for (const one of refused)
      expect([one.status, one.message]).to.deep.equal([503, 'Many nights of the drill end at once: yours is scored in a moment.'])
  })
})
