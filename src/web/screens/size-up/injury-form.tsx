import { useState } from 'react'
import { bodyRegionOf, isUsualIn, patterns, patternsOf, spoken, swellings, type Pattern, type Swelling } from '#core/model/vocabulary'
import type { InjuryRecord } from '#contract/records/episode'
import { ChoiceRow } from '../../parts/choice-row'

/** What kind of injury. */
export function PatternField({ injury, onPattern }: { injury: InjuryRecord; onPattern: (pattern: Pattern) => void }) {
  const [isAllShown, setAllShown] = useState(false)
  const { region, pattern } = injury
  const possible = region === null ? patterns : patternsOf(bodyRegionOf(region))
  const usual = region === null ? [] : possible.filter((one) => isUsualIn(one, region) || one === pattern)
  const shown = isAllShown ? possible : usual
  return (
    <section aria-label="Injury">
      <ChoiceRow
        label="Injury"
        value={pattern}
        choices={shown.map((value) => ({ value, label: spoken(value) }))}
        onChange={onPattern}
        more={
          possible.length > usual.length ? (
            <button
              type="button"
              onClick={() => setAllShown(!isAllShown)}
              className="min-h-11 px-2 font-semibold underline underline-offset-4"
            >
              {isAllShown ? 'Only the usual ones' : `${possible.length - usual.length} more kinds`}
            </button>
          ) : null
        }
      />
    </section>
  )
}

/**
 * How swollen it is.
 * @param isOpen nobody has said so yet
 */
export function SwellingField({
  swelling,
  isOpen,
  onSwelling,
}: {
  swelling: Swelling
  isOpen: boolean
  onSwelling: (swelling: Swelling) => void
}) {
  return (
    <ChoiceRow
      label="Swelling"
      value={isOpen ? null : swelling}
      choices={swellings.map((value) => ({ value, label: value }))}
      onChange={onSwelling}
    />
  )
}
