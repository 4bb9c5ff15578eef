/** The odds of a crew size. */
export interface CrewOdds {
  readonly people: number
  /** 0 to 1; 0 where so few cannot hold it. */
  readonly odds: number
}

/** Crew sizes from one to another that do as well as each other. */
export interface CrewRange {
  readonly from: number
  readonly to: number
  readonly odds: number
}

/** Crew sizes that follow one another with the same odds in whole per cent as one: a third person who changes nothing has no line. */
export function groupOdds(all: readonly CrewOdds[]): readonly CrewRange[] {
  const perCent = (odds: number): number => Math.round(odds * 100)
  return all.reduce<readonly CrewRange[]>((ranges, { people, odds }) => {
    const last = ranges.at(-1)
    if (!last || perCent(last.odds) !== perCent(odds)) return [...ranges, { from: people, to: people, odds }]
    return [...ranges.slice(0, -1), { ...last, to: people }]
  }, [])
}

/** "1 person", "2 people", "2 to 4 people". */
export function crewWords({ from, to }: CrewRange): string {
  return from === to ? (from === 1 ? '1 person' : `${from} people`) : `${from} to ${to} people`
}
