/** Whether a place is one of those whose names begin with some words; none means all places. */
export function isAtPlace(place: string, beginning: string): boolean {
  return place.toLowerCase().startsWith(beginning.trim().toLowerCase())
}

/** Whether a place lies in an area: `Ward 1, Bed 2` lies in `Ward 1`, and `Ward 10, Bed 2` does not. Nothing lies in an area without a name. */
export function isInArea(place: string, area: string): boolean {
  const [at, of] = [place.trim().toLowerCase(), area.trim().toLowerCase()]
  return of !== '' && at.startsWith(of) && !/^[\p{L}\p{N}]/u.test(at.slice(of.length))
}
