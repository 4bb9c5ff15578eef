// Hands test files to workers, each with a database of its own, and counts what comes of them.
import { fork } from 'node:child_process'
import { createInterface } from 'node:readline'
import { join } from 'node:path'
import { root } from './build.mjs'

/**
 * Runs test files in several workers. The first takes those in the browser, the others the rest, so that two browsers are seldom at work at
 * once; whoever is through helps with what is left.
 * @param jobs files with their time-outs, and whether they drive a browser; of each kind what takes longest first
 * @param environments what each worker is given: one worker an entry
 * @returns what passed and failed, how long each file took, and what the files with a failure printed of it
 */
export async function runQueue(jobs, environments, say) {
  const inBrowser = jobs.filter((job) => job.isInBrowser)
  const others = jobs.filter((job) => !job.isInBrowser)
  /** @type {{ passed: number, failed: number, took: { file: string, ms: number }[], failures: string[] }} */
  const total = { passed: 0, failed: 0, took: [], failures: [] }
  await Promise.all(
    environments.map(async (environment, index) => {
      const take = () => (index === 0 ? (inBrowser.shift() ?? others.shift()) : (others.shift() ?? inBrowser.pop()))
      let worker = null
      for (let job = take(); job; job = take()) {
        worker ??= await startWorker(environment)
        const started = Date.now()
        const result = await worker.run(job)
        const ms = Date.now() - started
        total.took.push({ file: job.file, ms })
        say(`\n== ${job.file} (${(ms / 1000).toFixed(1)} s)\n${result.output.trim()}`)
        total.passed += result.passed
        total.failed += result.failed
        if (result.failed > 0) total.failures.push(`== ${job.file}\n${onlyFailures(result.output)}`)
        if (result.hasEnded) worker = null
      }
      await worker?.stop()
    }),
  )
  return total
}

/** What a file printed from its list of failures on, or all of it where it came to none. */
function onlyFailures(output) {
  const at = output.search(/^.*\d+ failing.*$/m)
  return output.slice(Math.max(at, 0)).trim()
}

async function startWorker(environment) {
  const child = fork(join(root, 'tests/harness/run-files.ts'), {
    cwd: root,
    execArgv: ['--import', 'tsx'],
    silent: true,
    env: { ...process.env, ...environment, NODE_ENV: 'test' },
  })
  let lines = []
  for (const stream of [child.stdout, child.stderr]) createInterface({ input: stream }).on('line', (line) => lines.push(line))
  await new Promise((resolve) => {
    child.once('message', resolve)
    child.once('exit', resolve)
  })
  return {
    /** Runs one file; a worker that ends meanwhile has failed it. */
    run: (job) =>
      new Promise((resolve) => {
        const finish = (counts, hasEnded) => {
          child.removeAllListeners('message')
          child.removeAllListeners('exit')
          // What was printed before the answer comes by another pipe: it is given a moment.
          setTimeout(() => {
            resolve({ ...counts, output: lines.join('\n'), hasEnded })
            lines = []
          }, 30)
        }
        child.once('message', (counts) => finish(counts, false))
        child.once('exit', (code, signal) => {
          lines.push(`The worker ended in the middle of ${job.file} (${signal ?? code}).`)
          finish({ passed: 0, failed: 1 }, true)
        })
        if (child.connected) child.send(job)
        else finish({ passed: 0, failed: 1 }, true)
      }),
    stop: () =>
      new Promise((resolve) => {
        // One that cannot let go of what it kept is ended: the count must come.
        const patience = setTimeout(() => child.kill('SIGKILL'), 20_000)
        child.once('exit', () => {
          clearTimeout(patience)
          resolve()
        })
        if (child.connected) child.send(null)
      }),
  }
}
