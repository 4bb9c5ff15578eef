import type { Decision } from '#core/model/decision'
import { decisionInRole } from '#core/techniques/decision-in-role'
import { useId } from 'react'
import { catalogue } from '#core/catalogue/catalogue'
import { comparePlans } from '#core/planner/compare-plans'
import { formatLength, type DisplayUnits } from '#core/planner/format-decision'
import type { Plan } from '#core/model/plan'
import type { CaseRecord } from '#contract/records/case'
import { Button } from '../../parts/button'

/** The width that may be tried among those in stock; undefined when the plan has none. */
export function widthDecision(plan: Plan): Decision | undefined {
  return decisionInRole(plan, 'width-on-trial')
}

/** Widths of the planned slab's kind that are in stock, ascending; empty when the plan has no slab. */
export function stockedWidths(record: CaseRecord, plan: Plan): readonly number[] {
  const slab = plan.materials.find((material) => material.id === 'slab')
  if (!slab || !widthDecision(plan)) return []
  const items = (record.store?.items ?? catalogue.items).filter((item) => item.item === slab.item && (item.count ?? 1) > 0)
  return [...new Set(items.flatMap((item) => item.widthCm ?? []))].sort((a, b) => a - b)
}

/** The slab's width dragged among those in stock: the sheet follows, and what would change is said. */
export function WidthTrial({
  plan,
  trial,
  widths,
  tried,
  units,
  onTry,
  onUse,
}: {
  plan: Plan
  trial: Plan | null
  widths: readonly number[]
  tried: number | null
  units: DisplayUnits
  onTry: (widthCm: number | null) => void
  onUse: (widthCm: number) => void
}) {
  const id = useId()
  const planned = widthDecision(plan)?.value
  const shown = tried ?? (typeof planned === 'number' ? planned : (widths[0] ?? 0))
  const at = widths.reduce((best, one, index) => (Math.abs(one - shown) < Math.abs((widths[best] ?? 0) - shown) ? index : best), 0)
  const changes = trial ? comparePlans(plan, trial).decisions.filter((decision) => decision.id !== widthDecision(plan)?.id) : []
  const pick = (index: number): void => {
    const width = widths[index]
    onTry(width === undefined || width === planned ? null : width)
  }
  return (
    <section aria-label="Try another width" className="grid gap-2 rounded-3xl border border-line bg-sheet p-4">
      <div className="flex flex-wrap items-baseline justify-between gap-3">
        <label htmlFor={id} className="font-bold">
          Try another width in stock
        </label>
        <output htmlFor={id} className="numeral text-lg">
          {formatLength(widths[at] ?? shown, units)}
        </output>
      </div>
      <input
        id={id}
        type="range"
        min={0}
        max={widths.length - 1}
        step={1}
        value={at}
        aria-valuetext={formatLength(widths[at] ?? shown, units)}
        onChange={(event) => pick(Number(event.target.value))}
        className="h-11 w-full accent-ink"
      />
      {tried !== null && trial ? (
        <>
          <ul className="grid gap-1 text-sm" aria-live="polite">
            {changes.map((change) => (
              <li key={change.id}>
                <span className="text-soft">{change.label}:</span> {change.before ?? '–'} → <strong>{change.after ?? '–'}</strong>
              </li>
            ))}
          </ul>
          <div className="flex flex-wrap gap-3">
            <Button onClick={() => onTry(null)}>Back to the plan</Button>
            <Button onClick={() => onUse(tried)}>Use {formatLength(tried, units)}</Button>
          </div>
        </>
      ) : (
        <p className="text-sm text-soft">Drag: the sheet, its gap, coverage and stiffness follow.</p>
      )}
    </section>
  )
}
