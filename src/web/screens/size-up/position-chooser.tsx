import { rankPositions } from '#core/techniques/rank-positions'
import { toClinicalCase } from '#contract/views/clinical-case'
import type { OpenCase } from '../../sync/case-store'

/** Positions for a lower limb: offered ones first, refused ones with why. */
export function PositionChooser({ open, value, onChoose }: { open: OpenCase; value: string; onChoose: (position: string) => void }) {
  const clinicalCase = toClinicalCase(open.record, open.episode)
  const ranked = rankPositions(clinicalCase, clinicalCase.crew.people)
  return (
    <fieldset>
      <legend className="mb-1.5 text-sm font-semibold text-soft">Position</legend>
      <ul className="grid gap-1.5 sm:grid-cols-2">
        {ranked.map((one) => (
          <li key={one.id}>
            <button
              type="button"
              aria-pressed={one.id === value}
              disabled={one.refused !== null}
              onClick={() => onChoose(one.id)}
              className={`h-full min-h-14 w-full rounded-xl border-[1.5px] px-3.5 py-1.5 text-left leading-tight ${one.id === value ? 'border-ink bg-ink text-paper' : 'border-line bg-sheet'} disabled:border-dashed disabled:bg-transparent`}
            >
              <span className="font-bold">{one.label}</span>
              {one.isPreferred ? <span className="ml-2 text-sm font-semibold opacity-80">suggested</span> : null}
              <span className={`block text-sm ${one.refused ? 'font-semibold text-caution' : 'opacity-80'}`}>
                {one.refused ? `Not here: ${one.refused}` : one.why}
              </span>
            </button>
          </li>
        ))}
      </ul>
    </fieldset>
  )
}
