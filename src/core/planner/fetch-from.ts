import type { Material } from '../model/plan'
import { describeMaterial } from './describe-material'

export const fetchPlaces = ['store', 'sink', 'tools', 'room'] as const
export type FetchPlace = (typeof fetchPlaces)[number]

/** Where each thing is fetched from, as a heading says it. */
export const fetchPlaceWords: Readonly<Record<FetchPlace, string>> = {
  store: 'From the store',
  sink: 'At the sink',
  tools: 'Tools and fastenings',
  room: 'In the room',
}

// Ordinary places in a plaster room or ambulance; a local layout names its store places itself.
const words: readonly (readonly [FetchPlace, RegExp])[] = [
  ['sink', /water|bucket|towel|thermometer/],
  ['tools', /shears|tape|marker|saw|spreader|protection|shaving/],
  ['room', /board|suction|oxygen|blocks|weights|pulleys|cords|walking aids/],
]

/** Where a thing of the lay-out list is fetched from: the store unless its words say otherwise. */
export function fetchFrom(item: string): FetchPlace {
  return words.find(([, pattern]) => pattern.test(item))?.[0] ?? 'store'
}

/**
 * Things of the lay-out list that no material of the plan stands for already.
 * @param items as the lay-out step names them
 * @param materials of the plan
 */
export function itemsBeside(
  items: readonly string[],
  materials: readonly { readonly id: string; readonly item: string }[],
): readonly string[] {
  const names = materials.map(nameOf)
  return items.filter((item) => {
    const stems = stemsOf(item)
    return !names.some((name) => standsFor(name, stems))
  })
}

function nameOf(material: { readonly id: string; readonly item: string }): string {
  return `${material.id} ${material.item}`.toLowerCase()
}

function stemsOf(item: string): readonly string[] {
  return item
    .toLowerCase()
    .split(/[\s-]+/)
    .map((word) => word.replace(/s$/, ''))
    .filter((word) => word.length > 3)
}

/** Whether a material of the plan is what a word of the lay-out list means: "padding" is every padding roll. */
function standsFor(name: string, stems: readonly string[]): boolean {
  return stems.some((stem) => name.includes(stem))
}

/** Words that tell one thing from its like, or how it is to lie: they stay with it. */
const qualifiers = /\b(left|right|stowed|counted|spare)\b/

/**
 * The lay-out list with the figures of the plan: each word for the materials that it stands for, what no word names at its end.
 * @param items as the technique names them, in the order of use
 */
export function itemsWithFigures(items: readonly string[], materials: readonly Material[]): readonly string[] {
  const listed = new Set<Material>()
  const names = materials.map(nameOf)
  const named = items.flatMap((item) => {
    const stems = stemsOf(item)
    const own = materials.filter((_, index) => standsFor(names[index]!, stems))
    const fresh = own.filter((material) => !listed.has(material))
    fresh.forEach((material) => listed.add(material))
    if (own.length === 0) return [item]
    if (!qualifiers.test(item)) return fresh.map(inWords)
    return [fresh.length > 0 ? `${item}: ${fresh.map(inWords).join(', ')}` : item]
  })
  return [...named, ...materials.filter((material) => !listed.has(material)).map(inWords)]
}

/** A material as it is fetched; a sized device by its size. */
function inWords(material: Material): string {
  const words = describeMaterial(material, 'metric')
  const isSized = material.widthCm === null && material.lengthCm === null && material.rolls === null && material.pieces === undefined
  return isSized && material.note ? `${words} (${material.note})` : words
}
