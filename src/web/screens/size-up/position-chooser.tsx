import { rankPositions } from '#core/techniques/rank-positions'
import { toClinicalCase } from '#ward/case/clinical-case'
import type { OpenCase } from '../../sync/case-store'

/** Positions for a lower limb: those offered as a choice, with why of the chosen one; those refused in words. */
export function PositionChooser({ open, value, onChoose }: { open: OpenCase; value: string; onChoose: (position: string) => void }) {
  const clinicalCase = toClinicalCase(open.record, open.episode)
  const ranked = rankPositions(clinicalCase, clinicalCase.crew.people)
  const chosen = ranked.find((position) => position.id === value)
  return (
    <details className="self-end rounded-2xl border border-line px-4 open:lg:col-span-3">
      <summary className="min-h-12 content-center py-1 font-semibold">
        Position{' '}
        <span className={`font-normal ${chosen?.refused ? 'text-caution' : 'text-soft'}`}>
          {chosen?.label.toLowerCase()}
          {chosen?.refused ? `: not here, ${chosen.refused}` : chosen?.isPreferred ? ', as suggested' : ''}
        </span>
      </summary>
      <div className="flex flex-wrap gap-1.5">
        {ranked
          .filter((position) => position.refused === null || position.id === value)
          .map((position) => (
            <button
              key={position.id}
              type="button"
              aria-pressed={position.id === value}
              title={position.why}
              onClick={() => onChoose(position.id)}
              className={`min-h-11 rounded-xl border-[1.5px] px-3.5 leading-tight ${position.id === value ? 'border-ink bg-ink font-bold text-paper' : 'border-line bg-sheet'}`}
            >
              {position.label}
              {position.isPreferred ? <span className="ml-1.5 text-[0.8rem] font-semibold opacity-80">suggested</span> : null}
            </button>
          ))}
      </div>
      {chosen ? <p className="mt-1 pb-2 text-sm text-soft">{chosen.why}</p> : null}
      {ranked
        .filter((position) => position.refused !== null)
        .map((position) => (
          <p key={position.id} className="pb-2 text-sm font-semibold text-caution">
            Not {position.label.toLowerCase()}: {position.refused}
          </p>
        ))}
    </details>
  )
}
