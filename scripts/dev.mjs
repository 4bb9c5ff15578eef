// npm run dev: the server as in npm start on the next port, and Vite with reload in front of it.
import { spawn } from 'node:child_process'
import { needNode, needPackages, PlainError } from './needs.mjs'

needNode()
try {
  needPackages(console.log)
} catch (error) {
  console.error(error instanceof PlainError ? error.message : error)
  process.exit(1)
}
const { createServer } = await import('vite')
const { root } = await import('./build.mjs')
const port = 4181
const server = spawn(process.execPath, ['scripts/start.mjs', '--port', String(port)], { cwd: root, stdio: 'inherit' })
server.on('exit', (code) => process.exit(code ?? 1))
const vite = await createServer({
  root: `${root}/src/web`,
  configFile: `${root}/vite.config.ts`,
  server: { host: '127.0.0.1', port: 4180, proxy: { '/api': { target: `http://127.0.0.1:${port}` } } },
})
await vite.listen()
vite.printUrls()
const stop = () => void vite.close().then(() => server.kill('SIGTERM'))
process.on('SIGINT', stop)
process.on('SIGTERM', stop)
