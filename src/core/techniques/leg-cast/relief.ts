import type { CrewWindow } from '../../model/crew-input'
import type { ClinicalCase } from '../../model/clinical-case'
import type { Step } from '../../model/step'
import { rolesIn } from '../../model/step-role'
import type { PlanDraft } from '../../planner/draft'
import type { OptionValues } from '../../planner/technique'
import { readDefaults } from '../../quantities/defaults'
import { wrapDefaults } from '../../figures/wraps/wrap-length'
import type { Mend } from '../shared/judge-minutes'
import type { CastFacts } from './cast-facts'
import { castParts, castWindows } from './cast-parts'
import { legCastSteps } from './procedure'
import { legCastRoles } from './roles'

/** The other orders of rolling, as they would be. */
export function orderMends(facts: CastFacts): readonly Mend[] {
  if (facts.options['order'] === 'lower-part-first') return []
  const options = { ...facts.options, order: 'lower-part-first' }
  const parts = castParts({ ...facts, options })
  const other = { ...facts, options, parts }
  return [
    {
      words: 'the lower part first',
      order: { steps: legCastSteps(other), windows: castWindows(parts, facts.set.workableShare) },
    },
  ]
}

/** One hand more, who wets each roll ahead: so much less for each. */
export function wetAhead(draft: PlanDraft, steps: readonly Step[], windows: readonly CrewWindow[]): Mend {
  const { wettingMin } = readDefaults(wrapDefaults, draft.ctx.protocol)
  const quicker = steps.map((step): Step => {
    if (!rolesIn(legCastRoles, step.id)?.includes('wets')) return step
    const [least, likely, most] = step.minutes
    return { ...step, minutes: [least - wettingMin, likely - wettingMin, most - wettingMin] }
  })
  return { words: 'one hand more, who wets each roll ahead', order: { steps: quicker, windows } }
}

/** What holds in the place of a hand that nobody has. */
export function handRelief(options: OptionValues, isLong: boolean): readonly string[] {
  const chest = options['foot-hold'] === 'own-chest' ? [] : ['hold the foot against your own chest']
  if (isLong) return [...chest, 'hang the knee in a sling from a beam, the foot as well', 'a short cast, where it will do']
  return [...chest, 'a prop under the calf, the foot in a sling from a beam']
}

/** What to change when hands or minutes are short: only what has not been taken already. */
export function castRelief(clinicalCase: ClinicalCase, options: OptionValues, isLong: boolean): readonly string[] {
  return [
    ...(options['foot-hold'] === 'own-chest' ? [] : ['hold the foot against your own chest']),
    ...(options['material'] === 'plaster-fast' ? ['take slow plaster'] : []),
    ...(isLong && options['order'] !== 'lower-part-first' ? ['do the lower part first'] : []),
    ...(clinicalCase.environment.waterC > 18 ? ['use cooler water'] : []),
  ]
}
