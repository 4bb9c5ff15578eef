// The command line: builds it when stale, then runs it in this process.
import { existsSync } from 'node:fs'
import { join } from 'node:path'
import { build, root } from './build.mjs'
import { needNode } from './needs.mjs'

needNode()
if (!existsSync(join(root, 'node_modules'))) {
  console.error('The packages are not installed yet: run npm start or npm test once, or npm ci.')
  process.exit(1)
}
try {
  build('cli')
} catch (error) {
  console.error(error.message)
  process.exit(1)
}
await import('../dist/cli/wren.js')
