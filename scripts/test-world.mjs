// The demo world of the tests: made once by the built server; each worker copies it when a file wants it fresh.
import { fork } from 'node:child_process'
import { join } from 'node:path'
import { createConnection } from 'mariadb'

/** Fills the database of `url` with the demo world and makes empty databases beside it. */
export async function makeWorld(root, url, beside) {
  const server = fork(join(root, 'dist/server/main.js'), {
    env: { ...process.env, NODE_ENV: 'production', DATABASE_URL: url, PORT: '0', WREN_DEMO: 'fresh', WREN_WEB: 'none' },
  })
  await new Promise((resolve, reject) => {
    server.once('message', resolve)
    server.once('exit', () => reject(new Error('The server stopped while it made the demo world.')))
  })
  const connection = await createConnection(url)
  for (const name of beside) await connection.query(`CREATE DATABASE ${name} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`)
  await connection.end()
  server.removeAllListeners('exit')
  const ended = new Promise((resolve) => server.once('exit', resolve))
  server.kill('SIGTERM')
  await ended
}
