import type { Overrule } from '#core/model/clinical-case'
import { caseKind } from '../kind'
import { overruleInNewSense } from '../applying/ankle-sense'

/** `sets-too-soon` is called `set-before-moulded` since each part has its own minutes. */
function lateMouldingRenamed(body: unknown): unknown {
  const overrule = body as Readonly<Record<string, unknown>>
  return overrule['caution'] === 'sets-too-soon' ? { ...overrule, caution: 'set-before-moulded' } : overrule
}

export type OverruleBody = Omit<Overrule, 'by' | 'at'>

/** A figure replaced, or a caution set aside, with its reason. */
export const overrule = caseKind<OverruleBody>({
  nature: 'replacing',
  right: 'decide',
  bearsOnPlan: true,
  upcasters: [overruleInNewSense, lateMouldingRenamed],
  fold: (record, { at, actorName: by, body }) => ({
    ...record,
    overrules: [...record.overrules, { ...body, by, at }],
  }),
  example: { decision: 'slab-width', value: 12, reason: 'old scar there' },
})
