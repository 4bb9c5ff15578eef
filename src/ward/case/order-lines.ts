import { describeAnkle } from '#core/techniques/families/slab/ankle'
import { orderWords } from '#core/model/order-words'
import { orderKinds } from '#core/model/orders'
import type { CaseRecord } from '#contract/records/case'

/** What has been ordered for a case, each as one sentence that can be said back. */
export function orderLines({ orders = {}, options }: Pick<CaseRecord, 'orders' | 'options'>): readonly string[] {
  const lines: string[] = orderKinds.flatMap((kind) => (orders[kind] ? [orderWords(kind, orders)] : []))
  if (orders.wedges?.length) lines.push(`Heel wedges: ${orders.wedges.map((wedge) => `${wedge.count} from week ${wedge.week}`).join(', ')}`)
  if (orders.oxygen && orders.oxygen !== 'none') lines.push(`Oxygen by ${orders.oxygen}`)
  if (orders.woundPlan) lines.push('The wound has a plan')
  if (orders.openNow) lines.push('Open the cast now')
  if (typeof options['ankle-ordered'] === 'number')
    lines.push(`Ankle at ${options['ankle-ordered']}°, ${describeAnkle(options['ankle-ordered'])}`)
  return lines
}
