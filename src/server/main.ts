import { randomBytes } from 'node:crypto'
import { fileURLToPath } from 'node:url'
import { pino } from 'pino'
import { v7 as uuidv7 } from 'uuid'
import { lineDevices, type LineDeviceId } from '#core/quantities/device-line'
import type { DeviceInfo } from '#contract/devices'
import { createApp } from './app'
import { systemClock } from './clock'
import { connectDatabase } from './db/connect'
import { migrate } from './db/migrate'
import { defineModels } from './db/models'
import { demoPassword, loadDemoWorld } from './demo/load-demo-world'
import { emptyTables } from './demo/empty-tables'
import { createPlanner } from './planning/planner'
import { createEventRepository } from './repositories/events'
import { createPeopleRepository } from './repositories/people'
import { createStockRepository } from './repositories/stock'
import { syncCatalogue } from './services/sync-catalogue'
import { addPerson } from './services/add-person'

/** What the supervisor hears once the server listens. */
interface ReadyMessage {
  ready: true
  address: string
  people: { name: string; signIn: string; roles: string }[]
  password: string | null
}

async function main(): Promise<void> {
  const log = pino({ level: process.env['LOG_LEVEL'] ?? 'warn' }, pino.destination(2))
  const url = process.env['DATABASE_URL']
  if (!url) throw new Error('DATABASE_URL is not set: start with npm start, or set it to the address of a MariaDB database.')
  const db = connectDatabase(url)
  await migrate(db)
  const models = defineModels(db)
  const people = createPeopleRepository(models)
  const planner = createPlanner(systemClock, new URL('./slow-worker.js', import.meta.url))
  const demo = process.env['WREN_DEMO'] ?? 'when-empty'
  if (demo === 'fresh') await emptyTables(db)
  if (demo !== 'none' && (await people.count()) === 0) await loadDemoWorld({ db, planner, now: systemClock() })
  const events = createEventRepository(db, models)
  const firstPassword = (await people.count()) === 0 ? randomBytes(9).toString('base64url') : null
  if (firstPassword) {
    await addPerson(
      { db, people, events, clock: systemClock },
      { id: uuidv7(), name: 'First lead', signIn: 'lead', password: firstPassword, roles: ['lead', 'admin'] },
    )
  }
  await syncCatalogue(createStockRepository(db))
  await events.anchor(new Date(systemClock()).toISOString().slice(0, 10))

  const webFolder = process.env['WREN_WEB'] ?? fileURLToPath(new URL('../web', import.meta.url))
  const app = createApp({
    db,
    clock: systemClock,
    planner,
    log,
    webFolder: webFolder === 'none' ? null : webFolder,
    devices: readDevices(),
  })
  const port = Number(process.env['PORT'] ?? 4180)
  const server = app.listen(port, '127.0.0.1')
  server.on('error', (error: NodeJS.ErrnoException) => {
    process.stderr.write(
      error.code === 'EADDRINUSE'
        ? `Port ${port} is in use: stop what uses it, or start with --port and another number.\n`
        : `${error.message}\n`,
    )
    process.exit(1)
  })
  server.on('listening', () => void announce(port))

  let isStopping = false
  const stop = (): void => {
    if (isStopping) return
    isStopping = true
    server.close(
      () =>
        void planner
          .close()
          .then(() => db.close())
          .then(() => process.exit(0)),
    )
    server.closeAllConnections()
  }
  process.on('SIGTERM', stop)
  process.on('SIGINT', stop)
  process.on('disconnect', stop)

  async function announce(listening: number): Promise<void> {
    const staff = (await people.list()).filter((one) => demo !== 'none' || (firstPassword && one.signIn === 'lead'))
    const message: ReadyMessage = {
      ready: true,
      address: `http://127.0.0.1:${listening}`,
      password: staff.length === 0 ? null : (firstPassword ?? demoPassword),
      people: staff.map((one) => ({ name: one.name, signIn: one.signIn, roles: one.roles.join(', ') })),
    }
    process.send?.(message)
  }
}

/** Stand-ins that the supervisor started, each as `WREN_<ID>=port`. */
function readDevices(): readonly DeviceInfo[] {
  const names: Record<LineDeviceId, string> = { tape: 'Tern tape', goniometer: 'Tern goniometer', scale: 'Tern load scale' }
  return (Object.keys(lineDevices) as LineDeviceId[]).flatMap((id) => {
    const port = Number(process.env[`WREN_${id.toUpperCase()}`])
    if (!Number.isInteger(port) || port < 1) return []
    return [{ id, name: names[id], stream: `ws://127.0.0.1:${port}/${id}`, panel: `http://127.0.0.1:${port}/` }]
  })
}

main().catch((error: unknown) => {
  process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`)
  process.exit(1)
})
