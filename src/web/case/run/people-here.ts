import { create } from 'zustand'

/** How many are at the bed of a case, where somebody said so on this device: what one nurse does first differs from what two do. */
export const usePeopleHere = create<Readonly<Record<string, number>>>(() => ({}))

/** Keeps how many are there, for as long as the page is open. */
export function setPeopleHere(caseId: string, people: number): void {
  usePeopleHere.setState({ [caseId]: people })
}
