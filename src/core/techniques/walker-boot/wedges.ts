import type { PlanDraft } from '../../planner/draft'

/**
 * Decides `wedges`, the number for this week of the ordered schedule; the schedule stands in the working.
 * @returns in words, or null when none are ordered
 */
export function decideWedges(draft: PlanDraft): string | null {
  const { wedges, week } = draft.clinicalCase.orders
  if (!wedges?.length) return null
  const rows = [...wedges].sort((a, b) => a.week - b.week)
  const now = rows.findLast((row) => row.week <= (week ?? rows[0]?.week ?? 0)) ?? rows[0]
  if (!now) return null
  const count = draft.decide({
    id: 'wedges',
    value: now.count,
    display: `${now.count} ${now.count === 1 ? 'wedge' : 'wedges'} from week ${now.week}`,
    source: 'practice',
    school: 'As ordered',
    formula: 'The ordered schedule, by week.',
    working: rows.map((row) => ({ label: `Week ${row.week}`, value: row.count, unit: null, from: 'option' as const })),
  })
  return `${count} ${count === 1 ? 'wedge' : 'wedges'}`
}
