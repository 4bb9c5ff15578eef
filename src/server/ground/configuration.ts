import type { SecondFactorOf } from '#contract/rights'
import { readDatabaseAddress } from './database-address'
import { refuseUnknownSettings } from './known-settings'
import { readMasterKey } from './master-key'
import { readHosts, readPagerLine, readProxies } from './web-names'

/** What the server is told by its environment; docs/operations.md lists it. */
export interface Configuration {
  readonly databaseUrl: string
  /** The database is one node of a cluster. */
  readonly isCluster: boolean
  readonly port: number
  /** Port of the metrics; null serves none. */
  readonly metricsPort: number | null
  /** TLS ends at a proxy in front: cookies travel by https alone. */
  readonly isSecure: boolean
  /** Who needs an authenticator app. */
  readonly secondFactorOf: SecondFactorOf
  /** Whoever is outside of a patient's places and team says why before a case opens. */
  readonly hasCareTeams: boolean
  /** What wraps the secrets that lie in the database; null leaves them as they are. */
  readonly masterKey: Buffer | null
  /** Proxies whose word on the caller's address is taken: `loopback`, addresses or ranges; empty trusts none. */
  readonly proxies: readonly string[]
  /** Names under which it may be asked, without port. */
  readonly hosts: readonly string[]
  /** The pager: its address and what its receipts are signed with; null where there is none. */
  readonly pager: { readonly address: string; readonly secret: string } | null
  /** File that each day's anchor is written to as well. */
  readonly anchorFile: string | null
  /** File on the server's own disk for who read what while that of the database is full; null for one in the folder of temporary files. */
  readonly readsFile: string | null
  readonly logLevel: string
  /** How long it goes on after it was asked to stop, so that a proxy can turn away first, ms. */
  readonly drainMs: number
}

const levels = ['fatal', 'error', 'warn', 'info', 'debug', 'trace', 'silent']
const loopback = ['localhost', '127.0.0.1', '[::1]']
const longestDrainS = 60

/**
 * Reads the configuration.
 * @throws with a sentence that names the setting, what it is and what it must be
 */
export function readConfiguration(env: Readonly<Record<string, string | undefined>>): Configuration {
  refuseUnknownSettings(env)
  const databaseUrl = readDatabaseAddress(env['DATABASE_URL'])
  const logLevel = env['LOG_LEVEL'] ?? 'warn'
  if (!levels.includes(logLevel)) throw new Error(`LOG_LEVEL must be one of ${levels.join(', ')}, not ${logLevel}.`)
  const metrics = env['WREN_METRICS_PORT']
  return {
    databaseUrl,
    isCluster: yesOrNo('WREN_CLUSTER', env['WREN_CLUSTER']),
    port: wholeOf('PORT', env['PORT'] ?? '4180', 0, 65_535),
    metricsPort: metrics === undefined || metrics === '' ? null : wholeOf('WREN_METRICS_PORT', metrics, 0, 65_535),
    isSecure: yesOrNo('WREN_SECURE', env['WREN_SECURE']),
    secondFactorOf: oneOf('WREN_SECOND_FACTOR', env['WREN_SECOND_FACTOR'], { '0': 'nobody', '1': 'leads', all: 'everybody' }, 'nobody'),
    hasCareTeams: yesOrNo('WREN_CARE_TEAM', env['WREN_CARE_TEAM']),
    masterKey: readMasterKey(env, 'WREN_MASTER_KEY'),
    proxies: readProxies(listOf(env['WREN_PROXIES'])),
    hosts: [...loopback, ...readHosts(listOf(env['WREN_HOSTS']))],
    pager: readPagerLine(env['WREN_PAGER'], env['WREN_PAGER_SECRET']),
    anchorFile: env['WREN_ANCHORS'] || null,
    readsFile: env['WREN_READS'] || null,
    logLevel,
    drainMs: wholeOf('WREN_DRAIN_S', env['WREN_DRAIN_S'] ?? '0', 0, longestDrainS) * 1_000,
  }
}

function wholeOf(name: string, text: string, least: number, greatest: number): number {
  const value = Number(text)
  if (text.trim() === '' || !Number.isInteger(value) || value < least || value > greatest)
    throw new Error(`${name} must be a whole number from ${least} to ${greatest}, not "${text}".`)
  return value
}

function yesOrNo(name: string, text: string | undefined): boolean {
  if (text === undefined || text === '' || text === '0') return false
  if (text === '1') return true
  throw new Error(`${name} must be 1 or 0, not "${text}".`)
}

/** One of a few words, each with what it stands for. */
function oneOf<T>(name: string, text: string | undefined, words: Readonly<Record<string, T>>, usual: T): T {
  if (text === undefined || text === '') return usual
  const meant = Object.hasOwn(words, text) ? words[text] : undefined
  if (meant === undefined) throw new Error(`${name} must be one of ${Object.keys(words).join(', ')}, not "${text}".`)
  return meant
}

function listOf(text: string | undefined): readonly string[] {
  return (text ?? '').split(/[\s,]+/).filter(Boolean)
}
