// The command line: builds it when stale, then runs it in this process. What works on a database is the server's, and finds the one of npm start.
import { existsSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { build, root } from './build.mjs'
import { needNode } from './needs.mjs'

needNode()
if (!existsSync(join(root, 'node_modules'))) {
  console.error('The packages are not installed yet: run npm start or npm test once, or npm ci.')
  process.exit(1)
}
const ofServer = ['verify', 'reset-access', 'self-check'].find((one) => one === process.argv[2])
const room = ofServer ? 'server' : 'cli'
try {
  build(room)
} catch (error) {
  console.error(error.message)
  process.exit(1)
}
if (ofServer) {
  const kept = join(process.env.WREN_DATA ?? join(root, '.data'), 'database.url')
  if (!process.env.DATABASE_URL && existsSync(kept)) process.env.DATABASE_URL = readFileSync(kept, 'utf8').trim()
}
await import(ofServer ? `../dist/server/${ofServer}.js` : '../dist/cli/wren.js')
