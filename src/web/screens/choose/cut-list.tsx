import { useWords } from '../../sync/use-words'
import type { DisplayUnits } from '#core/planner/format-decision'
import type { Plan } from '#core/model/plan'
import { describeMaterial, layOutOrder } from '#core/planner/describe-material'

/** What to cut and fetch for this plan, with what is wasted where the roll widths say so. */
export function CutList({ plan, units }: { plan: Plan; units: DisplayUnits }) {
  const say = useWords()
  if (plan.materials.length === 0) return null
  return (
    <section aria-labelledby="cut-list" className="grid gap-2">
      <h2 id="cut-list" className="font-bold">
        Cut and fetch
      </h2>
      <ul className="divide-y divide-line rounded-2xl border border-line bg-sheet">
        {[...plan.materials]
          .sort((a, b) => layOutOrder(a) - layOutOrder(b))
          .map((material) => (
            <li key={material.id} className="px-4 py-2.5">
              <span className="font-semibold">{describeMaterial(material, units)}</span>
              {material.note ? <span className="block text-sm text-soft">{say(material.note)}</span> : null}
            </li>
          ))}
      </ul>
    </section>
  )
}
