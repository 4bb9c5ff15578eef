import { mustsOf } from '../model/order-rule'
import type { StepMust } from '../model/step-must'
import { rolesIn, type StepRole } from '../model/step-role'
import type { Step } from '../model/step'
import type { Technique } from '../planner/technique'

/** What follows from which steps a procedure has, whatever they say. */
export interface StepShape {
  /** The roles of each step, in their order. */
  readonly roles: readonly (readonly StepRole[])[]
  /** What must come before each, by step id. */
  readonly musts: ReadonlyMap<string, readonly StepMust[]>
}

/** A technique has few shapes; one that is asked for more than this forgets the oldest. */
const mostShapes = 60
const known = new WeakMap<object, Map<string, StepShape>>()

/** The shape of a procedure, worked out once for each list of step ids: plans are made by the hundred while somebody types. */
export function shapeOfSteps({ roles: table, musts }: Pick<Technique, 'roles' | 'musts'>, steps: readonly Step[]): StepShape {
  const shapes = known.get(table) ?? new Map<string, StepShape>()
  known.set(table, shapes)
  let key = ''
  for (const { id } of steps) key += `${id}|`
  const before = shapes.get(key)
  if (before) return before
  const roles = steps.map(({ id }) => rolesIn(table, id) ?? [])
  const shape: StepShape = {
    roles,
    musts: mustsOf(
      musts,
      steps.map((step, at) => ({ ...step, roles: roles[at] ?? [] })),
    ),
  }
  if (shapes.size >= mostShapes) shapes.delete(shapes.keys().next().value ?? '')
  shapes.set(key, shape)
  return shape
}
