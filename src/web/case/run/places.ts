import type { Area } from '#contract/records/ward'
import type { BoardRow } from '#contract/api/board'

const mostOffered = 12

/** Places that the Board knows, each once, in the order of a walk; the ones with more patients first where there are too many. */
export function knownPlaces(rows: readonly Pick<BoardRow, 'place'>[]): readonly string[] {
  const counts = new Map<string, number>()
  for (const { place } of rows) if (place) counts.set(place, (counts.get(place) ?? 0) + 1)
  const most = [...counts].sort((a, b) => b[1] - a[1] || a[0].localeCompare(b[0])).slice(0, mostOffered)
  return most.map(([place]) => place).sort((a, b) => a.localeCompare(b, undefined, { numeric: true }))
}

/** Who is at a bed by the Board; null where nobody is, or where the place is none that one patient fills. */
export function whoIsAt(rows: readonly Pick<BoardRow, 'place' | 'patient'>[], place: string): string | null {
  const wanted = place.trim().toLowerCase()
  if (!/\d/.test(wanted)) return null
  return rows.find((row) => row.place.trim().toLowerCase() === wanted)?.patient ?? null
}

/** The areas that places lie in: what stands before the comma, or the place without its number; each once. */
export function knownAreas(rows: readonly Pick<BoardRow, 'place'>[]): readonly string[] {
  const areas = rows.map(({ place }) => (place.split(',')[0] ?? '').replace(/\s*\d+$/, '').trim()).filter(Boolean)
  return [...new Set(areas)].sort((a, b) => a.localeCompare(b, undefined, { numeric: true }))
}

/**
 * What is offered where a place is asked for: the areas that leads have set, and once one is named its beds that are free by the Board;
 * without any the places that the Board knows.
 */
export function offeredPlaces(
  areas: readonly Area[],
  rows: readonly Pick<BoardRow, 'place' | 'patient'>[],
  typed: string,
): readonly string[] {
  if (areas.length === 0) return knownPlaces(rows)
  const wanted = typed.trim().toLowerCase()
  const area = areas.find((one) => one.beds.length > 0 && wanted.startsWith(one.name.toLowerCase()))
  if (!area) return areas.map((one) => one.name)
  return area.beds.map((bed) => `${area.name}, ${bed}`).filter((place) => whoIsAt(rows, place) === null)
}
