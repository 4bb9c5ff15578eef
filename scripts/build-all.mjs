// npm run build: everything that a server needs, built where it is stale.
import { needNode, needPackages } from './needs.mjs'

needNode()
try {
  await needPackages(console.log)
  const { build } = await import('./build.mjs')
  for (const room of ['server', 'web', 'cli', 'standins']) build(room, console.log)
} catch (error) {
  console.error(error.message)
  process.exit(1)
}
