import type { HeatInput } from '#core/model/heat-input'
import type { SweepPoint, SweepResult } from '#core/figures/heat/heat-sweep'
import type { HeatAnswer, HeatJob, SettingLocally } from './heat-worker'

export interface SweepRun {
  /** Ends every worker at once. */
  cancel(): void
}

export interface SweepListener {
  onResults(results: readonly SweepResult[]): void
  onDone(): void
  /** Workers kept dying: what is known stays, the rest was given up. */
  onFailed(): void
}

const chunkSize = 4
/** A worker that says nothing for so long is taken for dead; one point takes some 20 ms. */
const silentMs = 4_000
const mostReplacements = 3

/**
 * Works out points of the heat map in a pool of workers, a few points at a time. A worker that dies or falls silent is
 * replaced and its points are handed out again, three times at most.
 * @param size workers at once, 1 or more
 */
export function runSweep(
  base: HeatInput,
  setting: SettingLocally,
  points: readonly SweepPoint[],
  size: number,
  listener: SweepListener,
): SweepRun {
  const waiting = [...points]
  const living = new Set<() => void>()
  let open = points.length
  let replacements = 0
  let isOver = false

  const end = (): void => {
    isOver = true
    for (const kill of living) kill()
    living.clear()
  }
  const start = (): void => {
    const worker = new Worker(new URL('./heat-worker.ts', import.meta.url), { type: 'module' })
    let chunk: SweepPoint[] = []
    let watchdog: ReturnType<typeof setTimeout> | undefined
    const kill = (): void => {
      clearTimeout(watchdog)
      worker.terminate()
    }
    const replace = (): void => {
      if (isOver) return
      kill()
      living.delete(kill)
      waiting.unshift(...chunk)
      if (++replacements > mostReplacements) {
        end()
        return listener.onFailed()
      }
      start()
    }
    const next = (): void => {
      clearTimeout(watchdog)
      chunk = waiting.splice(0, chunkSize)
      if (chunk.length === 0) return
      watchdog = setTimeout(replace, silentMs)
      worker.postMessage({ kind: 'points', base, setting, points: chunk } satisfies HeatJob)
    }
    worker.onerror = replace
    worker.onmessageerror = replace
    worker.onmessage = ({ data }: MessageEvent<HeatAnswer>) => {
      if (isOver || data.kind !== 'point') return
      clearTimeout(watchdog)
      chunk = chunk.filter((one) => one.waterC !== data.result.waterC || one.layers !== data.result.layers)
      open--
      listener.onResults([data.result])
      if (open === 0) {
        end()
        return listener.onDone()
      }
      if (data.isLast) next()
      else watchdog = setTimeout(replace, silentMs)
    }
    living.add(kill)
    next()
  }
  for (let count = 0; count < size; count++) start()
  return { cancel: end }
}
