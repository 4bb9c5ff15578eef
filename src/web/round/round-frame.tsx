import { useState, type ReactNode } from 'react'
import type { RoundBody } from '#contract/events/round'
import { Button } from '../parts/button'
import { ChoiceRow } from '../parts/choice-row'
import { Notice } from '../parts/notice'
import { useDraft } from '../sync/use-draft'
import type { EverEntered } from './rest-is-normal'
import { cannot, cannotReasons, type RoundEntries } from './round-items'

/** What every round is given. */
export interface RoundProps {
  readonly draftKey: string
  readonly isBaseline: boolean
  readonly cases: readonly string[]
  readonly submitLabel: string
  /** What earlier rounds entered last, by item: it stands beside the entry. */
  readonly last?: RoundEntries
  /** What stands in it before anything is entered: a round that is put right. */
  readonly initial?: RoundEntries
  /** Everything that earlier rounds entered: what was ever abnormal is not called normal by one tap. */
  readonly ever?: EverEntered
  /** Blood may be lost: the circulation as a whole is asked too. */
  readonly asksVital?: boolean
  /** What else has to be there before it is sent, in words; null when it is. */
  readonly refuses?: () => string | null
  readonly onSubmit: (body: RoundBody) => void
}

/**
 * What a round is written in, whatever it looks at: entries that are kept on the device until they are sent, the reason for what cannot be
 * assessed, what is missing, and the way on.
 * @param missing what has to be entered before it can be sent, in words; null when enough is there
 * @param children what is looked at
 */
export function RoundFrame({
  round,
  missing,
  findings,
  children,
}: {
  round: RoundProps
  missing: (entries: RoundEntries) => string | null
  findings: (entries: RoundEntries) => RoundBody['findings']
  children: (entries: RoundEntries, put: (changes: RoundEntries) => void) => ReactNode
}) {
  const { isBaseline, cases } = round
  const [draft, setDraft] = useDraft(round.draftKey)
  const [error, setError] = useState<string | null>(null)
  const entries = (draft ? JSON.parse(draft) : (round.initial ?? {})) as RoundEntries
  const put = (changes: RoundEntries): void => setDraft(JSON.stringify({ ...entries, ...changes }))
  const isCannot = Object.entries(entries).some(([key, value]) => key.includes('/') && value === cannot)
  const submit = (): void => {
    const fault = missing(entries) ?? round.refuses?.() ?? null
    if (fault) return setError(fault)
    if (isCannot && !entries['reason']) return setError('Say why something cannot be assessed: choose a reason below the list.')
    setDraft('')
    setError(null)
    round.onSubmit({ cases, isBaseline, outcome: 'done', reason: '', findings: findings(entries) })
  }
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault()
        submit()
      }}
      className="grid gap-3"
      aria-label={isBaseline ? 'Baseline round' : 'Round'}
    >
      {children(entries, put)}
      {isCannot ? (
        <ChoiceRow
          label="Cannot be assessed because"
          value={entries['reason'] ?? null}
          choices={cannotReasons.map((value) => ({ value, label: value }))}
          onChange={(reason) => put({ reason })}
        />
      ) : null}
      {error ? <Notice tone="caution" lead={error} role="alert" /> : null}
      <Button type="submit" look="next" className="justify-self-end">
        {round.submitLabel}
      </Button>
    </form>
  )
}
