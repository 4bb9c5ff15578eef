import { appendFile, readFile, rename, rm } from 'node:fs/promises'
import type { PatientRead } from '../repositories/patient-reads'

/** Keeps notes of who read what on the server's own disk while the database has no room for them. */
export interface SpooledReads {
  /** @throws where that disk takes nothing either */
  add(read: PatientRead): Promise<void>
  /**
   * Hands each that waits to whoever keeps it, in the order in which they were read; what cannot be kept yet waits on.
   * @returns how many were kept
   */
  catchUp(keep: (read: PatientRead) => Promise<void>): Promise<number>
}

/** @param file one line of JSON for each; it goes when all of them are kept */
export function createSpooledReads(file: string): SpooledReads {
  const taken = `${file}.taken`
  return {
    add: (read) => appendFile(file, `${JSON.stringify(read)}\n`, { mode: 0o600 }),
    async catchUp(keep) {
      // Those of a server that ended in the middle come first; what is added meanwhile goes into a new file.
      const [before, now] = [await linesOf(taken), await linesOf(file)]
      if (before.length === 0 && now.length > 0) await rename(file, taken)
      const waiting = before.length > 0 ? before : now
      for (const read of waiting) await keep(read)
      await rm(taken, { force: true })
      return waiting.length
    },
  }
}

/** A last line that was cut off by an end is none. */
async function linesOf(file: string): Promise<readonly PatientRead[]> {
  const text = await readFile(file, 'utf8').catch(() => '')
  return text.split('\n').flatMap((line) => {
    try {
      const { slot, firstAt, ...rest } = JSON.parse(line) as Record<keyof PatientRead, string>
      return [{ ...rest, slot: new Date(slot), firstAt: new Date(firstAt) }]
    } catch {
      return []
    }
  })
}
