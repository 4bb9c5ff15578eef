import { ChoiceRow } from '../parts/choice-row'
import { RoundTool } from './round-tool'
import { askedChoices, type RoundEntries } from './round-items'

/** Stands for the question being open: no reason is chosen yet. */
const choosing = 'choosing'

interface Props {
  readonly entries: RoundEntries
  readonly onPut: (entries: RoundEntries) => void
}

/** The way to say that the patient cannot answer: one button among those that fill many cells. */
export function CannotBeAskedTool({ entries, onPut }: Props) {
  return <RoundTool name="Cannot be asked" short="Not asked" onClick={() => onPut({ asked: entries['asked'] ? '' : choosing })} />
}

/** Why the patient cannot answer; nothing where they can. */
export function CannotBeAskedWhy({ entries, onPut }: Props) {
  if (!entries['asked']) return null
  return (
    <ChoiceRow
      label="Why the patient cannot be asked"
      value={entries['asked'] === choosing ? null : entries['asked']}
      choices={askedChoices}
      isSmall
      onChange={(asked) => onPut({ asked: asked === 'yes' ? '' : asked })}
    />
  )
}
