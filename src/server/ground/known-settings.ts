/** What docs/operations.md lists. */
const forOperators = [
  'WREN_ANCHORS',
  'WREN_BACKUP_KEY',
  'WREN_BACKUP_KEY_FILE',
  'WREN_CARE_TEAM',
  'WREN_CLUSTER',
  'WREN_DATA',
  'WREN_DRAIN_S',
  'WREN_HOSTS',
  'WREN_MASTER_KEY',
  'WREN_MASTER_KEY_BEFORE',
  'WREN_MASTER_KEY_BEFORE_FILE',
  'WREN_MASTER_KEY_FILE',
  'WREN_METRICS_PORT',
  'WREN_PAGER',
  'WREN_PAGER_SECRET',
  'WREN_PROXIES',
  'WREN_READS',
  'WREN_SECOND_FACTOR',
  'WREN_SECURE',
]
/** What our own scripts, stand-ins and tests tell each other. */
const forScripts = [
  'WREN_ADDRESS',
  'WREN_BENCH',
  'WREN_DATABASE',
  'WREN_DEMO',
  'WREN_DEV_ADDRESS',
  'WREN_GONIOMETER',
  'WREN_GREP',
  'WREN_LONG',
  'WREN_ORIGINS',
  'WREN_PAGER_RECEIPTS',
  'WREN_PASSWORD',
  'WREN_ROOM',
  'WREN_SCALE',
  'WREN_SEED',
  'WREN_TAPE',
  'WREN_TRIAL',
  'WREN_WEB',
]
const known = new Set([...forOperators, ...forScripts])

/**
 * Refuses settings that nothing reads: one that is spelled wrong would be left out without a word.
 * @throws with a sentence that names them
 */
export function refuseUnknownSettings(env: Readonly<Record<string, string | undefined>>): void {
  const unknown = Object.keys(env).filter((name) => name.startsWith('WREN_') && !known.has(name))
  if (unknown.length === 0) return
  throw new Error(
    `${unknown.join(', ')} ${unknown.length === 1 ? 'is no setting' : 'are no settings'}: check the spelling. There are ${forOperators.join(', ')}.`,
  )
}
