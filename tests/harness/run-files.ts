// One worker of npm test: takes test files from its parent one by one, runs each, and says what came of it.
import { config } from 'chai'
import Mocha from 'mocha'
import { slowness } from './patience'
import { closeShared } from './shared'

// Words that chai does not know are found by the types; its own watch over them costs more than most of what is tested.
config.useProxy = false

/** How much slower than usual the machine is for the file in hand: no time-out is fixed. */
let times = 1
const { prototype } = Mocha.Runnable
const setTimeoutMs = prototype.timeout as (ms?: string | number) => unknown
prototype.timeout = function (this: Mocha.Runnable, ...given: readonly (string | number)[]) {
  const [ms] = given
  if (ms === undefined) return setTimeoutMs.call(this)
  return setTimeoutMs.call(this, typeof ms === 'number' ? Math.round(ms * times) : ms)
} as typeof prototype.timeout

interface Job {
  readonly file: string
  readonly timeoutMs: number
}

let wasInBrowser = false

/** Runs one file; what was printed goes out before the counts. */
async function run({ file, timeoutMs }: Job): Promise<{ passed: number; failed: number }> {
  // The live server of the journeys before goes on paging and planning: it must not write into what another kind of test empties.
  const isInBrowser = file.startsWith('tests/browser/')
  if (wasInBrowser && !isInBrowser) await closeShared()
  wasInBrowser = isInBrowser
  const grep = process.env['WREN_GREP']
  times = slowness()
  const mocha = new Mocha({ timeout: timeoutMs, reporter: 'spec', color: false, ...(grep ? { grep } : {}) })
  mocha.addFile(file)
  try {
    await mocha.loadFilesAsync()
  } catch (error) {
    console.error(error)
    return { passed: 0, failed: 1 }
  }
  return new Promise((resolve) => {
    const runner = mocha.run(() =>
      resolve({ passed: runner.stats?.passes ?? 0, failed: (runner.stats?.failures ?? 0) || (runner.total || grep ? 0 : 1) }),
    )
  })
}

process.on('message', (job: Job | null) => {
  if (job === null) return void closeShared().finally(() => process.exit(0))
  void run(job).then((counts) => process.send?.({ file: job.file, ...counts }))
})
process.on('disconnect', () => process.exit(1))
process.send?.({ ready: true })
