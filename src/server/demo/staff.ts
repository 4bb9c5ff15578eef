import type { Role } from '#contract/rights'

export interface DemoPerson {
  readonly signIn: string
  readonly name: string
  readonly roles: readonly Role[]
  /** Own finger width, cm; null for those who have not calibrated theirs. */
  readonly fingerCm: number | null
  /** Who learns in practice, and how sure they are, 0 to 1. */
  readonly sure?: number
}

/** The invented staff of Tern Sound Infirmary. */
export const demoStaff: readonly DemoPerson[] = [
  { signIn: 'isolde', name: 'Isolde Quill', roles: ['clinician'], fingerCm: 1.7 },
  { signIn: 'bram', name: 'Bram Tully', roles: ['clinician'], fingerCm: 2.1 },
  { signIn: 'maren', name: 'Maren Oake', roles: ['lead'], fingerCm: 1.6 },
  { signIn: 'teodor', name: 'Teodor Finch', roles: ['trainee'], fingerCm: 1.9, sure: 0.45 },
  { signIn: 'pernilla', name: 'Pernilla Sward', roles: ['clinician'], fingerCm: 1.5 },
  { signIn: 'corwin', name: 'Corwin Ashby-Reed', roles: ['clinician'], fingerCm: 2.2 },
  { signIn: 'sunniva', name: 'Sunniva Dray', roles: ['trainee'], fingerCm: null, sure: 0.75 },
  { signIn: 'otto', name: 'Otto Marlowe-Pike', roles: ['clinician', 'lead'], fingerCm: 2 },
  { signIn: 'liv', name: 'Liv Harrowgate', roles: ['clinician'], fingerCm: 1.8, sure: 0.6 },
  { signIn: 'anselm', name: 'Anselm Voss', roles: ['viewer'], fingerCm: null },
  { signIn: 'greta', name: 'Greta Lindqvist-Moor', roles: ['admin'], fingerCm: null },
  { signIn: 'jory', name: 'Jory Pennant', roles: ['clinician'], fingerCm: 1.9, sure: 0.85 },
]
