import { keyMovements, feelingLevels, alsoAskedSigns } from '#core/model/round-items'

type Loose = Readonly<Record<string, unknown>>

/**
 * A round of version 1 in the form of version 2. The strength of a whole limb, kept beside the neck or the trunk, becomes the strength of
 * each of its key movements; a level of feeling in other words than those of today cannot be ranked and is kept as its reason; signs in
 * words that are not asked for were never judged by name and go.
 */
export function upcastRoundTo2(body: unknown): unknown {
  const round = body as Loose
  if (typeof round['findings'] !== 'object' || round['findings'] === null) return round
  const findings = round['findings'] as Loose
  const strengths = new Map<string, unknown>()
  const blocks = Object.fromEntries(
    ['neck', 'spine'].flatMap((name) => {
      const block = findings[name] as Loose | undefined
      return block ? [[name, newBlock(name, block, strengths)]] : []
    }),
  )
  const limbs = ((findings['limbs'] ?? []) as readonly Loose[]).map((limb) => withPower(limb, strengths))
  for (const key of strengths.keys()) {
    const [side, limb] = key.split('-')
    limbs.push(withPower({ limb, side }, strengths))
  }
  return { ...round, findings: { ...findings, ...blocks, limbs } }
}

function newBlock(name: string, block: Loose, strengths: Map<string, unknown>): Loose {
  const kept: Record<string, unknown> = {}
  for (const [id, value] of Object.entries(block)) {
    if (id.startsWith('strength-')) strengths.set(id.slice('strength-'.length), value)
    else if (id !== 'feelingLevel') kept[id] = value
    else if (name === 'spine') kept['level'] = levelOf(value)
  }
  return kept
}

function levelOf(value: unknown): unknown {
  if (typeof value !== 'string') return value
  return feelingLevels.find((level) => level === value) ?? { cannotAssess: true, reason: `written as "${value}"` }
}

function withPower(limb: Loose, strengths: Map<string, unknown>): Loose {
  const also = limb['also'] as readonly unknown[] | undefined
  const known = also ? { ...limb, also: also.filter((sign) => (alsoAskedSigns as readonly unknown[]).includes(sign)) } : limb
  const key = `${String(limb['side'])}-${String(limb['limb'])}`
  if (!strengths.has(key)) return known
  const written = strengths.get(key)
  const strength = typeof written === 'number' ? Math.floor(written) : written
  strengths.delete(key)
  const power = Object.fromEntries(keyMovements[limb['limb'] === 'arm' ? 'arm' : 'leg'].map(({ id }) => [id, strength]))
  return { ...known, power }
}
