import { spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { heatDefaults, type HeatInput } from '#core/model/heat-input'
import { solveSweepPoint, sweepPoints } from '#core/figures/heat/heat-sweep'
import { solveHeat } from '#core/figures/heat/solve-heat'
import { defaultProtocol, readDefaults } from '#core/quantities/defaults'
import { percentiles, timeOf, type Figure } from './figure'
import { sized } from './size'

const input: HeatInput = {
  material: 'plaster-fast',
  layers: 10,
  paddingLayers: 2,
  waterC: 22,
  roomC: 21,
  backing: 'air',
  setMin: 5,
  constants: readDefaults(heatDefaults, defaultProtocol),
}

/** One solution, the whole map of water and layers on one thread, and fixed steps in C where a compiler is there. */
export function benchHeat(root: string): readonly Figure[] {
  for (let warm = 0; warm < sized(20, 1); warm++) solveHeat(input)
  const { median } = percentiles(Array.from({ length: sized(100, 2) }, () => timeOf(() => void solveHeat(input))))
  const sweepMs = timeOf(() => {
    for (const point of sweepPoints(sized(16, 2), sized(14, 2))) solveSweepPoint(input, point, undefined, defaultProtocol)
  })
  reportC(root, median)
  return [
    { name: 'one heat solution, median', value: median, unit: 'ms', limit: 1 },
    { name: 'heat map 16 × 14 on one thread', value: sweepMs / 1000, unit: 's', limit: 0.4 },
  ]
}

/** Compiles and runs fixed implicit steps of 2 s in C and prints the ratio; says so when there is no compiler. */
function reportC(root: string, ours: number): void {
  const folder = mkdtempSync(join(tmpdir(), 'wren-c-'))
  try {
    const program = join(folder, 'heat')
    const built = spawnSync('cc', ['-O2', '-o', program, join(root, 'tests/bench/heat-scheme.c'), '-lm'], { encoding: 'utf8' })
    if (built.status !== 0) return console.log('     heat in C: no working C compiler here, no ratio')
    const cells = { skin: Math.ceil(1.5 / 0.02), padding: Math.ceil((2 * 0.15) / 0.02), plaster: Math.ceil((10 * 0.05) / 0.02) }
    const run = spawnSync(program, [cells.skin + cells.padding + cells.plaster, cells.skin, cells.skin + cells.padding].map(String), {
      encoding: 'utf8',
    })
    const theirs = Number(run.stdout.split(' ')[0])
    console.log(`     heat in fixed steps of 2 s, in C at -O2: ${theirs.toFixed(2)} ms; ours takes ${(ours / theirs).toFixed(2)} of it`)
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
}
