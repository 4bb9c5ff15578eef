import type { ClinicalCase } from '../model/clinical-case'
import { positionOption, positions, refusePosition, type Position } from '../planner/shared-options'

export interface RankedPosition {
  readonly id: Position
  readonly label: string
  readonly why: string
  /** Why it is refused, or null. */
  readonly refused: string | null
  readonly isPreferred: boolean
}

/**
 * The positions for a lower limb: refused ones last with why; with few hands face down or
 * hanging comes first, where allowed.
 * @param people here, or null when not said
 */
export function rankPositions(clinicalCase: ClinicalCase, people: number | null): readonly RankedPosition[] {
  const isShort = people !== null && people < 2
  const wanted: readonly Position[] = isShort ? ['face-down', 'hanging', 'lying', 'seated'] : positions
  const preferred = wanted.find((id) => !refusePosition(clinicalCase, id)) ?? null
  return [...wanted]
    .map((id): RankedPosition => {
      const words = positionOption.values.find((value) => value.id === id)
      const refused = refusePosition(clinicalCase, id)
      return { id, label: words?.label ?? id, why: words?.why ?? '', refused: refused?.why ?? null, isPreferred: id === preferred }
    })
    .sort((a, b) => Number(a.refused !== null) - Number(b.refused !== null))
}
