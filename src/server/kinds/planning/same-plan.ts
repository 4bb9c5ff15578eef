import type { Plan } from '#core/model/plan'

/**
 * Whether two plans say the same: words and order-free lists alike, numbers to one part in 10⁹. Two engines
 * may differ in the last bits of an exponential; anything a person could see is a difference.
 */
export function isSamePlan(a: Plan, b: Plan): boolean {
  return isAlike(inOrder(a), inOrder(b))
}

/** Decisions and cautions arrive in the order in which they were finished; order says nothing about content. */
function inOrder(plan: Plan): unknown {
  const decisions = [...plan.decisions].sort((a, b) => a.id.localeCompare(b.id))
  const cautions = [...plan.cautions].sort((a, b) => `${a.code}|${a.text}`.localeCompare(`${b.code}|${b.text}`))
  return { ...plan, decisions, cautions }
}

function isAlike(a: unknown, b: unknown): boolean {
  if (typeof a === 'number' && typeof b === 'number') return Math.abs(a - b) <= 1e-9 * Math.max(1, Math.abs(a), Math.abs(b))
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return a === b
  const [keysA, keysB] = [Object.keys(a), Object.keys(b)]
  if (Array.isArray(a) !== Array.isArray(b) || keysA.length !== keysB.length) return false
  return keysA.every((key) => Object.hasOwn(b, key) && isAlike((a as Record<string, unknown>)[key], (b as Record<string, unknown>)[key]))
}
