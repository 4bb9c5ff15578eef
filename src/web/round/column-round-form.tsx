import { useState } from 'react'
import type { RoundBody } from '#contract/events/round'
import { useDraft } from '../sync/use-draft'
import { Button } from '../parts/button'
import { ChoiceRow } from '../parts/choice-row'
import { Notice } from '../parts/notice'
import { RoundGrid } from './round-grid'
import { cannot, cannotReasons, columnItems, nerveRows, toColumnFindings, type RoundEntries } from './round-items'

/** One look at a neck or spine: what it does itself, then movement and feeling of all four limbs. */
export function ColumnRoundForm({
  watched,
  draftKey,
  isBaseline,
  cases,
  submitLabel,
  onSubmit,
}: {
  watched: 'neck' | 'spine'
  draftKey: string
  isBaseline: boolean
  cases: readonly string[]
  submitLabel: string
  onSubmit: (body: RoundBody) => void
}) {
  const [draft, setDraft] = useDraft(draftKey)
  const [error, setError] = useState<string | null>(null)
  const entries = (draft ? JSON.parse(draft) : {}) as RoundEntries
  const put = (changes: RoundEntries): void => setDraft(JSON.stringify({ ...entries, ...changes }))
  const own = columnItems(watched)
  const limbs = (['arm', 'leg'] as const).map((limb) => ({ limb, items: nerveRows(limb) }))
  const isCannot = Object.entries(entries).some(([key, value]) => key.includes('/') && value === cannot)
  const fillNormal = (): void => {
    const cells = [
      ...own.map((item) => [`column/${item.key}`, item.normal] as const),
      ...limbs.flatMap(({ limb, items }) =>
        (['left', 'right'] as const).flatMap((side) => items.map((item) => [`${limb}-${side}/${item.key}`, item.normal] as const)),
      ),
    ]
    put(Object.fromEntries(cells.filter(([key]) => !entries[key])))
  }
  const submit = (): void => {
    if (Object.keys(entries).every((key) => !key.includes('/'))) return setError('Nothing is entered: enter at least what you looked at.')
    if (isCannot && !entries['reason']) return setError('Say why something cannot be assessed: choose a reason below the list.')
    const findings = toColumnFindings(watched, entries, entries['reason'] ?? '')
    setDraft('')
    setError(null)
    onSubmit({ cases, isBaseline, outcome: 'done', reason: '', findings })
  }
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault()
        submit()
      }}
      className="grid gap-4"
      aria-label={isBaseline ? 'Baseline round' : 'Round'}
    >
      <div>
        <Button onClick={fillNormal}>The rest is normal</Button>
      </div>
      <RoundGrid
        items={own}
        columns={[{ key: 'column', head: watched === 'neck' ? 'Neck' : 'Trunk', label: '' }]}
        entries={entries}
        onPut={put}
      />
      {limbs.map(({ limb, items }) => (
        <section key={limb} aria-label={limb === 'arm' ? 'Arms' : 'Legs'}>
          <h3 className="mb-1 font-bold">{limb === 'arm' ? 'Arms' : 'Legs'}</h3>
          <RoundGrid
            items={items}
            columns={(['left', 'right'] as const).map((side) => ({
              key: `${limb}-${side}`,
              head: side.toUpperCase(),
              label: `${side} ${limb}`,
            }))}
            entries={entries}
            onPut={put}
          />
        </section>
      ))}
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
        {submitLabel}
      </Button>
    </form>
  )
}
