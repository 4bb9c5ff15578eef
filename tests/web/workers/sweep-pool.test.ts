import { expect } from 'chai'
import { heatDefaults, type HeatInput } from '#core/model/heat-input'
import { sweepPoints, type SweepResult } from '#core/figures/heat/heat-sweep'
import { defaultProtocol, readDefaults } from '#core/quantities/defaults'
import type { HeatJob } from '../../../src/web/workers/heat-worker'
import { runSweep } from '../../../src/web/workers/sweep-pool'

const base: HeatInput = {
  material: 'plaster-fast',
  layers: 10,
  paddingLayers: 2,
  waterC: 22,
  roomC: 21,
  backing: 'air',
  setMin: 5,
  constants: readDefaults(heatDefaults, defaultProtocol),
}
const points = sweepPoints(4, 5)

/** A worker that answers at once from the queue of the page, and can be made to fail. */
class FakeWorker {
  static made: FakeWorker[] = []
  /** How many workers from the first on fail at their first job. */
  static failing = 0
  onmessage: ((event: { data: unknown }) => void) | null = null
  onerror: (() => void) | null = null
  onmessageerror: (() => void) | null = null
  isEnded = false
  jobs = 0
  private readonly fails: boolean
  constructor() {
    this.fails = FakeWorker.made.length < FakeWorker.failing
    FakeWorker.made.push(this)
  }
  postMessage(job: HeatJob): void {
    this.jobs++
    setImmediate(() => {
      if (this.isEnded || job.kind !== 'points') return
      if (this.fails) return this.onerror?.()
      job.points.forEach((point, index) =>
        this.onmessage?.({
          data: {
            kind: 'point',
            result: { ...point, peakC: point.waterC + point.layers, omega: 0 },
            isLast: index === job.points.length - 1,
          },
        }),
      )
    })
  }
  terminate(): void {
    this.isEnded = true
  }
}

describe('the pool that works out the heat map', () => {
  const real = globalThis.Worker
  beforeEach(() => {
    FakeWorker.made = []
    FakeWorker.failing = 0
    globalThis.Worker = FakeWorker as unknown as typeof Worker
  })
  afterEach(() => {
    globalThis.Worker = real
  })

  /** Runs the map to its end. */
  const sweep = (size: number): Promise<{ end: 'done' | 'failed'; results: SweepResult[] }> =>
    new Promise((resolve) => {
      const results: SweepResult[] = []
      runSweep(base, { packMin: null, protocol: defaultProtocol }, points, size, {
        onResults: (found) => void results.push(...found),
        onDone: () => resolve({ end: 'done', results }),
        onFailed: () => resolve({ end: 'failed', results }),
      })
    })

  for (const size of [1, 2, 5]) {
    it(`gives every point once with ${size} at work, and ends them all`, async () => {
      const { end, results } = await sweep(size)
      expect(end).to.equal('done')
      expect(results).to.have.length(points.length)
      expect(new Set(results.map((result) => `${result.waterC} ${result.layers}`)).size).to.equal(points.length)
      expect(FakeWorker.made).to.have.length(size)
      expect(FakeWorker.made.every((worker) => worker.isEnded)).to.equal(true)
    })
  }

  it('replaces workers that die and hands their points out again, three times', async () => {
    FakeWorker.failing = 3
    const { end, results } = await sweep(2)
    expect(end).to.equal('done')
    expect(results).to.have.length(points.length)
    expect(FakeWorker.made).to.have.length(5)
  })

  it('gives up when they keep dying, and ends what is left', async () => {
    FakeWorker.failing = 99
    const { end, results } = await sweep(2)
    expect(end).to.equal('failed')
    expect(results).to.deep.equal([])
    expect(FakeWorker.made.every((worker) => worker.isEnded)).to.equal(true)
  })

  it('tells nothing more once it is cancelled', async () => {
    const heard: string[] = []
    const run = runSweep(base, { packMin: null, protocol: defaultProtocol }, points, 2, {
      onResults: () => void heard.push('results'),
      onDone: () => void heard.push('done'),
      onFailed: () => void heard.push('failed'),
    })
    run.cancel()
    await new Promise((resolve) => setImmediate(() => setImmediate(resolve)))
    expect(heard).to.deep.equal([])
    expect(FakeWorker.made.every((worker) => worker.isEnded)).to.equal(true)
  })
})
