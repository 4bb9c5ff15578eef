/** What a driver or the system says of a start that failed, each with the setting that mends it. */
const meanings: readonly (readonly [RegExp, string])[] = [
  [/ECONNREFUSED/, 'No database answers at the address of DATABASE_URL: start it, or mend the address.'],
  [/ENOTFOUND|EAI_AGAIN/, 'The host of DATABASE_URL is not known: mend its name.'],
  [
    /ETIMEDOUT|EHOSTUNREACH|ENETUNREACH|connect timeout|Connection timeout/i,
    'The host of DATABASE_URL does not answer: check the network and its firewall.',
  ],
  [
    /Access denied/i,
    'The database refuses the name or the password of DATABASE_URL, or they may not use this database: mend them, or grant the rights.',
  ],
  [/Unknown database/i, 'There is no database of the name in DATABASE_URL: make it, or mend the name.'],
]

/**
 * Why a server did not start, in words that name the setting. What is not known is said as it is; an address with its password never is.
 */
export function startWords(error: unknown): string {
  const {
    message = String(error),
    code = '',
    address,
    port,
  } = error as { message?: string; code?: string; address?: string; port?: number }
  if (code === 'EADDRINUSE')
    return `Port ${port ?? ''} on ${address ?? 'this machine'} is in use: stop what uses it, or set PORT or WREN_METRICS_PORT to another number.`
  const known = meanings.find(([pattern]) => pattern.test(`${code} ${message}`))
  return known ? known[1] : message
}
