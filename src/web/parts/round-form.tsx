import { useState } from 'react'
import { otherSide, spoken, type Side } from '#core/case/vocabulary'
import type { RoundBody } from '#contract/episode-record'
import { useDraft } from '../hooks/use-draft'
import { Button } from './button'
import { ChoiceRow, ChoiceSet } from './choice-row'
import { Notice } from './notice'
import { alsoAsked, cannot, roundItems, skinWords, toFindings, type RoundEntries, type RoundItem } from './round-items'

const reasons = ['nerve block', 'sedated', 'asleep', 'confused', 'too young', 'dressing in the way']

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
      <div className="grid gap-x-4 gap-y-1 lg:grid-cols-[13rem_1fr_1fr]">
        <p className="hidden lg:block" aria-hidden />
        <p className="hidden font-bold lg:block">{injured.toUpperCase()}, injured</p>
        <p className="hidden font-bold lg:block">{sound.toUpperCase()}</p>
        {items.map((item) => (
          <div key={item.key} className="contents">
            <div className="border-t border-line pt-2 lg:self-center lg:py-2">
              <p className="font-semibold leading-tight">{item.label}</p>
              {item.how ? <p className="text-sm text-soft">{item.how}</p> : null}
            </div>
            {[injured, sound].map((side) => (
              <div key={side} className="min-w-0 py-1 lg:border-t lg:border-line lg:py-2">
                <p className="mb-0.5 text-sm font-semibold lg:hidden">
                  {side.toUpperCase()}
                  {side === injured ? ', injured' : ''}
                </p>
                <ItemCell
                  item={item}
                  label={`${item.label}, ${side}`}
                  value={entries[`${side}/${item.key}`] ?? ''}
                  onChange={(value) => put({ [`${side}/${item.key}`]: value })}
                />
              </div>
            ))}
          </div>
        ))}
      </div>
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
          choices={reasons.map((value) => ({ value, label: value }))}
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

function ItemCell({ item, label, value, onChange }: { item: RoundItem; label: string; value: string; onChange: (value: string) => void }) {
  const words = item.figure ? item.figure.quick.map(String) : item.words
  return (
    <div role="group" aria-label={label} className="flex flex-wrap gap-1">
      {[...words, cannot].map((word) => (
        <button
          key={word}
          type="button"
          aria-pressed={value === word}
          onClick={() => onChange(value === word ? '' : word)}
          className={`min-h-11 min-w-11 rounded-lg border px-2.5 leading-none ${value === word ? 'border-ink bg-ink font-bold text-paper' : 'border-line bg-sheet'} ${word === cannot && value !== word ? 'text-soft' : ''}`}
        >
          {word === cannot ? 'can’t' : word}
          {item.figure?.unit && word !== cannot ? <span className="ml-0.5 opacity-75">{item.figure.unit}</span> : null}
        </button>
      ))}
    </div>
  )
}
