import { useState } from 'react'
import { otherSide, spoken, type Side } from '#core/model/vocabulary'
import type { RoundBody } from '#contract/events/round'
import { useDraft } from '../sync/use-draft'
import { Button } from '../parts/button'
import { ChoiceRow, ChoiceSet } from '../parts/choice-row'
import { Notice } from '../parts/notice'
import { RoundGrid } from './round-grid'
import { alsoAsked, cannot, cannotReasons, roundItems, skinWords, toFindings, type RoundEntries } from './round-items'

/** One look at both sides: circulation, feeling, movement, pain. What is entered is kept on the device until it is sent. */
export function RoundForm({
  limb,
  injured,
  draftKey,
  isBaseline,
  cases,
  submitLabel,
  onSubmit,
}: {
  limb: 'leg' | 'arm'
  injured: Side
  draftKey: string
  isBaseline: boolean
  cases: readonly string[]
  submitLabel: string
  onSubmit: (body: RoundBody) => void
}) {
  const [draft, setDraft] = useDraft(draftKey)
  const [error, setError] = useState<string | null>(null)
  const entries = (draft ? JSON.parse(draft) : {}) as RoundEntries
  const sound = otherSide(injured)
  const items = roundItems(limb)
  const put = (changes: RoundEntries): void => setDraft(JSON.stringify({ ...entries, ...changes }))
  const isCannot = Object.entries(entries).some(([key, value]) => key.includes('/') && value === cannot)
  const fillNormal = (sides: readonly Side[]): void =>
    put(
      Object.fromEntries(
        sides.flatMap((side) =>
          items.filter((item) => !entries[`${side}/${item.key}`]).map((item) => [`${side}/${item.key}`, item.normal]),
        ),
      ),
    )
  const submit = (): void => {
    if (items.every((item) => !entries[`${injured}/${item.key}`]))
      return setError(`Nothing is entered for the ${injured} side: enter at least what you looked at.`)
    if (isCannot && !entries['reason']) return setError('Say why something cannot be assessed: choose a reason below the list.')
    setDraft('')
    setError(null)
    onSubmit({
      cases,
      isBaseline,
      outcome: 'done',
      reason: '',
      findings: {
        analgesia: entries['analgesia'] === 'yes',
        limbs: [injured, sound].map((side) => toFindings(limb, side, entries, entries['reason'] ?? '')),
      },
    })
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
      <div className="flex flex-wrap items-center gap-3">
        <Button onClick={() => fillNormal([sound])}>Rest of {sound} normal</Button>
        <Button onClick={() => fillNormal([injured, sound])}>Rest of both normal</Button>
        {isBaseline ? null : (
          <ChoiceRow
            label="Pain relief since the last round"
            value={entries['analgesia'] ?? 'no'}
            choices={[
              { value: 'no', label: 'No' },
              { value: 'yes', label: 'Yes' },
            ]}
            onChange={(analgesia) => put({ analgesia })}
          />
        )}
      </div>
      <RoundGrid
        items={items}
        columns={[injured, sound].map((side) => ({
          key: side,
          head: `${side.toUpperCase()}${side === injured ? ', injured' : ''}`,
          label: side,
        }))}
        entries={entries}
        onPut={put}
      />
      <div className="grid gap-4 border-t border-line pt-3 lg:grid-cols-2">
        <ChoiceSet
          label={`Also asked, ${injured}`}
          values={(entries[`${injured}/also`] ?? '').split(' ').filter(Boolean)}
          choices={alsoAsked}
          onChange={(values) => put({ [`${injured}/also`]: values.join(' ') })}
        />
        <div className="grid content-start gap-4">
          <ChoiceRow
            label={`Skin at the edges and over bone, ${injured}`}
            value={entries[`${injured}/skin`] ?? null}
            choices={skinWords.map((value) => ({ value, label: spoken(value) }))}
            onChange={(skin) => put({ [`${injured}/skin`]: skin })}
          />
          {entries[`${injured}/colour`] && entries[`${injured}/colour`] !== 'pink' ? (
            <ChoiceRow
              label="Is this colour usual for this patient?"
              value={entries[`${injured}/colourUsual`] ?? 'no'}
              choices={[
                { value: 'no', label: 'No' },
                { value: 'yes', label: 'Yes, usual' },
              ]}
              onChange={(colourUsual) => put({ [`${injured}/colourUsual`]: colourUsual })}
            />
          ) : null}
        </div>
      </div>
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
