import { isIP } from 'node:net'

/** Names that the application is reached under. @throws with a sentence for what is no name alone */
export function readHosts(texts: readonly string[]): readonly string[] {
  return texts.map((text) => {
    if (/^[a-z0-9]([a-z0-9.-]*[a-z0-9])?$/i.test(text) || isIP(text.replace(/^\[|\]$/g, '')) > 0) return text.toLowerCase()
    throw new Error(`WREN_HOSTS must be names alone, without https://, port or path, such as wren.hospital.example, not "${text}".`)
  })
}

const ranges = new Set(['loopback', 'linklocal', 'uniquelocal'])

/** Proxies whose word counts. @throws with a sentence for what is neither an address nor a range */
export function readProxies(texts: readonly string[]): readonly string[] {
  for (const text of texts) {
    const [address = '', bits, ...rest] = text.split('/')
    const version = isIP(address)
    const isRange = bits === undefined || (/^\d{1,3}$/.test(bits) && Number(bits) <= (version === 4 ? 32 : 128))
    if (ranges.has(text) || (version > 0 && isRange && rest.length === 0)) continue
    throw new Error(`WREN_PROXIES must be ${[...ranges].join(', ')}, addresses or ranges such as 10.0.0.0/8, not "${text}".`)
  }
  return texts
}

/** Where the pager is, and what its receipts are signed with; null where there is none. @throws with a sentence where one of the two is missing */
export function readPagerLine(
  address: string | undefined,
  secret: string | undefined,
): { readonly address: string; readonly secret: string } | null {
  if (!address && !secret) return null
  if (!address) throw new Error('WREN_PAGER_SECRET is set and WREN_PAGER is not: set it to the address of the pager, or leave both out.')
  if (!secret)
    throw new Error('WREN_PAGER is set and WREN_PAGER_SECRET is not: without it no receipt can be believed. Set it, or leave both out.')
  if (!/^https?:\/\/[^/]/.test(address)) throw new Error(`WREN_PAGER must begin with http:// or https://, not "${address}".`)
  return { address, secret }
}
