import { fileURLToPath } from 'node:url'
import { Piscina } from 'piscina'
import { ApiError } from '../ground/api-error'
import type { Tasks } from './worker'

/** Runs tasks in threads of their own, each within its time and memory. */
export interface WorkerPool {
  /**
   * @param limitMs the longest that it may take, waiting for its turn included
   * @throws ApiError 503 `too-heavy` when it takes too long or too much memory; the thread is ended and replaced
   */
  run<Name extends keyof Tasks>(name: Name, input: Parameters<Tasks[Name]>[0], limitMs: number): Promise<Awaited<ReturnType<Tasks[Name]>>>
  close(): Promise<void>
}

const usualThreads = 2
/** More than this waiting means that something is wrong with what is asked, not with how fast it is answered. */
const mostWaiting = 200

/** How large a pool is. */
export interface PoolSize {
  /** Of each thread's heap. */
  readonly mostMemoryMb?: number
  /** At most. */
  readonly threads?: number
  /** Threads that are started now and stay, so that nobody waits for the first. */
  readonly warm?: number
}

/**
 * A pool of worker threads, started on need.
 * @param workerFile the built worker
 */
export function createWorkerPool(workerFile: URL, { mostMemoryMb = 256, threads = usualThreads, warm = 0 }: PoolSize = {}): WorkerPool {
  const pool = new Piscina({
    filename: fileURLToPath(workerFile),
    minThreads: warm,
    maxThreads: threads,
    idleTimeout: 60_000,
    maxQueue: mostWaiting,
    resourceLimits: { maxOldGenerationSizeMb: mostMemoryMb, maxYoungGenerationSizeMb: 32 },
  })
  // A thread that dies while it rests is replaced by the next task; without a listener its error would end the process.
  pool.on('error', () => undefined)
  return {
    async run<Name extends keyof Tasks>(
      name: Name,
      input: Parameters<Tasks[Name]>[0],
      limitMs: number,
    ): Promise<Awaited<ReturnType<Tasks[Name]>>> {
      try {
        return (await pool.run({ name, input }, { signal: AbortSignal.timeout(limitMs) })) as Awaited<ReturnType<Tasks[Name]>>
      } catch (error) {
        if (isTooHeavy(error)) {
          throw new ApiError(
            503,
            'too-heavy',
            'Working this out takes more than the server gives it: check the figures, or try again later.',
          )
        }
        throw error
      }
    },
    close: () => pool.destroy(),
  }
}

function isTooHeavy(error: unknown): boolean {
  const { name, code, message } = error as { name?: string; code?: string; message?: string }
  return (
    name === 'AbortError' ||
    code === 'ERR_WORKER_OUT_OF_MEMORY' ||
    message === 'Task queue is at limit' ||
    /worker thread exited|heap out of memory/i.test(message ?? '')
  )
}
