import type { BoardRow } from '#contract/api/board'

/** The id that every round has where work is named by its id. */
export const roundWork = 'round'

/** Where a piece of owed work is done: Watch, with its form open. */
export function workDoor(caseId: string, workId: string): string {
  return `/case/${caseId}/watch?do=${encodeURIComponent(workId)}`
}

/** What the button to it says. */
export function workVerb({ id, name }: Pick<LateWork, 'id' | 'name'>): string {
  return id === roundWork ? 'Do the round' : `Do it: ${name}`
}

/** Owed work that is past its grace. */
export interface LateWork {
  readonly id: string
  readonly name: string
  readonly lateMin: number
}

/** What of a Board's line is late, the latest first; of rounds the one that is due next. */
export function lateWork({ ahead = [], nextId, nextWhat, nextDueAt, graceMin }: BoardRow, nowMs: number): readonly LateWork[] {
  const next = nextId !== undefined && nextDueAt !== null ? [{ id: nextId, name: nextWhat ?? 'Round', dueAt: nextDueAt, graceMin }] : []
  const others = ahead.filter(({ id }) => id !== nextId && !id.startsWith(`${roundWork}-`))
  return [...next, ...others]
    .map((one) => ({ id: one.id, name: one.name, graceMin: one.graceMin, lateMin: Math.round((nowMs - Date.parse(one.dueAt)) / 60_000) }))
    .filter((one) => one.lateMin > one.graceMin)
    .map(({ id, name, lateMin }) => ({ id, name, lateMin }))
    .toSorted((a, b) => b.lateMin - a.lateMin)
}
