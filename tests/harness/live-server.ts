import { fork, type ChildProcess } from 'node:child_process'
import { randomInt } from 'node:crypto'
import { createServer } from 'node:net'
import { fileURLToPath } from 'node:url'
import { copyWorld } from './copy-world'
import { closeLater } from './shared'

const standins = ['tape', 'goniometer', 'scale'] as const
export type Standin = (typeof standins)[number]

/** The built server, as npm start runs it, with its simulated devices. */
export interface LiveServer {
  readonly address: string
  readonly password: string
  /** Where the simulated pager is read, answered and set. */
  readonly pager: string
  /** Where each simulated device is set. */
  readonly panels: Readonly<Record<Standin, string>>
}

const running = new Map<string, LiveServer>()

/**
 * The live server of this worker, on a fresh demo world: a copy of the one that was made once, where there is one.
 * @param settings what it is told beside: there is one server for each set of them
 */
export async function startLiveServer(settings: Readonly<Record<string, string>> = {}): Promise<LiveServer> {
  const url = process.env['TEST_DATABASE_URL']
  if (!url) throw new Error('TEST_DATABASE_URL is not set: run the suite through npm test')
  const world = process.env['TEST_WORLD']
  if (world) await copyWorld(url, world)
  const key = JSON.stringify(settings)
  const server = running.get(key) ?? (await start(url, world ? 'when-empty' : 'fresh', settings, () => running.delete(key)))
  running.set(key, server)
  return server
}

async function start(
  url: string,
  demo: 'fresh' | 'when-empty',
  settings: Readonly<Record<string, string>>,
  onEnd: () => void,
): Promise<LiveServer> {
  const port = await freePort()
  const devices = await Promise.all(standins.map((name) => startStandin(name, port)))
  const secret = 'a secret of the tests'
  const receipts = `http://127.0.0.1:${port}/api/pager/receipts`
  const pager = await startStandin('pager', port, { WREN_PAGER_SECRET: secret, WREN_PAGER_RECEIPTS: receipts })
  const ports = Object.fromEntries(devices.map((device) => [`WREN_${device.name.toUpperCase()}`, String(device.port)]))
  const main = fileURLToPath(new URL('../../dist/server/main.js', import.meta.url))
  const child: ChildProcess = fork(main, {
    env: {
      ...process.env,
      NODE_ENV: 'production',
      DATABASE_URL: url,
      PORT: String(port),
      WREN_DEMO: demo,
      ...ports,
      WREN_PAGER: `http://127.0.0.1:${pager.port}`,
      WREN_PAGER_SECRET: secret,
      ...settings,
    },
  })
  closeLater(async () => {
    onEnd()
    await end(child)
    await Promise.all([...devices, pager].map((one) => end(one.child)))
  })
  const ready = await new Promise<{ address: string; password: string }>((resolve, reject) => {
    child.once('message', (message) => resolve(message as { address: string; password: string }))
    child.once('exit', () => reject(new Error('the server stopped while starting')))
  })
  return {
    ...ready,
    pager: `http://127.0.0.1:${pager.port}`,
    panels: Object.fromEntries(devices.map((device) => [device.name, `http://127.0.0.1:${device.port}`])) as Record<Standin, string>,
  }
}

function end(child: ChildProcess): Promise<void> {
  // One that has ended already says so no more.
  if (child.exitCode !== null || child.signalCode !== null) return Promise.resolve()
  return new Promise((resolve) => {
    child.once('exit', () => resolve())
    child.kill('SIGTERM')
  })
}

async function startStandin<Name extends string>(
  name: Name,
  serverPort: number,
  more: Readonly<Record<string, string>> = {},
): Promise<{ name: Name; child: ChildProcess; port: number }> {
  const main = fileURLToPath(new URL(`../../dist/standins/${name}.js`, import.meta.url))
  const child = fork(main, { env: { ...process.env, PORT: '0', WREN_ORIGINS: `http://127.0.0.1:${serverPort}`, ...more } })
  const { port } = await new Promise<{ port: number }>((resolve) =>
    child.once('message', (message) => resolve(message as { port: number })),
  )
  return { name, child, port }
}

/**
 * A free port on loopback, from below those that the system hands out by itself: nothing takes it before who asked for it listens.
 */
export function freePort(): Promise<number> {
  const port = randomInt(15_000, 30_000)
  return new Promise((resolve) => {
    const probe = createServer()
    probe.on('error', () => resolve(freePort()))
    probe.listen(port, '127.0.0.1', () => void probe.close(() => resolve(port)))
  })
}
