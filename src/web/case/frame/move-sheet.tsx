import { useState } from 'react'
import { paths } from '#contract/api/paths'
import type { WardAnswer } from '#contract/api/pager'
import type { BoardAnswer } from '#contract/api/board'
import { ButtonLink } from '../../parts/button'
import { ChoiceRow } from '../../parts/choice-row'
import { Notice } from '../../parts/notice'
import { TextField } from '../../parts/text-field'
import { writeEvent, type OpenCase } from '../../sync/case-store'
import { currentDurable } from '../../sync/session-store'
import { lastPlaceKey } from '../../sync/last-place'
import { useAnswer } from '../../sync/use-answer'
import { offeredPlaces, whoIsAt } from '../run/places'
import { SheetForm } from '../../parts/sheet-form'
import { missingIn } from '../../parts/required'

/** Where the patient goes: a place as it is known from the Board, or typed; a transfer begins the rounds anew. */
export function MoveSheet({ open, onClose }: { open: OpenCase; onClose: () => void }) {
  const { record, episode } = open
  const [place, setPlace] = useState(episode.place)
  const [isTransfer, setTransfer] = useState('no')
  const [error, setError] = useState<string>()
  const [isSeen, setSeen] = useState(false)
  const { answer: board } = useAnswer<BoardAnswer>(paths.board)
  const { answer: ward } = useAnswer<WardAnswer>(paths.ward)
  const rows = board?.rows ?? []
  const others = rows.filter((row) => row.episodeId !== episode.id)
  const taken = whoIsAt(others, place)
  const isOn = record.appliedAt !== null && record.removedAt === null
  const move = (): void => {
    const to = place.trim()
    const missing = missingIn('move', { to })
    if (missing) return setError(missing)
    if (to === episode.place) return onClose()
    if (taken && !isSeen) return setSeen(true)
    void currentDurable()?.writeDraft(lastPlaceKey, to)
    void writeEvent('place', { place: to, ...(isOn && isTransfer === 'yes' ? { isTransfer: true } : {}) })
    onClose()
  }
  return (
    <SheetForm
      title="Where the patient is"
      sendLabel={taken && isSeen ? 'Move all the same' : 'Move'}
      backLabel="Stay"
      onSend={move}
      onClose={onClose}
    >
      <TextField
        label="Place"
        value={place}
        maxLength={60}
        error={error}
        onChange={(event) => {
          setError(undefined)
          setSeen(false)
          setPlace(event.target.value)
        }}
      />
      <ul aria-label="Places" className="flex flex-wrap gap-1.5">
        {offeredPlaces(ward?.ward.areas ?? [], others, place).map((offeredPlace) => (
          <li key={offeredPlace}>
            <button
              type="button"
              className="min-h-11 rounded-xl border-[1.5px] border-line bg-sheet px-3.5"
              onClick={() => {
                setSeen(false)
                setPlace(offeredPlace)
              }}
            >
              {offeredPlace}
            </button>
          </li>
        ))}
      </ul>
      {isOn ? (
        <ChoiceRow
          label="Transferred to another team"
          value={isTransfer}
          choices={[
            { value: 'no', label: 'no, another bed' },
            { value: 'yes', label: 'yes: rounds begin anew' },
          ]}
          onChange={setTransfer}
        />
      ) : null}
      <p>
        To another crew or house:{' '}
        <ButtonLink look="quiet" to={`/case/${open.record.id}/card`}>
          Receiver’s card
        </ButtonLink>
      </p>
      {taken && isSeen ? (
        <Notice tone="caution" lead={`${place.trim()} has ${taken} by the Board.`} role="alert">
          Look whether that still holds; then move all the same, or choose another place.
        </Notice>
      ) : null}
    </SheetForm>
  )
}
