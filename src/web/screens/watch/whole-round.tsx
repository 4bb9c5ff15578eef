import { nameOfId, nameOfItem, listOfNames } from '#core/standing/item-names'
import type { JudgedRound } from '#ward/rounds/case-rounds'
import { cannot } from '../../round/round-items'
import { Button } from '../../parts/button'
import { entriesOf } from '../../round/last-entries'

/** A round as it was entered: what it found, what it left out, and every value by part. */
export function WholeRound({
  round,
  verdict = null,
  onCorrect,
}: {
  round: Pick<JudgedRound['round'], 'findings'>
  /** Null for one that counts no longer. */
  verdict?: JudgedRound['verdict'] | null
  onCorrect?: (() => void) | undefined
}) {
  const byColumn = new Map<string, string[]>()
  for (const [key, word] of Object.entries(entriesOf(round.findings, true))) {
    const [column = '', ...item] = key.split('/')
    const field = item.join('/')
    const name = nameOfItem(field === 'refillS' ? 'refill' : field)
    byColumn.set(column, [...(byColumn.get(column) ?? []), `${name} ${word === cannot ? 'cannot be assessed' : word}`])
  }
  return (
    <div className="grid gap-2 border-t border-line px-4 py-2.5">
      {verdict && verdict.findings.length > 0 ? (
        <ul>
          {verdict.findings.map((finding) => (
            <li key={`${finding.part}/${finding.item}`} className="font-semibold">
              {finding.level}: {nameOfId(finding.part)}, {finding.text}
            </li>
          ))}
        </ul>
      ) : null}
      {verdict && verdict.missing.length > 0 ? <p>Not looked at: {listOfNames(verdict.missing)}.</p> : null}
      <dl className="grid gap-x-3 gap-y-1 text-sm sm:grid-cols-[7rem_1fr]">
        {[...byColumn].map(([column, lines]) => (
          <div key={column} className="contents">
            <dt className="font-bold">{column === 'column' ? 'neck or trunk' : nameOfId(column)}</dt>
            <dd>{lines.join(' · ')}</dd>
          </div>
        ))}
      </dl>
      {onCorrect ? (
        <div>
          <Button onClick={onCorrect}>Put it right</Button>
        </div>
      ) : null}
    </div>
  )
}
