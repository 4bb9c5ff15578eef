import type { EndingBody } from '#contract/records/ending'
import { refuse } from '../refuse'
import type { CaseRules } from '../rules'
import { letGoOfStock } from '../stock/let-go-of-stock'

/** Only what was never put on is voided; only who wears it goes home with it on. */
export const rules: CaseRules<EndingBody> = {
  check({ body: { how } }, record) {
    if (how === 'voided' && (record.appliedAt !== null || record.runs.length > 0)) {
      refuse(
        'format',
        'body/how',
        'Something was put on in this case, so it happened: end it as it ended, and say in a note what was wrong.',
      )
    }
    if (how === 'home' && (record.appliedAt === null || record.removedAt !== null)) {
      refuse('format', 'body/how', 'Nothing of this case is on: choose how else it ended.')
    }
  },
  after: letGoOfStock,
}
