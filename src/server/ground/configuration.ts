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
  /** Leads and admins need an authenticator app. */
  readonly wantsSecondFactor: boolean
  /** Proxies whose word on the caller's address is taken: `loopback`, addresses or ranges; empty trusts none. */
  readonly proxies: readonly string[]
  /** Names under which it may be asked, without port. */
  readonly hosts: readonly string[]
  /** File that each day's anchor is written to as well. */
  readonly anchorFile: string | null
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
  const databaseUrl = env['DATABASE_URL']
  if (!databaseUrl) throw new Error('DATABASE_URL is not set: start with npm start, or set it to the address of a MariaDB database.')
  const logLevel = env['LOG_LEVEL'] ?? 'warn'
  if (!levels.includes(logLevel)) throw new Error(`LOG_LEVEL must be one of ${levels.join(', ')}, not ${logLevel}.`)
  const metrics = env['WREN_METRICS_PORT']
  return {
    databaseUrl,
    isCluster: yesOrNo('WREN_CLUSTER', env['WREN_CLUSTER']),
    port: wholeOf('PORT', env['PORT'] ?? '4180', 0, 65_535),
    metricsPort: metrics === undefined || metrics === '' ? null : wholeOf('WREN_METRICS_PORT', metrics, 0, 65_535),
    isSecure: yesOrNo('WREN_SECURE', env['WREN_SECURE']),
    wantsSecondFactor: yesOrNo('WREN_SECOND_FACTOR', env['WREN_SECOND_FACTOR']),
    proxies: listOf(env['WREN_PROXIES']),
    hosts: [...loopback, ...listOf(env['WREN_HOSTS']).map((host) => host.toLowerCase())],
    anchorFile: env['WREN_ANCHORS'] ?? null,
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

function listOf(text: string | undefined): readonly string[] {
  return (text ?? '').split(/[\s,]+/).filter(Boolean)
}
