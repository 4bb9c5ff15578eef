import { bodyRegionOf, patterns, patternsOf, regions, sides, spoken, swellings, type InjuryFlag, type Region } from '#core/model/vocabulary'
import type { InjuryRecord } from '#contract/records/episode'
import { useState } from 'react'
import { useDraft } from '../../sync/use-draft'
import { ChoiceRow, ChoiceSet } from '../../parts/choice-row'
import { TextField } from '../../parts/text-field'
import { parseReading } from '#core/quantities/parse-reading'
import { toCm } from '#core/quantities/length'

const questions: readonly { value: InjuryFlag; label: string }[] = [
  { value: 'fresh', label: 'Fresh, under 72 h' },
  { value: 'open', label: 'Open wound' },
  { value: 'pulse-absent', label: 'No pulse' },
  { value: 'skin-tented', label: 'Skin tented' },
  { value: 'numb', label: 'Numb' },
  { value: 'comminuted', label: 'Many fragments' },
  { value: 'high-energy', label: 'High energy' },
  { value: 'reduced-or-operated', label: 'Reduced or operated' },
  { value: 'wound-under-device', label: 'Wound under the device' },
  { value: 'no-sound-side', label: 'No sound side' },
  { value: 'pelvis-suspected', label: 'Pelvis suspected' },
  { value: 'hip-suspected', label: 'Hip suspected' },
  { value: 'knee-involved', label: 'Knee involved' },
  { value: 'ankle-involved', label: 'Ankle involved' },
  { value: 'foot-involved', label: 'Foot involved' },
  { value: 'part-amputation', label: 'Part amputation' },
  { value: 'penetrating', label: 'Penetrating' },
  { value: 'distal-femur', label: 'Low on the femur' },
  { value: 'pathological', label: 'Weak bone' },
]
/** Where, which side, what kind, how swollen. */
export function InjuryForm({ injury, onSave }: { injury: InjuryRecord; onSave: (injury: InjuryRecord) => void }) {
  const change = (changes: Partial<InjuryRecord>): void => onSave({ ...injury, ...changes })
  const isColumn = injury.region !== null && isColumnRegion(injury.region)
  return (
    <section aria-label="Injury" className="grid content-start gap-5">
      {isColumn ? null : (
        <ChoiceRow
          label="Side"
          value={injury.side}
          choices={sides.map((value) => ({ value, label: value.toUpperCase() }))}
          onChange={(side) => change({ side })}
        />
      )}
      <ChoiceRow
        label="Region"
        value={injury.region}
        choices={regions.map((value) => ({ value, label: spoken(value) }))}
        onChange={(region) => change(isColumnRegion(region) ? { region, side: null } : { region })}
      />
      <ChoiceRow
        label="Injury"
        value={injury.pattern}
        choices={(injury.region === null ? patterns : patternsOf(bodyRegionOf(injury.region))).map((value) => ({
          value,
          label: spoken(value),
        }))}
        onChange={(pattern) => change({ pattern })}
      />
      <ChoiceRow
        label="Swelling"
        value={injury.swelling}
        choices={swellings.map((value) => ({ value, label: value }))}
        onChange={(swelling) => change({ swelling })}
      />
      <ChoiceSet label="The injury is" values={injury.flags} choices={questions} onChange={(flags) => change({ flags })} />
      {isColumn ? null : <LevelField injury={injury} onSave={(levelCm) => change({ levelCm })} />}
    </section>
  )
}

/** Neck and trunk have no side and no level. */
export function isColumnRegion(region: Region): boolean {
  return region === 'neck' || region === 'trunk'
}

function LevelField({ injury, onSave }: { injury: InjuryRecord; onSave: (levelCm: number | null) => void }) {
  const [draft, setDraft, isRead] = useDraft('size-up/level')
  const [error, setError] = useState<string>()
  const [isTyping, setTyping] = useState(false)
  const shown = isTyping || (isRead && draft !== '') ? draft : injury.levelCm === null ? '' : String(injury.levelCm)
  const keep = (): void => {
    setTyping(false)
    if (draft.trim() === '') return setError(undefined)
    const parsed = parseReading(draft)
    if (!parsed.ok) return setError(parsed.message)
    const cm = toCm(parsed.value, parsed.unit ?? 'cm')
    if (cm < 0 || cm > 120) return setError('The level must lie between 0 and 120 cm: measure from the heel sole or the wrist crease.')
    setError(undefined)
    setDraft('')
    onSave(cm)
  }
  return (
    <TextField
      label="Level of the injury, cm up from heel sole or wrist crease (may stay empty)"
      inputMode="decimal"
      className="max-w-sm"
      value={shown}
      error={error}
      onFocus={() => {
        setTyping(true)
        setDraft(injury.levelCm === null ? draft : String(injury.levelCm))
      }}
      onChange={(event) => setDraft(event.target.value)}
      onBlur={keep}
    />
  )
}
