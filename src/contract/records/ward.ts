import type { ProtocolRecord } from './protocol'

/** The one ward record of a server: its places, who is called, who is on. */
export const wardId = '01a21089-0000-7000-8000-00000000000a'

/** Beds that lie together. */
export interface Area {
  readonly name: string
  /** As they are named within the area: `Bed 1`. */
  readonly beds: readonly string[]
}

/** People who work together, and the areas that are theirs. */
export interface Team {
  readonly name: string
  readonly areas: readonly string[]
}

/** Who is called, and how many minutes after whoever was called before. */
export interface ChainStep {
  readonly role: string
  readonly afterMin: number
}

/** A step of the chain with who holds it now; an empty name where nobody is entered. */
export interface Callee {
  readonly role: string
  readonly name: string
}

/** Who is called for the patients of an area; an empty area stands for every place without a chain of its own. */
export interface Chain {
  readonly area: string
  readonly steps: readonly ChainStep[]
}

/** Somebody who holds a role at certain hours. */
export interface Shift {
  readonly role: string
  readonly name: string
  /** Local clock, `07:30`; a shift that ends before it begins goes over midnight. */
  readonly from: string
  readonly until: string
  /** Days on which it begins, Monday is 1. */
  readonly days: readonly number[]
}

/** Who holds which role in an area; an empty area stands for everywhere. */
export interface Rota {
  readonly area: string
  readonly shifts: readonly Shift[]
}

export interface WardRecord extends ProtocolRecord {
  readonly areas: readonly Area[]
  readonly chains: readonly Chain[]
  readonly rotas: readonly Rota[]
  readonly teams?: readonly Team[]
}

/** What stands before a lead has set anything. */
export const newWard: WardRecord = {
  areas: [],
  chains: [
    {
      area: '',
      steps: [
        { role: 'Nurse in charge', afterMin: 0 },
        { role: 'Registrar', afterMin: 5 },
        { role: 'Consultant', afterMin: 5 },
      ],
    },
  ],
  rotas: [],
}
