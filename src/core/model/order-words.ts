import { orderNames, type OrderKind, type SignedOrders } from './orders'

/** An order as one sentence that can be said back; what was withdrawn says so. Without who gave it. */
export function orderWords<Kind extends OrderKind>(kind: Kind, orders: SignedOrders): string {
  const order = orders[kind]
  if (!order) return ''
  if (order.withdrawn === true) return `${kind === 'weight' ? 'No weight' : `${orderNames[kind]}: no more`}: the order was withdrawn`
  return sentences[kind](orders)
}

const plain =
  (kind: OrderKind) =>
  (orders: SignedOrders): string => {
    const what = (orders[kind] as { readonly what?: string } | undefined)?.what
    return `${orderNames[kind]}${what ? `: ${what}` : ''}`
  }

const sentences: Readonly<Record<OrderKind, (orders: SignedOrders) => string>> = {
  weight: ({ weight }) => `Weight may be put on it: ${weight?.allowed ?? 'as ordered'}`,
  brace: ({ brace }) =>
    brace
      ? `Brace stops at ${brace.extensionStop}° and ${brace.flexionStop}°, ${typeof brace.lock === 'number' ? `locked at ${brace.lock}°` : `lock ${brace.lock}`}`
      : '',
  spine: ({ spine }) => `Spine: up to ${spine?.posture ?? ''}`,
  pull: ({ pull }) => `Pull ${pull?.kg ?? 0} kg`,
  angle: ({ angle }) => `${angle?.what || 'Angle'} at ${angle?.deg ?? 0}°`,
  posture: ({ posture }) => `Posture: ${posture?.posture ?? ''}`,
  countertraction: plain('countertraction'),
  leave: plain('leave'),
  loosen: plain('loosen'),
  cut: plain('cut'),
  close: plain('close'),
  fasting: plain('fasting'),
  noResuscitation: plain('noResuscitation'),
  atHome: () => 'At home it may be taken off and put on again',
}
