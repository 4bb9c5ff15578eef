import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { gzipSync } from 'node:zlib'
import { openCase, startHarness } from '../harness/server-harness'
import { percentiles, type Figure } from './figure'
import { sized } from './size'

/** The Board with 200 live cases at the API. */
export async function benchBoard(): Promise<readonly Figure[]> {
  const harness = await startHarness()
  try {
    const client = await harness.signIn('bench', ['clinician'])
    for (let made = 0; made < sized(200, 3); made++) await openCase(client)
    const times: number[] = []
    for (let asked = 0; asked < sized(120, 25); asked++) {
      const start = performance.now()
      await client.get('/api/board')
      times.push(performance.now() - start)
    }
    return [{ name: 'Board of 200 live cases at the API, 95th percentile', value: percentiles(times.slice(20)).p95, unit: 'ms', limit: 60 }]
  } finally {
    await harness.stop()
  }
}

/** Gzipped script that a browser loads until the Board stands: what the page asked for, by its own list. */
export function scriptWeight(root: string, loaded: readonly string[]): Figure {
  const folder = join(root, 'dist/web/assets')
  const names = new Set(readdirSync(folder))
  const bytes = loaded
    .map((url) => url.replace(/^.*\//, ''))
    .filter((name) => names.has(name) && name.endsWith('.js'))
    .reduce((sum, name) => sum + gzipSync(readFileSync(join(folder, name))).length, 0)
  return { name: 'script of the Board, gzipped', value: bytes / 1000, unit: 'kB', limit: 170 }
}
