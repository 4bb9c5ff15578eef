import { expect } from 'chai'
import { spawn } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { itAtLength } from '../harness/long'
import { processesUnder } from '../harness/processes-under'

const root = fileURLToPath(new URL('../..', import.meta.url))

describe('npm run bench', () => {
  /** Runs parts at their smallest; what is run, and that nothing of it goes on. */
  const runsThrough = async (wanted: readonly string[]): Promise<void> => {
    const parts = [...readFileSync(join(root, 'tests/bench/bench.ts'), 'utf8').matchAll(/^ {2}(\w+): (?:bench|\(\))/gm)].map(
      (match) => match[1],
    )
    expect(parts).to.include.members(['plans', 'browser', 'practice', 'runs'])
    const asked = wanted.length > 0 ? wanted : parts
    const { NODE_ENV: _, TEST_WORLD: __, TEST_DATABASE_URL: ___, ...env } = process.env
    const child = spawn(process.execPath, ['scripts/bench.mjs', '--smallest', ...wanted], { cwd: root, env })
    let output = ''
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk: Buffer) => void (output += chunk.toString()))
    const under = new Set<number>()
    const watching = setInterval(() => processesUnder(child.pid ?? 0).forEach((pid) => under.add(pid)), 250)
    const code = await new Promise((resolve) => child.once('exit', resolve))
    clearInterval(watching)
    const ran = [...output.matchAll(/^(\w+) ran through$/gm)].map((match) => match[1])
    expect(ran, output).to.have.members(asked)
    expect(code, output).to.equal(0)
    const left = [...under].filter((pid) => isThere(pid))
    expect(left, 'still running').to.deep.equal([])
  }

  it('starts and ends a part, and leaves no server behind', () => runsThrough(['board'])).timeout(120_000)

  itAtLength('starts and ends every part, and leaves no browser and no server behind', function () {
    this.timeout(900_000)
    return runsThrough([])
  })

  it('says which parts there are when it is asked for another', async () => {
    const child = spawn(process.execPath, ['scripts/bench.mjs', '--smallest', 'speed'], { cwd: root })
    let said = ''
    child.stderr.on('data', (chunk: Buffer) => void (said += chunk.toString()))
    expect(await new Promise((resolve) => child.once('exit', resolve))).to.equal(2)
    expect(said).to.include('There is no bench speed: choose of plans, heat')
  })
})

/** Whether a process is there and has not only been left for its parent to count. */
function isThere(pid: number): boolean {
  try {
    return !/^State:\s+Z/m.test(readFileSync(`/proc/${pid}/status`, 'utf8'))
  } catch {
    return false
  }
}
