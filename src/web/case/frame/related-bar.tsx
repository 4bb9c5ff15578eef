import { Link } from 'react-router'
import { paths } from '#contract/api/paths'
import { isChangeAsked } from '#ward/case/change-asked'
import { wearWords, type RelatedAnswer, type RelatedCase } from '#ward/rounds/related-cases'
import { spoken } from '#core/model/vocabulary'
import type { OpenCase } from '../../sync/case-store'
import { useAnswer } from '../../sync/use-answer'
import { useNow } from '../../sync/use-now'

/** The other devices on this patient: what was on before this one, what is on beside it, and the way to each. */
export function RelatedBar({ open }: { open: OpenCase }) {
  const { answer } = useAnswer<RelatedAnswer>(paths.related(open.record.id))
  const now = useNow(30_000)
  const shown = (answer?.cases ?? []).filter((one) => one.relation !== 'other' || one.row.isOnBoard)
  const shut = answer?.shut ?? 0
  if (shown.length === 0 && shut === 0) return null
  return (
    <nav aria-label="Other devices on this patient" className="border-b border-line bg-paper">
      <ul className="mx-auto flex max-w-7xl flex-wrap gap-x-5 px-3 sm:px-6">
        {shown.map((related) => (
          <li key={related.row.caseId} className="min-w-0">
            <Link
              to={`/case/${related.row.caseId}/watch`}
              className="inline-flex min-h-11 flex-wrap content-center items-baseline gap-x-2 text-sm underline-offset-4 hover:underline"
            >
              <span className="text-soft">{leadOf(related)}</span>
              <strong className="underline decoration-line underline-offset-4">{nameOf(related)}</strong>
              <span className={related.row.level === 'urgent' ? 'font-bold text-stop' : 'text-soft'}>{aboutOf(related, now)}</span>
              {asks(open, related) ? <strong className="text-caution">{askWords[related.relation]}</strong> : null}
            </Link>
          </li>
        ))}
        {shut > 0 ? (
          <li className="inline-flex min-h-11 items-center text-sm text-soft">
            {shut === 1 ? 'One more device is' : `${shut} more devices are`} in a record that you are outside of: find it in the history and
            say why
          </li>
        ) : null}
      </ul>
    </nav>
  )
}

const askWords: Readonly<Record<RelatedCase['relation'], string>> = {
  replaces: 'Is it off? A clinician ends it there, with How it ends',
  'replaced-by': 'Is this one off? A clinician ends it here, with How it ends',
  other: '',
}

/** Whether one of the two went on in place of the other, and nobody who may say so has said that the old one is off. */
function asks({ record }: OpenCase, { relation, appliedAt, offAt }: RelatedCase): boolean {
  if (relation === 'replaces') return isChangeAsked({ appliedAt, offAt, replacementAt: record.appliedAt })
  return relation === 'replaced-by' && isChangeAsked({ appliedAt: record.appliedAt, offAt: record.removedAt, replacementAt: appliedAt })
}

function leadOf({ relation, appliedAt }: RelatedCase): string {
  if (relation === 'replaces') return 'Before it'
  if (relation === 'other') return 'Also'
  return appliedAt === null ? 'Being changed for' : 'Changed for'
}

function nameOf({ row }: RelatedCase): string {
  const part = [row.side, row.region ? spoken(row.region) : ''].filter(Boolean).join(' ')
  return part ? `${row.techniqueName}, ${part}` : row.techniqueName
}

function aboutOf(one: RelatedCase, now: number): string {
  const { row } = one
  if (one.relation === 'replaces') return wearWords(one, now)
  const standing = row.standingCount > 0 ? `${row.level}: ${row.finding ?? ''}` : ''
  return standing || (one.onSince === null ? 'not on yet' : one.offAt === null ? 'on' : 'off')
}
