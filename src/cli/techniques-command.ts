import { readCase } from '#core/case/read-case'
import { resolveOptions } from '#core/techniques/resolve-options'
import { techniques } from '#core/techniques/registry'
import type { Technique } from '#core/techniques/technique'
import { defaultProtocol } from '#core/quantities/defaults'

interface TechniqueListing {
  readonly id: string
  readonly name: string
  readonly purpose: string
  readonly regions: readonly string[]
  readonly patterns: readonly string[]
  readonly measurements: readonly { id: string; label: string; need: string; side: string; landmarks: string; posture: string }[]
  readonly options: readonly {
    id: string
    label: string
    default: string | number | null
    values: readonly { id: string; why: string }[]
    range: string | null
  }[]
}

/** Lists every technique with its measurement ids and options. */
export function runTechniques(format: 'json' | 'text'): number {
  const listings = techniques.map(listTechnique)
  process.stdout.write(format === 'json' ? `${JSON.stringify(listings, null, 2)}\n` : listings.map(listingText).join('\n'))
  return 0
}

function listTechnique(technique: Technique): TechniqueListing {
  const { clinicalCase } = readCase({ format: 'zesty-wren/case', version: 1, technique: technique.id })
  if (!clinicalCase) throw new Error(`${technique.id} cannot be listed`)
  const { values } = resolveOptions(technique, clinicalCase, defaultProtocol)
  return {
    id: technique.id,
    name: technique.name,
    purpose: technique.purpose,
    regions: technique.regions,
    patterns: technique.patterns,
    measurements: technique.measurements(clinicalCase, values).map(({ definition, need }) => ({
      id: definition.id,
      label: definition.label,
      need,
      side: definition.sideRule,
      landmarks: definition.landmarks,
      posture: definition.posture,
    })),
    options: technique.options.map((option) => ({
      id: option.id,
      label: option.label,
      default: option.default(clinicalCase),
      values: option.values.map(({ id, why }) => ({ id, why })),
      range: option.figure ? `${option.figure.least} to ${option.figure.greatest} ${option.figure.unit}` : null,
    })),
  }
}

function listingText(listing: TechniqueListing): string {
  const lines = [`${listing.id}: ${listing.name}. ${listing.purpose}`, '  Measure']
  for (const one of listing.measurements) lines.push(`    ${one.id} (${one.need}, ${one.side} side): ${one.landmarks}. ${one.posture}.`)
  lines.push('  Options')
  for (const option of listing.options) {
    lines.push(
      `    ${option.id} (default ${String(option.default ?? 'none')}): ${option.range ?? option.values.map((value) => value.id).join(' / ')}`,
    )
  }
  return `${lines.join('\n')}\n`
}
