import type { StreamType } from '#contract/event'

/** The table that keeps the heads of each kind of stream. */
export const streamTables: Record<StreamType, string> = {
  episode: 'episodes',
  case: 'cases',
  person: 'people',
  place: 'places',
  ward: 'wards',
}
