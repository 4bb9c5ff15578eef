import { useState } from 'react'
import { Link } from 'react-router'
import type { CaseEffect } from '#contract/api/protocols'
import { Button } from '../../parts/button'

const fewLines = 4

/** What a protocol would change case by case; those for which nothing would are counted, and listed only where they can be moved. */
export function EffectList({ cases, onMove }: { cases: readonly CaseEffect[]; onMove?: (effect: CaseEffect) => void }) {
  const changed = cases.filter((one) => one.words.length > 0)
  const same = cases.length - changed.length
  return (
    <div className="grid gap-3">
      <p className="font-semibold" role="status">
        {changed.length === 0 ? 'Nothing would change for any live case.' : `${changed.length} of ${cases.length} live cases would change`}
        {changed.length > 0 && same > 0 ? `, ${same} would not.` : changed.length > 0 ? '.' : ''}
      </p>
      <ul className="grid gap-3">
        {(onMove ? cases : changed).map((one) => (
          <li key={one.caseId} className="rounded-xl border border-line p-3">
            <EffectOfCase effect={one} {...(onMove ? { onMove } : {})} />
          </li>
        ))}
      </ul>
    </div>
  )
}

function EffectOfCase({ effect, onMove }: { effect: CaseEffect; onMove?: (effect: CaseEffect) => void }) {
  const { caseId, patient, place, techniqueName, from, words } = effect
  const [isWhole, setWhole] = useState(false)
  const shown = isWhole ? words : words.slice(0, fewLines)
  return (
    <>
      <div className="flex flex-wrap items-baseline justify-between gap-x-3">
        <Link to={`/case/${caseId}/watch`} className="inline-flex min-h-11 items-center font-bold underline">
          {patient}
        </Link>
        <span className="text-soft">
          {place}, {techniqueName}, {from}
        </span>
      </div>
      {words.length === 0 ? <p className="text-soft">Nothing would change.</p> : null}
      <ul className="list-disc pl-5 text-[0.95rem]">
        {shown.map((line, index) => (
          <li key={index}>{line}</li>
        ))}
      </ul>
      <div className="flex flex-wrap gap-2">
        {words.length > shown.length ? (
          <Button look="quiet" onClick={() => setWhole(true)}>
            {words.length - shown.length} more for {patient}
          </Button>
        ) : null}
        {onMove ? <Button onClick={() => onMove(effect)}>Move {patient} to the version in force</Button> : null}
      </div>
    </>
  )
}
