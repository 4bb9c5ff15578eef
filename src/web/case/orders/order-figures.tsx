import { postures, spinePositions, type OrderKind } from '#core/model/orders'
import { ChoiceRow } from '../../parts/choice-row'
import { TextField } from '../../parts/text-field'

/** What is typed and chosen of an order, as text. */
export type OrderTyped = Readonly<Record<string, string>>

/** What an order of a kind says beside who gave it: its figures, its posture, or words. */
export function OrderFigures({ kind, typed, onType }: { kind: OrderKind; typed: OrderTyped; onType: (change: OrderTyped) => void }) {
  const field = (name: string, label: string, inputMode: 'text' | 'decimal' | 'numeric' = 'text') => (
    <TextField
      label={label}
      inputMode={inputMode}
      value={typed[name] ?? ''}
      maxLength={120}
      onChange={(event) => onType({ [name]: event.target.value })}
    />
  )
  switch (kind) {
    case 'brace':
      return (
        <div className="grid gap-3 sm:grid-cols-2">
          {field('extension', 'Extension stop, degrees', 'numeric')}
          {field('flexion', 'Flexion stop, degrees', 'numeric')}
          <ChoiceRow
            label="Lock"
            value={typed['lock'] ?? 'open'}
            choices={[
              { value: 'open', label: 'open' },
              { value: 'locked', label: 'locked' },
              { value: 'at', label: 'at an angle' },
            ]}
            onChange={(lock) => onType({ lock })}
          />
          {typed['lock'] === 'at' ? field('lockDeg', 'Locked at, degrees', 'numeric') : null}
        </div>
      )
    case 'spine':
    case 'posture':
      return (
        <ChoiceRow
          label={kind === 'spine' ? 'The spine may be' : 'The patient lies'}
          value={typed['posture'] ?? null}
          choices={(kind === 'spine' ? spinePositions : postures).map((value) => ({ value, label: value }))}
          onChange={(posture) => onType({ posture })}
        />
      )
    case 'pull':
      return field('kg', 'Pull, kg', 'decimal')
    case 'angle':
      return (
        <div className="grid gap-3 sm:grid-cols-2">
          {field('deg', 'Degrees', 'numeric')}
          {field('what', 'Of which joint, if you like')}
        </div>
      )
    case 'weight':
      return field('allowed', 'What is allowed, such as 20 kg')
    default:
      return field('what', 'What else was said, if you like')
  }
}
