import { Delete } from 'lucide-react'

const digits = ['7', '8', '9', '4', '5', '6', '1', '2', '3', '', '0'] as const

/** Ten digits and an eraser, each as large as a gloved thumb. */
export function Keypad({ onDigit, onErase }: { onDigit: (digit: string) => void; onErase: () => void }) {
  const look = 'min-h-14 rounded-2xl border border-line bg-sheet text-xl font-bold'
  return (
    <div role="group" aria-label="Digits" className="grid grid-cols-3 gap-2">
      {digits.map((digit, index) =>
        digit === '' ? (
          <span key={index} />
        ) : (
          <button key={digit} type="button" className={look} onClick={() => onDigit(digit)}>
            {digit}
          </button>
        ),
      )}
      <button type="button" aria-label="Erase the last digit" className={`${look} grid place-items-center`} onClick={onErase}>
        <Delete size={22} aria-hidden />
      </button>
    </div>
  )
}
