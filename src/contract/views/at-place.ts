/** Whether a place is one of those whose names begin with some words; none means all places. */
export function isAtPlace(place: string, beginning: string): boolean {
  return place.toLowerCase().startsWith(beginning.trim().toLowerCase())
}
