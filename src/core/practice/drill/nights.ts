/** A night of the drill: how many beds, how long, and what there is to find. */
export interface Night {
  readonly id: string
  readonly name: string
  readonly about: string
  /** 4 to 20. */
  readonly beds: number
  /** 4 to 12. */
  readonly hours: number
  /** ISO 8601 UTC: when the shift begins. */
  readonly beginsAt: string
  /** Share of the limbs that swell more than their device has room for. */
  readonly tightShare: number
  /** Share of the cords that slip. */
  readonly slipShare: number
  /** Share of the people who sleep through most of it, refuse, or let the limb hang. */
  readonly sleepShare: number
  readonly refuseShare: number
  readonly hangShare: number
  /** The seed that it is shipped with. */
  readonly seed: string
}

const beginsAt = '2026-01-10T20:00:00Z'
const quiet = { beginsAt, tightShare: 0.15, slipShare: 0.3, sleepShare: 0.5, refuseShare: 0.1, hangShare: 0.1 }

/** The nights that are shipped, from quiet to bad. */
export const nights: readonly Night[] = [
  {
    ...quiet,
    id: 'quiet',
    name: 'A quiet night',
    about: 'Four beds, six hours; at most one limb runs out of room.',
    beds: 4,
    hours: 6,
    seed: 'gannet',
  },
  {
    ...quiet,
    id: 'usual',
    name: 'A usual night',
    about: 'Six beds, eight hours; something happens, and not where it is loudest.',
    beds: 6,
    hours: 8,
    tightShare: 0.25,
    seed: 'plover',
  },
  {
    ...quiet,
    id: 'asleep',
    name: 'Everybody sleeps',
    about: 'Eight beds, eight hours; nobody complains, and that says nothing.',
    beds: 8,
    hours: 8,
    tightShare: 0.25,
    sleepShare: 0.95,
    seed: 'dunlin',
  },
  {
    ...quiet,
    id: 'full',
    name: 'A full ward',
    about: 'Ten beds, ten hours; the list alone fills the night.',
    beds: 10,
    hours: 10,
    tightShare: 0.25,
    seed: 'turnstone',
  },
  {
    ...quiet,
    id: 'restless',
    name: 'A restless night',
    about: 'Twelve beds, ten hours; limbs hang, cords slip, some say no.',
    beds: 12,
    hours: 10,
    tightShare: 0.25,
    slipShare: 0.8,
    sleepShare: 0.2,
    refuseShare: 0.35,
    hangShare: 0.5,
    seed: 'skua',
  },
  {
    ...quiet,
    id: 'bad',
    name: 'A bad night',
    about: 'Twenty beds, twelve hours; more than one person can do, so that order is everything.',
    beds: 20,
    hours: 12,
    tightShare: 0.2,
    slipShare: 0.6,
    refuseShare: 0.2,
    hangShare: 0.3,
    seed: 'storm petrel',
  },
]

/** A shipped night by its id, or null. */
export function findNight(id: string): Night | null {
  return nights.find((night) => night.id === id) ?? null
}
