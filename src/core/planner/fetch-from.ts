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
  const named = materials.map((one) => `${one.id} ${one.item}`.toLowerCase())
  return items.filter((item) => {
    const stems = item
      .toLowerCase()
      .split(/[\s-]+/)
      .map((word) => word.replace(/s$/, ''))
      .filter((word) => word.length > 3)
    return !named.some((name) => stems.some((stem) => name.includes(stem)))
  })
}
