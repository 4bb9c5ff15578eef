import { describeAnkle } from '#core/techniques/families/slab/ankle'
import { isWeightOrdered } from '#core/model/orders'
import type { CaseRecord } from '../records/case'

/** What has been ordered for a case, each as one sentence that can be said back. */
export function orderLines({ orders, options }: Pick<CaseRecord, 'orders' | 'options'>): readonly string[] {
  const lines: string[] = []
  if (orders?.brace) {
    const { extensionStop, flexionStop, lock } = orders.brace
    lines.push(`Brace stops at ${extensionStop}° and ${flexionStop}°, ${typeof lock === 'number' ? `locked at ${lock}°` : `lock ${lock}`}`)
  }
  if (orders && isWeightOrdered(orders)) lines.push(`Weight may be put on it: ${orders.weight?.allowed ?? 'as ordered'}`)
  if (orders?.weight?.withdrawn) lines.push('No weight: the order was withdrawn')
  if (orders?.wedges?.length)
    lines.push(`Heel wedges: ${orders.wedges.map((wedge) => `${wedge.count} from week ${wedge.week}`).join(', ')}`)
  if (orders?.spine) lines.push(`Spine: up to ${orders.spine.posture}${orders.spine.by ? `, ${orders.spine.by}` : ', by nobody named'}`)
  if (orders?.atHome) lines.push(`At home it may be taken off and put on again: ${orders.atHome.by}`)
  if (orders?.oxygen && orders.oxygen !== 'none') lines.push(`Oxygen by ${orders.oxygen}`)
  if (orders?.woundPlan) lines.push('The wound has a plan')
  if (orders?.openNow) lines.push('Open the cast now')
  if (typeof options['ankle-ordered'] === 'number')
    lines.push(`Ankle at ${options['ankle-ordered']}°, ${describeAnkle(options['ankle-ordered'])}`)
  return lines
}
