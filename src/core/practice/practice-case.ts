import type { ClinicalCase, Measurement } from '../model/clinical-case'
import { isUsualIn, type Pattern, type Region, type Side, type Swelling } from '../model/vocabulary'
import { resolveOptions } from '../planner/resolve-options'
import type { Protocol } from '../quantities/defaults'
import type { Technique } from '../planner/technique'

/** A made-up patient for practice. */
export interface PracticePatient {
  readonly heightCm: number
  readonly massKg: number
  readonly side: Side
  readonly swelling: Swelling
  readonly isFresh: boolean
  readonly levelCm?: number
}

export const usualPatient: PracticePatient = { heightCm: 172, massKg: 72, side: 'left', swelling: 'moderate', isFresh: true }

/**
 * A case for practice: everything that a technique measures, read as stature says. What stature says nothing about is left out.
 * @param patient made up; nobody real
 */
export function practiceCase(technique: Technique, patient: PracticePatient, protocol: Protocol): ClinicalCase {
  const { region, pattern } = practiceInjury(technique)
  const bare: ClinicalCase = {
    technique: technique.id,
    patient: { ageYears: 40, heightCm: patient.heightCm, massKg: patient.massKg, flags: [] },
    injury: {
      ...(region ? { region } : {}),
      side: patient.side,
      pattern,
      flags: patient.isFresh ? ['fresh'] : [],
      swelling: patient.swelling,
      levelCm: patient.levelCm ?? null,
    },
    options: {},
    measurements: [],
    crew: { people: 2 },
    environment: { waterC: 22, roomC: 21, backing: 'air', stretcherCm: 210 },
    stock: 'catalogue',
    orders: {},
    overrules: [],
  }
  const options = resolveOptions(technique, bare, protocol).values
  const measurements = technique.measurements(bare, options).flatMap(({ definition }): readonly Measurement[] => {
    if (definition.statureShare === null) return []
    const value = Math.round(definition.statureShare * patient.heightCm * 10) / 10
    return [{ id: definition.id, value, unit: 'cm', ...(definition.sideRule === 'none' ? {} : { side: patient.side }) }]
  })
  return { ...bare, measurements }
}

/** What a technique is practised on: the first injury that it is for, where that is usual. */
export function practiceInjury(technique: Technique): { readonly region: Region | null; readonly pattern: Pattern } {
  const pattern = technique.patterns[0] ?? 'other'
  const region = technique.regions.find((one) => isUsualIn(pattern, one)) ?? technique.regions[0] ?? null
  return { region, pattern }
}
