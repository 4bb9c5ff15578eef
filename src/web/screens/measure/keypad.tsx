import { Delete } from 'lucide-react'

const keys = ['7', '8', '9', '4', '5', '6', '1', '2', '3', '.', '0']
const unitKeys = [' cm', ' in', ' fw']

/** Large keys for gloved thumbs; the keyboard does the same. */
export function Keypad({ text, hasUnits = true, onType }: { text: string; hasUnits?: boolean; onType: (text: string) => void }) {
  return (
    <div role="group" aria-label="Keypad" className="grid max-w-md grid-cols-4 gap-1.5 select-none">
      <div className="col-span-3 grid grid-cols-3 gap-1.5">
        {keys.map((key) => (
          <Key key={key} label={key} onPress={() => onType(text + key)} />
        ))}
        <Key label="Rub out" icon={<Delete size={24} aria-hidden />} onPress={() => onType(text.slice(0, -1))} />
      </div>
      {hasUnits ? (
        <div className="grid gap-1.5">
          {unitKeys.map((unit) => (
            <Key key={unit} label={unit.trim()} isQuiet onPress={() => onType(text.trim() + unit)} />
          ))}
          <Key label="/" isQuiet onPress={() => onType(`${text}/`)} />
        </div>
      ) : null}
    </div>
  )
}

function Key({ label, icon, isQuiet, onPress }: { label: string; icon?: React.ReactNode; isQuiet?: boolean; onPress: () => void }) {
  return (
    <button
      type="button"
      aria-label={icon ? label : undefined}
      onMouseDown={(event) => event.preventDefault()}
      onClick={onPress}
      className={`grid min-h-12 place-items-center rounded-2xl border border-line text-xl font-semibold active:translate-y-px ${isQuiet ? 'bg-well' : 'bg-sheet'}`}
    >
      {icon ?? label}
    </button>
  )
}
