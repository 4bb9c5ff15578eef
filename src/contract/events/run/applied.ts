import type { CaseRecord } from '../../records/case'
import { caseKind } from '../kind'

export interface AppliedBody {
  /** It was on before the case was opened: put on elsewhere, found here. */
  readonly found?: {
    /** What it is and who put it on, as far as that is known. */
    readonly what: string
    /** How long it had been on; null where nobody knows. */
    readonly minutesAgo: number | null
  }
}

/** The device is on. */
export const applied = caseKind<AppliedBody>({
  nature: 'additive',
  right: 'add',
  fold: (record, { at, actorName: by, body }): CaseRecord => {
    if (!body.found) return { ...record, appliedAt: at }
    const { what, minutesAgo } = body.found
    const since = new Date(Date.parse(at) - (minutesAgo ?? 0) * 60_000).toISOString()
    return { ...record, appliedAt: since, found: { what, minutesAgo, at, by } }
  },
  example: { found: { what: 'Collar put on at the roadside', minutesAgo: 60 } },
})
