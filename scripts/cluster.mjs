// npm run cluster [-- --kills N]: three nodes, two servers and a proxy on this machine; kills nodes under load, and shows what that did to
// whoever writes. N kills, one node after the other; two without.
import { fork, spawn } from 'node:child_process'
import { chmodSync, copyFileSync, createWriteStream, existsSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { basename, dirname, join } from 'node:path'
import { parseArgs } from 'node:util'
import { findFreePort } from './database.mjs'
import { startCluster } from './galera.mjs'
import { needDebian, needNode, needPackages, findProgram, PlainError } from './needs.mjs'

needNode()
const say = (line) => process.stdout.write(`${line}\n`)
const pause = (ms) => new Promise((resolve) => setTimeout(resolve, ms))
const folder = mkdtempSync(join(tmpdir(), 'wren-cluster-'))
// The nodes run as somebody else.
chmodSync(folder, 0o755)
const running = []
let cluster = null
let isOver = false

/** What nodes and servers wrote down stays after a failure: it tells why. */
function keepLogs() {
  const logs = readdirSync(folder, { recursive: true }).filter((file) => /(^|\/)log$|\.(log|err)$/.test(file))
  if (logs.length === 0) return
  const kept = mkdtempSync(join(tmpdir(), 'wren-cluster-failed-'))
  for (const file of logs) copyFileSync(join(folder, file), join(kept, `${basename(dirname(file))}-${basename(file)}`.replace(/^\.-/, '')))
  process.stderr.write(`What nodes and servers wrote down is kept in ${kept}.\n`)
}

/** Ends everything that was started here, whatever happened. @param hasFailed whether its logs stay */
async function end(hasFailed) {
  if (isOver) return
  isOver = true
  for (const child of running.toReversed()) child.kill('SIGKILL')
  await cluster?.stop().catch((error) => process.stderr.write(`${error.message}\n`))
  if (hasFailed && existsSync(folder)) keepLogs()
  if (existsSync(folder)) rmSync(folder, { recursive: true, force: true })
}

/** Something that nobody waited for went wrong, or it was told to stop. */
const giveUp = (why) => {
  process.stderr.write(`${why instanceof PlainError ? why.message : (why.stack ?? why)}\n`)
  void end(true).then(() => process.exit(1))
}
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => giveUp(`Stopped by ${signal}.`))
process.on('uncaughtException', giveUp)
process.on('unhandledRejection', giveUp)

function readKills() {
  const { values } = parseArgs({ options: { kills: { type: 'string', default: '2' } } })
  const kills = Number(values.kills)
  if (!Number.isInteger(kills) || kills < 1 || kills > 100)
    throw new PlainError(`--kills must be a whole number from 1 to 100, not ${values.kills}.`)
  return kills
}

/** One way into the cluster: its first node while that answers, another one then. */
const way = (name, port, nodes) => `listen ${name}
    mode tcp
    bind 127.0.0.1:${port}
    option mysql-check user haproxy
    default-server inter 300ms fall 2 rise 2 on-marked-down shutdown-sessions
${nodes.map((node, index) => `    server ${node.name} 127.0.0.1:${node.port} check${index > 0 ? ' backup' : ''}`).join('\n')}
`

async function startServers(root, nodes) {
  const [front, first, second, one, two] = await Promise.all(Array.from({ length: 5 }, findFreePort))
  const config = join(folder, 'haproxy.cfg')
  writeFileSync(
    config,
    `global
    maxconn 2000
defaults
    timeout connect 2s
    timeout client 60s
    timeout server 60s
    option redispatch
frontend wren
    mode http
    bind 127.0.0.1:${front}
    default_backend servers
backend servers
    mode http
    balance leastconn
    option forwardfor
    option httpchk GET /api/ready
    http-check disable-on-404
    http-check expect status 200
    default-server inter 500ms fall 2 rise 1
    server one 127.0.0.1:${one} check
    server two 127.0.0.1:${two} check
${way('first', first, nodes)}
${way('second', second, [nodes[1], nodes[2], nodes[0]])}`,
  )
  const proxy = spawn(findProgram(['haproxy']), ['-f', config, '-db'], { stdio: 'ignore' })
  running.push(proxy)
  await pause(1_500)
  let password = null
  for (const [port, database] of [
    [one, first],
    [two, second],
  ]) {
    const url = new URL(nodes[0].url)
    url.port = String(database)
    const server = fork(join(root, 'dist/server/main.js'), {
      stdio: ['ignore', 'inherit', 'pipe', 'ipc'],
      env: {
        ...process.env,
        NODE_ENV: 'production',
        DATABASE_URL: url.href,
        WREN_CLUSTER: '1',
        WREN_PROXIES: 'loopback',
        PORT: String(port),
        WREN_WEB: 'none',
      },
    })
    running.push(server)
    // What it says of single statements that were done again is for its own log.
    server.stderr.pipe(createWriteStream(join(folder, `server-${port}.log`)))
    const ready = await new Promise((resolve, reject) => {
      server.once('message', resolve)
      server.once('exit', () => reject(new PlainError('A server stopped while starting.')))
    })
    password ??= ready.password
  }
  await pause(1_500)
  return { address: `http://127.0.0.1:${front}`, password }
}

try {
  const kills = readKills()
  await needPackages(say)
  needDebian('haproxy', ['haproxy'], say, '')
  const { build, root } = await import('./build.mjs')
  build('server', say)
  cluster = await startCluster(folder, say)
  const { nodes } = cluster
  const { address, password } = await startServers(root, nodes)
  say('Two servers are ready behind a proxy; eight people write.')
  const load = fork(join(root, 'tests/cluster/load.ts'), {
    execArgv: ['--import', 'tsx'],
    cwd: root,
    env: { ...process.env, WREN_ADDRESS: address, WREN_PASSWORD: password, WREN_DATABASE: nodes[2].url },
  })
  running.push(load)
  const told = (wanted) =>
    new Promise((resolve, reject) => {
      const hear = (message) => {
        if (!(wanted in message)) return
        load.off('message', hear)
        resolve(message[wanted])
      }
      load.on('message', hear)
      load.once('exit', () => reject(new PlainError('The load stopped early: what it said stands above.')))
      if (load.exitCode !== null) reject(new PlainError('The load stopped early: what it said stands above.'))
    })
  await told('begun')
  for (let kill = 0; kill < kills; kill++) {
    const node = nodes[kill % 2]
    await pause(4_000)
    const heard = told('pauseMs')
    if (load.connected) load.send('measure')
    say(`Killing node ${node.name}.`)
    await node.kill()
    await pause(6_000)
    if (load.connected) load.send('tell')
    const { pauseMs, faults } = await heard
    say(`The longest time in which nothing was acknowledged: ${(pauseMs / 1_000).toFixed(1)} s; ${faults} requests had to be sent again.`)
    await node.start()
    say(`Node ${node.name} is back.`)
  }
  await pause(3_000)
  const result = told('result')
  if (load.connected) load.send('finish')
  const { acknowledged, faults } = await result
  say(
    `${acknowledged} entries were acknowledged; ${faults.length === 0 ? 'none is lost, none is there twice, every chain and snapshot holds.' : `WRONG: ${faults.join(' ')}`}`,
  )
  process.exitCode = faults.length === 0 ? 0 : 1
} catch (error) {
  process.stderr.write(`${error instanceof PlainError ? error.message : (error.stack ?? error)}\n`)
  process.exitCode = 1
} finally {
  await end(process.exitCode !== 0)
}
