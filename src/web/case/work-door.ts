/** The id that every round has where work is named by its id. */
export const roundWork = 'round'

/** Where a piece of owed work is done: Watch, with its form open. */
export function workDoor(caseId: string, workId: string): string {
  return `/case/${caseId}/watch?do=${encodeURIComponent(workId)}`
}

/** What the button to it says. */
export function workVerb(workId: string, name: string): string {
  return workId === roundWork ? 'Do the round' : `Do it: ${name}`
}
