/**
 * The closed word lists of a case: regions, sides, flags, patterns, swelling.
 * Everything that reads or offers one of these words reads it from here.
 */

export const regions = ['foot', 'ankle', 'lower-leg', 'knee', 'thigh', 'hand', 'wrist', 'forearm', 'neck', 'trunk'] as const
export type Region = (typeof regions)[number]

/** Neck and trunk have no side and no level. */
export function isColumnRegion(region: Region): boolean {
  return region === 'neck' || region === 'trunk'
}

export const sides = ['left', 'right'] as const
export type Side = (typeof sides)[number]

export const bodyRegions = ['leg', 'arm', 'neck', 'trunk'] as const
export type BodyRegion = (typeof bodyRegions)[number]

export const swellings = ['none', 'mild', 'moderate', 'marked'] as const
export type Swelling = (typeof swellings)[number]

export const patterns = [
  'malleolar-fracture',
  'achilles-rupture',
  'ankle-sprain',
  'metatarsal-fracture',
  'toe-fracture',
  'tibial-shaft-fracture',
  'tibial-plateau-fracture',
  'femoral-shaft-fracture',
  'knee-ligament',
  'patella-fracture',
  'knee-post-op',
  'wrist-sprain',
  'distal-radius-fracture',
  'hand-soft-tissue',
  'cellulitis',
  'neck-injury',
  'thoracolumbar-fracture',
  'seated-spine-suspected',
  'other',
] as const
export type Pattern = (typeof patterns)[number]

const bodyByPattern: Partial<Record<Pattern, BodyRegion>> = {
  'wrist-sprain': 'arm',
  'distal-radius-fracture': 'arm',
  'hand-soft-tissue': 'arm',
  cellulitis: 'arm',
  'neck-injury': 'neck',
  'thoracolumbar-fracture': 'trunk',
  'seated-spine-suspected': 'trunk',
}

const usualRegions: Partial<Record<Pattern, readonly Region[]>> = {
  'malleolar-fracture': ['ankle'],
  'achilles-rupture': ['ankle', 'lower-leg'],
  'ankle-sprain': ['ankle', 'foot'],
  'metatarsal-fracture': ['foot'],
  'toe-fracture': ['foot'],
  'tibial-shaft-fracture': ['lower-leg'],
  'tibial-plateau-fracture': ['knee', 'lower-leg'],
  'femoral-shaft-fracture': ['thigh'],
  'knee-ligament': ['knee'],
  'patella-fracture': ['knee'],
  'knee-post-op': ['knee'],
  'wrist-sprain': ['wrist', 'hand'],
  'distal-radius-fracture': ['wrist', 'forearm'],
}

/** Whether a pattern is usual in a region; one that may be anywhere on its part of the body is usual everywhere there. */
export function isUsualIn(pattern: Pattern, region: Region): boolean {
  return usualRegions[pattern]?.includes(region) ?? true
}

/** The injury patterns that a part of the body can have: what is asked once the region is known. */
export function patternsOf(body: BodyRegion): readonly Pattern[] {
  return patterns.filter((pattern) => pattern === 'other' || (bodyByPattern[pattern] ?? 'leg') === body)
}

export const patientFlags = [
  'adhesive-allergy',
  'latex-allergy',
  'fragile-skin',
  'neuropathy',
  'anticoagulated',
  'pregnant-late',
  'breathless-lying',
  'agitated',
  'unresponsive',
  'cannot-be-moved',
  'head-injury',
  'several-injuries',
  'unstable',
  'kyphosis',
  'airway-at-risk',
  'lymphoedema',
  'dialysis-arm',
  'implant',
  'arterial-disease',
  'diabetes',
  'nerve-block',
  'sedated',
  'lives-alone',
  'stiff-spine',
  'chest-injury',
  'stoma-or-drain',
] as const
export type PatientFlag = (typeof patientFlags)[number]

export const injuryFlags = [
  'fresh',
  'open',
  'comminuted',
  'pulse-absent',
  'numb',
  'pelvis-suspected',
  'hip-suspected',
  'knee-involved',
  'ankle-involved',
  'foot-involved',
  'wound-under-device',
  'part-amputation',
  'penetrating',
  'high-energy',
  'reduced-or-operated',
  'skin-tented',
  'no-sound-side',
  'distal-femur',
  'pathological',
  'feeling-tested',
] as const
export type InjuryFlag = (typeof injuryFlags)[number]
export type Flag = PatientFlag | InjuryFlag

const impliedByPattern: Partial<Record<Pattern, InjuryFlag>> = {
  'tibial-plateau-fracture': 'knee-involved',
  'patella-fracture': 'knee-involved',
  'knee-ligament': 'knee-involved',
  'malleolar-fracture': 'ankle-involved',
  'ankle-sprain': 'ankle-involved',
  'achilles-rupture': 'ankle-involved',
  'metatarsal-fracture': 'foot-involved',
  'toe-fracture': 'foot-involved',
}

/**
 * The injury flag that a pattern implies, or null.
 * @example impliedFlag('malleolar-fracture') // 'ankle-involved'
 */
export function impliedFlag(pattern: Pattern): InjuryFlag | null {
  return impliedByPattern[pattern] ?? null
}

/** The body region that a region belongs to: foot to thigh are leg, hand to forearm are arm. */
export function bodyRegionOf(region: Region): BodyRegion {
  if (region === 'neck' || region === 'trunk') return region
  return region === 'hand' || region === 'wrist' || region === 'forearm' ? 'arm' : 'leg'
}

/** The other side of the body. */
export function otherSide(side: Side): Side {
  return side === 'left' ? 'right' : 'left'
}

/** Turns a word-list id into words for a sentence: 'tibial-shaft-fracture' → 'tibial shaft fracture'. */
export function spoken(id: string): string {
  return id.replaceAll('-', ' ').replaceAll(/([a-z])([A-Z])/g, (_, before: string, after: string) => `${before} ${after.toLowerCase()}`)
}
