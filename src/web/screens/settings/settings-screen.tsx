import { limits } from '#core/model/limits'
import { useState } from 'react'
import { isPairedDevice } from '#contract/rights'
import type { PersonSettings } from '#contract/records/person'
import { parseReading } from '#core/quantities/parse-reading'
import { toCm } from '#core/quantities/length'
import { formatLength } from '#core/planner/format-decision'
import { useDraft } from '../../sync/use-draft'
import { Button } from '../../parts/button'
import { ChoiceRow } from '../../parts/choice-row'
import { Notice } from '../../parts/notice'
import { TextField } from '../../parts/text-field'
import { saveSettings } from '../../sync/save-settings'
import { BoardSoundSettings } from './board-sound-settings'
import { OwnPlaces } from './own-places'
import { PasswordSettings } from './password-settings'
import { OwnSessions } from './own-sessions'
import { PinSettings } from './pin-settings'
import { SecondFactorSettings } from './second-factor-settings'
import { usePerson, useSession } from '../../sync/session-store'
import { Form } from '../../parts/form'

/** Units, theme, own places, sounds, and the own finger width. */
export function SettingsScreen() {
  const person = usePerson()
  const { signOut } = useSession()
  const { settings } = person
  return (
    <main id="main" className="page page-text grid content-start gap-7">
      <header>
        <h1 className="text-2xl font-bold">Settings</h1>
        <p className="text-soft">
          {person.name}, {person.roles.join(', ')}
        </p>
      </header>
      <ChoiceRow
        label="Lengths in"
        value={settings.units}
        choices={[
          { value: 'metric', label: 'Centimetres' },
          { value: 'inches', label: 'Inches' },
        ]}
        onChange={(units) => saveSettings({ ...settings, units })}
      />
      <ChoiceRow
        label="Light"
        value={settings.theme}
        choices={[
          { value: 'system', label: 'As the device' },
          { value: 'light', label: 'Light' },
          { value: 'dark', label: 'Dark, for night rounds' },
        ]}
        onChange={(theme) => saveSettings({ ...settings, theme })}
      />
      <BoardSoundSettings settings={settings} onSave={saveSettings} />
      {/* A paired device has no password of a person. */}
      {isPairedDevice(person.roles) ? null : (
        <>
          <PinSettings />
          <PasswordSettings />
          <SecondFactorSettings />
        </>
      )}
      <FingerWidth settings={settings} onSave={(fingerCm) => saveSettings({ ...settings, fingerCm })} />
      {/* Last: it waits for the ward, and pushes nothing away when it comes. */}
      <OwnPlaces settings={settings} onSave={saveSettings} />
      <Button onClick={() => void signOut()} className="justify-self-start">
        Sign out
      </Button>
      {isPairedDevice(person.roles) ? null : <OwnSessions />}
    </main>
  )
}

function FingerWidth({ settings, onSave }: { settings: PersonSettings; onSave: (fingerCm: number | null) => void }) {
  const [text, setText] = useDraft('settings/fingers')
  const [count, setCount] = useState<'2' | '3' | '4'>('4')
  const [error, setError] = useState<string>()
  const submit = (): void => {
    const parsed = parseReading(text)
    if (!parsed.ok) return setError(parsed.message)
    const perFinger = toCm(parsed.value, parsed.unit ?? 'cm') / Number(count)
    const { least, greatest } = limits.breadthCm
    if (perFinger < least || perFinger > greatest)
      return setError(`That makes ${perFinger.toFixed(1)} cm a finger; ${least} to ${greatest} is possible. Measure again.`)
    setError(undefined)
    setText('')
    onSave(Math.round(perFinger * 100) / 100)
  }
  return (
    <section aria-labelledby="fingers" className="grid gap-4 rounded-3xl border border-line bg-sheet p-5">
      <h2 id="fingers" className="text-lg font-bold">
        Own finger width
      </h2>
      {settings.fingerCm === null ? (
        <Notice tone="caution" lead="Not measured yet">
          Readings in finger widths count as 1.8 cm a finger, and say so.
        </Notice>
      ) : (
        <p className="text-lg">
          <span className="numeral text-2xl">{formatLength(settings.fingerCm, settings.units)}</span> a finger
        </p>
      )}
      <ChoiceRow
        label="Fingers held together"
        value={count}
        choices={[
          { value: '2', label: 'Two' },
          { value: '3', label: 'Three' },
          { value: '4', label: 'Four' },
        ]}
        onChange={setCount}
      />
      <Form onSend={submit} className="flex flex-wrap items-end gap-3">
        <TextField
          label="Breadth across them, at the middle joints"
          placeholder="7.2"
          inputMode="decimal"
          value={text}
          onChange={(event) => setText(event.target.value)}
          error={error}
          className="min-w-56 flex-1"
        />
        <Button type="submit" look="next">
          Save
        </Button>
      </Form>
    </section>
  )
}
