import { hasRight, type Right, type Role } from '../rights'

/** What of a patient an answer shows, for the record of reads: one case, one photo, or a list of many; and how that is said. */
export interface Reading {
  readonly of: 'case' | 'photo' | 'list'
  readonly says: string
}

/** Who may ask a route, and how. */
export interface RouteRule {
  /** A right; or anybody who is signed in; or anybody at all. */
  readonly who: Right | 'signed-in' | 'anybody'
  /**
   * With this right instead, for a case that they began themselves and nobody has claimed: all that an emergency entry sees. Of a route that
   * is about no single case, what is theirs, or what says nothing of a patient.
   */
  readonly own?: Right
  readonly reads?: Reading
  /** Goes on while the screen is locked, for whoever was there before: it shows nothing of a patient. */
  readonly throughLock?: true
  /** Changes nothing that a strange page could use, or carries proof of its own. */
  readonly withoutToken?: true
  /** Asks for the password again where it was given more than five minutes ago. */
  readonly wantsProof?: true
  /** Open to whoever came in by a one-time code and has yet to make it their own. */
  readonly whileSettingUp?: true
}

/**
 * Every route of the API, with who may ask it. The server registers a route only by its row here, and tests walk each row with each role.
 * Whatever changes something needs the page's token unless its row says otherwise; what may be written is said by each kind of event.
 */
