import { useState } from 'react'
import type { RemovedBody } from '#contract/events/case/removed'
import { endingWords, type EndingBody, type EndingWay, type HomeAdvice } from '#contract/records/ending'
import type { EpisodeRecord } from '#contract/records/episode'
import { movesUnder, movesUnderWords, skinsUnder, skinUnderWords, type MovesUnder, type SkinUnder } from '#contract/records/underneath'
import { ChoiceRow } from '../../parts/choice-row'
import { TextField } from '../../parts/text-field'
import { useDraft } from '../../sync/use-draft'
import { readEnding, type EndingFields } from './read-ending'
import { SheetForm } from '../../parts/sheet-form'

type Way = 'off' | Exclude<EndingWay, 'voided'>
const choices: readonly { value: Way; label: string }[] = [
  { value: 'off', label: 'Taken off' },
  { value: 'home', label: endingWords.home },
  { value: 'ward', label: endingWords.ward },
  { value: 'theatre', label: endingWords.theatre },
  { value: 'other-hospital', label: endingWords['other-hospital'] },
  { value: 'died', label: endingWords.died },
]

/** How the device's time, or the patient's, ends here: what has to be looked at or asked for each way. */
export function EndingSheet({
  caseId,
  episode,
  isOff,
  onClose,
  onOff,
  onEnd,
}: {
  caseId: string
  episode: EpisodeRecord
  /** The device is off already: it is not taken off again, and nobody goes home with it. */
  isOff: boolean
  onClose: () => void
  onOff: (body: RemovedBody) => void
  onEnd: (body: EndingBody) => void
}) {
  const [draft, setDraft] = useDraft(`case/${caseId}/ending`)
  const fields = (draft === '' ? {} : JSON.parse(draft)) as EndingFields
  const set = (change: EndingFields): void => {
    setError(null)
    setDraft(JSON.stringify({ ...fields, ...change }))
  }
  const [error, setError] = useState<string | null>(null)
  const livesAlone = episode.flags.includes('lives-alone')
  const keep = (): void => {
    const read = readEnding(fields)
    if (!read.ok) return setError(read.message)
    setDraft('')
    if (read.off) onOff(read.off)
    else onEnd(read.ended)
  }
  const offered = isOff ? choices.filter((choice) => choice.value !== 'off' && choice.value !== 'home') : choices
  return (
    <SheetForm
      title="How it ends"
      isWide
      error={error}
      sendLabel={endWords(fields.way)}
      sendLook="plain"
      backLabel="Not now"
      onSend={keep}
      onClose={onClose}
    >
      <ChoiceRow label="What happens" value={(fields.way as Way | undefined) ?? null} choices={offered} onChange={(way) => set({ way })} />
      {fields.way === 'off' ? (
        <>
          <ChoiceRow
            label="Skin under it"
            value={(fields.skin as SkinUnder | undefined) ?? null}
            choices={skinsUnder.map((value) => ({ value, label: skinUnderWords[value] }))}
            onChange={(skin) => set({ skin })}
          />
          <ChoiceRow
            label="Movement and feeling"
            value={(fields.moves as MovesUnder | undefined) ?? null}
            choices={movesUnder.map((value) => ({ value, label: movesUnderWords[value] }))}
            onChange={(moves) => set({ moves })}
          />
        </>
      ) : null}
      {fields.way === 'home' ? <HomeFields fields={fields} livesAlone={livesAlone} onChange={set} /> : null}
      {fields.way ? (
        <TextField
          label={fields.way === 'off' || fields.way === 'died' ? 'Reason' : 'Note (may stay empty)'}
          value={fields.note ?? ''}
          maxLength={300}
          onChange={(event) => set({ note: event.target.value })}
        />
      ) : null}
    </SheetForm>
  )
}

/** What the button does, in the words of the choice. */
function endWords(way: EndingFields['way']): string {
  const label = choices.find((choice) => choice.value === way)?.label
  return label ? `End it: ${label.charAt(0).toLowerCase()}${label.slice(1)}` : 'End it'
}

function HomeFields({
  fields,
  livesAlone,
  onChange,
}: {
  fields: EndingFields
  livesAlone: boolean
  onChange: (change: EndingFields) => void
}) {
  return (
    <div className="grid items-start gap-4 sm:grid-cols-2">
      <TextField
        label="Who helps at home"
        value={fields.helper ?? ''}
        maxLength={300}
        hint={livesAlone ? 'Lives alone: name who comes, and when.' : undefined}
        onChange={(event) => onChange({ helper: event.target.value })}
      />
      <ChoiceRow
        label="Stairs"
        value={(fields.stairs as HomeAdvice['stairs'] | undefined) ?? null}
        choices={[
          { value: 'none', label: 'none' },
          { value: 'can', label: 'tried, can' },
          { value: 'cannot', label: 'cannot' },
        ]}
        onChange={(stairs) => onChange({ stairs })}
      />
      <TextField
        label="Phone of the patient"
        type="tel"
        value={fields.phone ?? ''}
        maxLength={40}
        onChange={(event) => onChange({ phone: event.target.value })}
      />
      <TextField
        label="Number to call, day and night"
        type="tel"
        value={fields.callNumber ?? ''}
        maxLength={40}
        onChange={(event) => onChange({ callNumber: event.target.value })}
      />
      <ChoiceRow
        label="Walking aid"
        value={(fields.walkingAid as HomeAdvice['walkingAid'] | undefined) ?? null}
        choices={[
          { value: 'none', label: 'none' },
          { value: 'crutches', label: 'crutches' },
          { value: 'frame', label: 'frame' },
          { value: 'wheelchair', label: 'wheelchair' },
        ]}
        onChange={(walkingAid) => onChange({ walkingAid })}
      />
      <TextField
        label="Taught back: what the patient will come back for"
        value={fields.taughtBack ?? ''}
        maxLength={300}
        hint="In the patient’s own words, not ours."
        onChange={(event) => onChange({ taughtBack: event.target.value })}
      />
    </div>
  )
}
