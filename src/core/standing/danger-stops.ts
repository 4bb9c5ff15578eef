import type { ActionId } from '../model/action'
import type { StandingItem } from '../model/standing'
import { onRoles } from '../model/step-role'
import { pulseAbsent, type DangerStop } from '../runs/what-binds'
import { dangerIn } from './judge-standing'
import { actionWords } from './action-words'
import { whatNow, type OnBody, type Situation } from './what-now'

/** Actions that open, ease or take off what is on; whoever calls and opens also opens to the skin. */
const opening: readonly ActionId[] = ['open-to-skin', 'open-collar-held', 'open-front', 'ease-pull', 'off-in-line', 'uncover']

/**
 * What stands about the patient as stops at steps of a run: a step that closes or tightens what a danger would have opened; with a
 * new loss from the cord every step, for a roll, a transfer or a run in hand is held; a limb without a pulse before anything goes on.
 * @param items what stands
 * @param device what the run puts on: a danger is met before it is on as it would be after
 */
export function dangerStops(items: readonly StandingItem[], situation: Situation, device: OnBody): readonly DangerStop[] {
  const alarming = items.filter(
    (item) => item.level === 'urgent' && item.settled === null && item.danger !== null && item.danger !== 'pain',
  )
  return alarming.flatMap((item): DangerStop[] => {
    const danger = dangerIn(item)
    const put = { ...situation, on: situation.on ?? device }
    const actions = whatNow([danger], put)
    const isOpened = actions.some((id) => opening.includes(id))
    if (danger.danger !== 'cord' && danger.danger !== 'arrest' && !isOpened) return []
    const now = whatNow([danger], situation)[0]
    const why = now ? `First: ${actionWords(now, situation, [danger])}` : ''
    const base = { text: `Not while this stands: ${item.text}`, why, isFixed: false, sinceMs: item.sinceMs }
    if (danger.danger === 'cord' || danger.danger === 'arrest') {
      // What the first look found holds up nothing that holds: only a roll or a transfer waits until one senior has heard of it.
      const at = danger.danger === 'cord' && danger.isAsAtFirst ? (['turns', 'transfers'] as const) : 'all'
      return [{ ...base, code: `danger-${danger.danger}`, needsCall: false, at }]
    }
    const isPulse = situation.on === null && danger.item === 'pulse'
    return [
      {
        ...base,
        code: isPulse ? pulseAbsent : `danger-${danger.danger}`,
        needsCall: isPulse,
        at: isPulse ? ['first-layer', ...onRoles] : onRoles,
      },
    ]
  })
}
