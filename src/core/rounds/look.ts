import type { Danger } from '../model/danger'
import type { Level } from '../model/finding'
import type { BlockName, LimbFindings } from '../model/observation'
import type { Side } from '../model/vocabulary'

/** What an item belongs to: a limb as `leg-left`, or a block. One id for findings, decisions, standing and export. */
export type PartId = `${LimbFindings['limb']}-${Side}` | BlockName

/** Id of a limb as a part. */
export function limbPart(limb: LimbFindings['limb'], side: Side): PartId {
  return `${limb}-${side}`
}

/** The side of a part; null for a block. */
export function sideOfPart(part: PartId): Side | null {
  return part.endsWith('-left') ? 'left' : part.endsWith('-right') ? 'right' : null
}

/** One item as one round looked at it, before anything is known of what stood before. */
export interface Look {
  readonly part: PartId
  /** `pulse`, `feeling/tibial`, `power/grip`, `voice` … */
  readonly item: string
  /** How bad it is on the item's own scale: 0 is well, more is worse. */
  readonly severity: number
  /** What it is worth by itself. */
  readonly level: Level
  readonly code: string
  readonly text: string
  /** It stays what it is although it was there from the start. */
  readonly isNeverKnown: boolean
  /** Only values of one chain can be better or worse than each other: red is no better pale. */
  readonly chain?: string
  /** What danger it is, where a report says so itself. */
  readonly danger?: Danger
  /** Why it could not be judged; then nothing else of the look counts. */
  readonly cannot: string | null
}

/** Id of an item across parts: `leg-left/pulse`. */
export function itemId(look: Pick<Look, 'part' | 'item'>): string {
  return `${look.part}/${look.item}`
}

/** A look that could not be made, with its reason. */
export function cannotLook(part: PartId, item: string, reason: string, label: string): Look {
  const text = `${label}: cannot be assessed, ${reason}`
  return { part, item, severity: 0, level: 'none', code: 'cannot-assess', text, isNeverKnown: false, cannot: reason }
}

/** What the looks of earlier rounds say about an item, for judgements of change. */
export interface Before {
  /** Severity at the last look that could be judged. */
  last(id: string): number | undefined
  /** Severity in the first round of all. */
  first(id: string): number | undefined
  /** A named senior was told what the first round found of it. */
  isTold(id: string): boolean
}
