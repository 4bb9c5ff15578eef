import type { PersonSettings } from '#contract/records/person'
import { ChoiceRow } from '../../parts/choice-row'
import { TextField } from '../../parts/text-field'

const off = { isOn: false, quietFrom: '', quietUntil: '' } as const

/** What the Board lets me hear; what is urgent sounds whatever is set. */
export function BoardSoundSettings({ settings, onSave }: { settings: PersonSettings; onSave: (settings: PersonSettings) => void }) {
  const sound = settings.sound ?? off
  const set = (change: Partial<NonNullable<PersonSettings['sound']>>): void => onSave({ ...settings, sound: { ...sound, ...change } })
  return (
    <section aria-labelledby="board-sound" className="grid gap-4 rounded-3xl border border-line bg-sheet p-5">
      <h2 id="board-sound" className="text-lg font-bold">
        Sound of the Board
      </h2>
      <p className="text-soft">Urgent always sounds and shakes, in quiet hours too, for as long as the Board is open.</p>
      <ChoiceRow
        label="What else presses: review, late work"
        value={sound.isOn ? 'on' : 'off'}
        choices={[
          { value: 'off', label: 'Silent' },
          { value: 'on', label: 'One tone' },
        ]}
        onChange={(value) => set({ isOn: value === 'on' })}
      />
      {sound.isOn ? (
        <div className="flex flex-wrap gap-3">
          <TextField label="Quiet from" type="time" value={sound.quietFrom} onChange={(event) => set({ quietFrom: event.target.value })} />
          <TextField
            label="Quiet until"
            type="time"
            value={sound.quietUntil}
            onChange={(event) => set({ quietUntil: event.target.value })}
          />
        </div>
      ) : null}
    </section>
  )
}
