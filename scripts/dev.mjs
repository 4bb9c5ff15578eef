// npm run dev: the server with its database and stand-ins on the next port, built anew when it changes, and Vite with reload in front of it.
import { fork } from 'node:child_process'
import { endWithNpm } from './end-with-npm.mjs'
import { needNode, needPackages, PlainError } from './needs.mjs'

needNode()
try {
  await needPackages(console.log)
} catch (error) {
  console.error(error instanceof PlainError ? error.message : error)
  process.exit(1)
}
const { createServer } = await import('vite')
const { root } = await import('./build.mjs')
const [port, behind] = [Number(process.env.PORT ?? 4180), Number(process.env.PORT ?? 4180) + 1]

// A signal from the terminal reaches both: in a group of its own the server hears it once, from here.
const server = fork(`${root}/scripts/start.mjs`, ['--dev', '--port', String(behind)], {
  cwd: root,
  detached: true,
  env: { ...process.env, WREN_DEV_ADDRESS: `http://127.0.0.1:${port}` },
})
server.on('exit', (code) => process.exit(code ?? 1))
const stop = () => server.kill('SIGTERM')
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, stop)
endWithNpm(stop)

const vite = await createServer({
  root: `${root}/src/web`,
  configFile: `${root}/vite.config.ts`,
  server: { host: '127.0.0.1', port, strictPort: true, proxy: { '/api': { target: `http://127.0.0.1:${behind}` } } },
}).catch((error) => {
  console.error(error.message)
  stop()
})
await vite?.listen().catch((error) => {
  console.error(`${error.message}: stop what uses it, or set PORT to another number.`)
  stop()
})
// Vite would end everything at once by a listener of its own: the database and the stand-ins end first.
for (const listener of process.listeners('SIGTERM')) if (listener !== stop) process.off('SIGTERM', listener)
