import { skinWords } from '#core/model/round-items'
import { spoken, type Side } from '#core/model/vocabulary'
import { ChoiceRow, ChoiceSet } from '../parts/choice-row'
import { alsoAsked, tickAlso, type RoundEntries } from './round-items'

interface Props {
  readonly injured: Side
  readonly entries: RoundEntries
  readonly onPut: (changes: RoundEntries) => void
}

/** Whether something was given against the pain since the last round; not asked, nothing of it is kept. */
export function PainRelief({ entries, onPut }: Omit<Props, 'injured'>) {
  return (
    <ChoiceRow
      label="Pain relief since the last round"
      value={entries['analgesia'] ?? null}
      choices={[
        { value: 'no', label: 'No' },
        { value: 'yes', label: 'Yes' },
      ]}
      isSmall
      onChange={(analgesia) => onPut({ analgesia })}
    />
  )
}

/** The skin of the injured limb, where something may press on it. */
export function SkinWork({ injured, isBare, entries, onPut }: Props & { isBare: boolean }) {
  return (
    <ChoiceRow
      label={isBare ? `Skin over bone, ${injured}` : `Skin at the edges and over bone, ${injured}`}
      value={entries[`${injured}/skin`] ?? null}
      choices={skinWords.map((value) => ({ value, label: spoken(value) }))}
      isSmall
      onChange={(skin) => onPut({ [`${injured}/skin`]: skin })}
    />
  )
}

/** Whether a colour that is not pink is this patient's own; nothing where it is pink or open. */
export function ColourUsual({ injured, entries, onPut }: Props) {
  const colour = entries[`${injured}/colour`]
  if (!colour || colour === 'pink') return null
  return (
    <ChoiceRow
      label="Is this colour usual for this patient?"
      value={entries[`${injured}/colourUsual`] ?? 'no'}
      choices={[
        { value: 'no', label: 'No' },
        { value: 'yes', label: 'Yes, usual' },
      ]}
      isSmall
      onChange={(colourUsual) => onPut({ [`${injured}/colourUsual`]: colourUsual })}
    />
  )
}

/** What is asked of the injured limb beyond the list. */
export function AlsoAsked({ watched, injured, isBare, entries, onPut }: Props & { watched: 'leg' | 'arm'; isBare: boolean }) {
  const also = (entries[`${injured}/also`] ?? '').split(' ').filter(Boolean)
  return (
    <ChoiceSet
      label={`Also asked, ${injured}`}
      values={also}
      choices={alsoAsked(watched, isBare)}
      isSmall
      onChange={(values) => onPut({ [`${injured}/also`]: tickAlso(also, values).join(' ') })}
    />
  )
}