export const routeRights = {
  'GET /api/live': { who: 'anybody' },
  'GET /api/ready': { who: 'anybody' },
  'GET /api/health': { who: 'anybody' },

  'GET /api/session': { who: 'anybody' },
  'POST /api/session': { who: 'anybody', withoutToken: true },
  'POST /api/session/emergency': { who: 'anybody', withoutToken: true },
  'DELETE /api/session': { who: 'anybody', withoutToken: true },
  'POST /api/session/lock': { who: 'signed-in', throughLock: true, withoutToken: true },
  'POST /api/session/unlock': { who: 'signed-in', throughLock: true, withoutToken: true },
  'POST /api/session/pin': { who: 'signed-in' },
  'POST /api/session/password': { who: 'signed-in', whileSettingUp: true },
  'POST /api/session/prove': { who: 'signed-in' },
  'GET /api/session/mine': { who: 'signed-in' },
  'POST /api/session/mine/end': { who: 'signed-in' },

  'POST /api/session/second-factor': { who: 'signed-in', whileSettingUp: true },
  'POST /api/session/second-factor/confirm': { who: 'signed-in', whileSettingUp: true },
  'POST /api/session/second-factor/recovery': { who: 'signed-in' },

  'GET /api/people': { who: 'signed-in' },
  'GET /api/admin/people': { who: 'manage-people' },
  'POST /api/admin/people': { who: 'manage-people', wantsProof: true },
  'POST /api/admin/people/:id/roles': { who: 'manage-people', wantsProof: true },
  'POST /api/admin/people/:id/actions': { who: 'manage-people', wantsProof: true },
  'POST /api/admin/addresses': { who: 'manage-people', wantsProof: true },
  'POST /api/admin/devices': { who: 'manage-people', wantsProof: true },
  'GET /api/admin/audit': { who: 'manage-people' },

  'GET /api/board': { who: 'read', own: 'add-own', reads: { of: 'list', says: 'The Board' } },
  'GET /api/urgent': { who: 'read', own: 'add-own', throughLock: true },
  'GET /api/cases/:id': { who: 'read', own: 'add-own', reads: { of: 'case', says: 'The case' } },
  'GET /api/cases/:id/related': { who: 'read', reads: { of: 'case', says: 'Other cases of the patient' } },
  'GET /api/cases/:id/photos': { who: 'read', own: 'add-own', reads: { of: 'case', says: 'The list of photos' } },
  'POST /api/cases/:id/photos': { who: 'add', own: 'add-own' },
  'GET /api/photos/:id': { who: 'read', own: 'add-own', reads: { of: 'photo', says: 'A photo' } },
  'GET /api/cases/:id/papers/template.svg': { who: 'read', reads: { of: 'case', says: 'The template to cut' } },
  'GET /api/cases/:id/papers/:paper.pdf': { who: 'read', own: 'add-own', reads: { of: 'case', says: 'A paper' } },
  'GET /api/cases/:id/owed.ics': { who: 'read', reads: { of: 'case', says: 'The calendar of what is owed' } },
  'GET /api/cases/:id/case.json': { who: 'read', reads: { of: 'case', says: 'The case file' } },
  'GET /api/cases/:id/observations.csv': { who: 'read', reads: { of: 'case', says: 'The table of observations' } },
  'GET /api/hand-over': { who: 'read', reads: { of: 'list', says: 'The hand-over' } },
  'GET /api/hand-over.csv': { who: 'read', reads: { of: 'list', says: 'The hand-over as a table' } },
  'GET /api/hand-over.pdf': { who: 'read', reads: { of: 'list', says: 'The hand-over on paper' } },
  'GET /api/downtime.pdf': { who: 'read', reads: { of: 'list', says: 'The downtime pack' } },
  'GET /api/history': { who: 'read', reads: { of: 'list', says: 'A search of the history' } },
  'GET /api/recall': { who: 'read', reads: { of: 'list', says: 'The recall of a lot' } },
  'GET /api/protocols/effects': { who: 'read', reads: { of: 'list', says: 'What a protocol changes' } },
  'GET /api/countersign': { who: 'decide', reads: { of: 'list', says: 'What trainees entered' } },
  'GET /api/looks-in': { who: 'move', reads: { of: 'list', says: 'Who opened records from outside' } },
  'GET /api/held': { who: 'move', reads: { of: 'list', says: 'Entries that were not taken' } },
  'GET /api/stream': { who: 'read', own: 'add-own', throughLock: true },

  'POST /api/events': { who: 'signed-in' },
  'POST /api/sealed-events': { who: 'signed-in', throughLock: true },
  'POST /api/held/:id': { who: 'move' },
  'POST /api/plans': { who: 'read' },
  'POST /api/checks': { who: 'read' },

  // Practice is about no patient. Whose results somebody sees is told by the sitting: their own, or what they may examine.
  'GET /api/practice/sittings': { who: 'read' },
  'GET /api/practice/sittings/:id': { who: 'read' },
  'POST /api/practice/sittings/:id': { who: 'read' },
  'GET /api/practice/sittings/:id/sheet.pdf': { who: 'read' },
  'GET /api/practice/sittings/:id/sheet.csv': { who: 'read' },
  'POST /api/practice/drills/:id': { who: 'read' },
  'GET /api/practice/progress': { who: 'read' },
  'GET /api/practice/stations': { who: 'read' },
  'POST /api/practice/stations/:id': { who: 'decide' },
  'POST /api/practice/stations/:id/drop': { who: 'decide' },
  'GET /api/practice/groups': { who: 'train' },
  'POST /api/practice/groups/:id': { who: 'train' },

  'GET /api/ward': { who: 'signed-in' },
  'POST /api/pager/receipts': { who: 'anybody', withoutToken: true },
  'GET /api/devices': { who: 'signed-in' },
  'GET /api/store': { who: 'read', own: 'add-own' },
  'GET /api/store/:placeId': { who: 'read', own: 'add-own' },
  'GET /api/store/:placeId/movements': { who: 'read' },
  'GET /api/store/:placeId/stock.csv': { who: 'read' },
  'POST /api/store/:placeId/stock.csv': { who: 'manage-protocols' },
  'GET /api/store/:placeId/count-sheet.pdf': { who: 'read' },
} as const satisfies Readonly<Record<string, RouteRule>>

export type RouteId = keyof typeof routeRights

/** The row of a route. */
export function ruleOf(id: RouteId): RouteRule {
  return routeRights[id]
}

/** What a route that was noted as read showed, in words. */
export function readingWords(route: string): string {
  return Object.hasOwn(routeRights, route) ? (ruleOf(route as RouteId).reads?.says ?? route) : route
}

/** Paths that take a body from somebody who is not signed in. */
export const openPaths: readonly string[] = (Object.keys(routeRights) as RouteId[])
  .filter((id) => id.startsWith('POST ') && ruleOf(id).who === 'anybody')
  .map((id) => id.slice('POST '.length))

/** Whether somebody with these roles may ask a route at all; `own` where it is about what they began themselves. */
export function mayAsk(id: RouteId, held: readonly Role[], isOwn: boolean): boolean {
  const { who, own } = ruleOf(id)
  if (who === 'anybody' || who === 'signed-in') return true
  return hasRight(held, who) || (isOwn && own !== undefined && hasRight(held, own))
}
