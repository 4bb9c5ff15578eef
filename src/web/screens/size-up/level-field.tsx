import { useState } from 'react'
import { parseReading } from '#core/quantities/parse-reading'
import { toCm } from '#core/quantities/length'
import type { InjuryRecord } from '#contract/records/episode'
import { TextField } from '../../parts/text-field'
import { useDraft } from '../../sync/use-draft'

/** The level of the injury as it is measured along the limb, for whoever has a tape in hand. */
export function LevelField({ caseId, injury, onSave }: { caseId: string; injury: InjuryRecord; onSave: (levelCm: number | null) => void }) {
  const [draft, setDraft, isRead] = useDraft(`case/${caseId}/level`)
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
      label="Level, cm up from heel sole or wrist crease"
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
