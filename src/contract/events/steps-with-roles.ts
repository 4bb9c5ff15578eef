import { rolesIn } from '#core/model/step-role'
import type { HeldThing } from '#core/model/step'
import { findTechnique } from '#core/techniques/registry'

type Loose = Readonly<Record<string, unknown>>

/** Steps of plans that were kept before steps had roles, where they go by another id today. */
const oldSteps: Readonly<Record<string, string>> = {}

/** What a kept hold is of: what a device of its kind holds there. */
const heldByPlace: Readonly<Record<string, HeldThing>> = {
  'hold-joint': 'knee',
  'hold-distal': 'foot',
  'hold-proximal': 'thigh',
  apply: 'break',
  fetch: 'break',
}

/** A kept plan whose steps say by roles what they do, and whose holds say what is held: rules see it as they see a plan of today. */
export function planWithRoles(body: unknown): unknown {
  const { plan, ...rest } = body as { readonly plan?: Loose }
  const procedure = plan?.['procedure'] as { readonly steps?: readonly Loose[] } | undefined
  if (!plan || !procedure?.steps) return body
  const technique = String(plan['technique'])
  return { ...rest, plan: { ...plan, procedure: { ...procedure, steps: procedure.steps.map((step) => withRoles(technique, step)) } } }
}

function withRoles(techniqueId: string, step: Loose): Loose {
  const technique = findTechnique(techniqueId)
  const id = String(step['id'])
  const roles = step['roles'] ?? rolesIn(technique?.roles ?? {}, oldSteps[id] ?? id) ?? []
  const hold = step['holds'] as Loose | null | undefined
  if (!hold || hold['what'] !== undefined) return { ...step, roles }
  const holds = technique?.onUrgent.holds
  const isWhole = holds === 'head' || (holds === 'pull' && hold['place'] === 'hold-distal')
  const what = isWhole ? holds : heldByPlace[String(hold['place'])]
  return { ...step, roles, holds: { ...hold, what: what ?? 'break' } }
}
