import { readCase } from '#core/files/read-case'
import { resolveOptions } from '#core/planner/resolve-options'
import { techniques } from '#core/techniques/registry'
import { optionValues, type Technique } from '#core/planner/technique'
import type { MeasurementDefinition } from '#core/model/measurement-definition'
import { plausibilityDefaults } from '#core/figures/body/plausibility'
import { defaultProtocol, readDefaults } from '#core/quantities/defaults'

interface TechniqueListing {
  readonly id: string
  readonly name: string
  readonly purpose: string
  readonly regions: readonly string[]
  readonly patterns: readonly string[]
  readonly measurements: readonly {
    id: string
    label: string
    need: string
    side: string
    landmarks: string
    posture: string
    /** Shares of stature outside which a reading is asked about, and refused; null where stature says nothing. */
    range: { statureShare: number; asksOutside: readonly [number, number]; refusedOutside: readonly [number, number] } | null
    words: readonly string[] | null
  }[]
  readonly decisions: readonly string[]
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
      range: rangeOf(definition),
      words: definition.words ?? null,
    })),
    decisions: technique.decisions.map((decision) => decision.id),
    options: technique.options.map((option) => ({
      id: option.id,
      label: option.label,
      default: option.default(clinicalCase, defaultProtocol),
      values: optionValues(option, defaultProtocol).map(({ id, why }) => ({ id, why })),
      range: option.figure ? `${option.figure.least} to ${option.figure.greatest} ${option.figure.unit}` : null,
    })),
  }
}

function rangeOf(definition: MeasurementDefinition): TechniqueListing['measurements'][number]['range'] {
  if (definition.statureShare === null || definition.signed) return null
  const limits = readDefaults(plausibilityDefaults, defaultProtocol)
  const isGirth = definition.kind === 'girth'
  return {
    statureShare: definition.statureShare,
    asksOutside: isGirth ? [limits.girthAskBelow, limits.girthAskAbove] : [limits.lengthAskBelow, limits.lengthAskAbove],
    refusedOutside: isGirth ? [limits.girthRefuseBelow, limits.girthRefuseAbove] : [limits.lengthRefuseBelow, limits.lengthRefuseAbove],
  }
}

function listingText(listing: TechniqueListing): string {
  const lines = [`${listing.id}: ${listing.name}. ${listing.purpose}`, '  Measure']
  for (const one of listing.measurements) lines.push(`    ${one.id} (${one.need}, ${one.side} side): ${one.landmarks}. ${one.posture}.`)
  lines.push(`  Decide: ${listing.decisions.join(', ')}`, '  Options')
  for (const option of listing.options) {
    lines.push(
      `    ${option.id} (default ${String(option.default ?? 'none')}): ${option.range ?? option.values.map((value) => value.id).join(' / ')}`,
    )
  }
  return `${lines.join('\n')}\n`
}
