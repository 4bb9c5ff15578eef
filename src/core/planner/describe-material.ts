import { formatLength, formatValue, type DisplayUnits } from './format-decision'
import type { Material } from '../model/plan'

/** Where a material stands in the order of use: on the skin first. */
export function layOutOrder(material: Material): number {
  return ['stockinette', 'padding', 'slab', 'bandage'].findIndex((id) => material.id.startsWith(id))
}

/** A material as it is read from a list: "2 × padding roll, 10 cm wide". */
export function describeMaterial(material: Material, units: DisplayUnits): string {
  const name = material.item.replaceAll('-', ' ')
  const width = material.widthCm === null ? '' : `, ${formatLength(material.widthCm, units)} wide`
  const length = material.lengthCm !== null && material.rolls === null ? `, ${formatLength(material.lengthCm, units)} long` : ''
  const layers =
    material.id === 'slab' && material.layers !== null && material.layers > 1 ? `, ${formatValue(material.layers, 'layers')}` : ''
  const count = material.rolls ?? material.pieces ?? null
  return `${count === null ? '' : `${count} × `}${name}${width}${length}${layers}`
}
