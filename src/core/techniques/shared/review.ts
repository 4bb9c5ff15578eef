import { hasFlag, hasUntestedFeeling, type ClinicalCase } from '../../model/clinical-case'
import type { ScheduleEntry } from '../../model/plan'

const dayMin = 1440

/** The first review so many days after application, a day earlier where pressure may not be felt. */
export function reviewAfter(
  clinicalCase: ClinicalCase,
  { days, graceDays, text }: { readonly days: number; readonly graceDays: number; readonly text: string },
): ScheduleEntry {
  const isUnfelt = hasFlag(clinicalCase, 'neuropathy') || hasFlag(clinicalCase, 'unresponsive') || hasUntestedFeeling(clinicalCase)
  const early = isUnfelt && days > 1 ? 1 : 0
  return {
    id: 'review',
    kind: 'review',
    dueMin: (days - early) * dayMin,
    graceMin: (early ? Math.min(1, graceDays) : graceDays) * dayMin,
    text,
  }
}
