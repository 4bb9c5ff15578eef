/** Paths of the JSON API, one place for server, web and tests. */
export const paths = {
  health: '/api/health',
  session: '/api/session',
  people: '/api/people',
  board: '/api/board',
  events: '/api/events',
  stream: '/api/stream',
  plans: '/api/plans',
  checks: '/api/checks',
  case: (id: string) => `/api/cases/${id}`,
  episode: (id: string) => `/api/episodes/${id}`,
} as const
