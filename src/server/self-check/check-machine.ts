import { QueryTypes, type Sequelize } from 'sequelize'
import { connectUnhurried } from '../db/connect'
import { defineModels } from '../db/models'
import { createServers } from '../repositories/servers'
import { verifyDatabase } from '../services/verify-database'
import type { Line } from './check-core'

/** A clock may be so far off, ms. */
const mostOffMs = 2_000
const longestAnswerMs = 5_000

/** Proves what is in a database, and compares this machine's clock with it. */
export async function checkDatabase(url: string): Promise<readonly Line[]> {
  const db = connectUnhurried(url)
  try {
    return [await versionOf(db), await clockAgainst(db), await wholeness(db)]
  } catch (error) {
    // Never its address, which holds a password.
    return [{ what: 'database', isRight: false, says: `it cannot be read: ${(error as Error).name}` }]
  } finally {
    await db.close()
  }
}

async function versionOf(db: Sequelize): Promise<Line> {
  const [row] = await db.query<{ version: string }>('SELECT VERSION() AS version', { type: QueryTypes.SELECT })
  const [last] = await db.query<{ name: string }>('SELECT MAX(name) AS name FROM migrations', { type: QueryTypes.SELECT })
  return { what: 'database', isRight: true, says: `${row?.version ?? 'of no version'}, schema ${last?.name ?? 'empty'}` }
}

async function clockAgainst(db: Sequelize): Promise<Line> {
  const before = Date.now()
  const theirs = await createServers(db).now()
  const offMs = Math.round((before + Date.now()) / 2 - theirs)
  return {
    what: 'clock of this machine',
    isRight: Math.abs(offMs) <= mostOffMs,
    says: `${(offMs / 1_000).toFixed(1)} s from the database’s`,
  }
}

async function wholeness(db: Sequelize): Promise<Line> {
  const { streams, events, lots, anchors, faults } = await verifyDatabase(db, defineModels(db))
  const read = `${streams} streams, ${events} events, ${lots} lots, ${anchors} anchors`
  return {
    what: 'chain, anchors, stock',
    isRight: faults.length === 0,
    says:
      faults.length === 0
        ? read
        : faults
            .slice(0, 5)
            .map(({ where, what }) => `${where} ${what}`)
            .join('; '),
  }
}

/** Asks a server that runs how it is. */
export async function checkServer(address: string): Promise<readonly Line[]> {
  const what = `server ${address}`
  try {
    const answer = await fetch(new URL('/api/health', address), { signal: AbortSignal.timeout(longestAnswerMs) })
    const health = (await answer.json()) as { status?: string; now?: string; clockOffsetMs?: number | null; detail?: string }
    const offMs = Date.now() - Date.parse(health.now ?? '')
    return [
      {
        what,
        isRight: answer.status === 200,
        says: answer.status === 200 ? 'up, and its database too' : (health.detail ?? `answers ${answer.status}`),
      },
      { what: 'clock of the server', isRight: Math.abs(offMs) <= mostOffMs, says: `${(offMs / 1_000).toFixed(1)} s from this machine’s` },
    ]
  } catch (error) {
    return [{ what, isRight: false, says: `it does not answer: ${(error as Error).message}` }]
  }
}
