import type { SeniorWord } from '#core/model/standing'
import { formatClock } from '../../parts/format-time'

/** What seniors said about what is urgent: each with the name, when, and when they are there. */
export function SeniorWords({ words }: { words: readonly SeniorWord[] }) {
  if (words.length === 0) return null
  return (
    <ul aria-label="What seniors said" className="grid gap-1 rounded-2xl border-2 border-ink bg-sheet p-3">
      {words.map((word) => (
        <li key={`${word.atMs} ${word.text}`} className="leading-snug font-semibold">
          {wordLine(word)}
          {word.how === 'telephone' ? (
            <span className="block text-sm font-normal text-soft">by telephone, entered by {word.enteredBy}</span>
          ) : null}
        </li>
      ))}
    </ul>
  )
}

/** "Otto Marlowe-Pike, 07:38: open it now; comes 07:48". */
export function wordLine({ by, atMs, text, comesAtMs }: SeniorWord): string {
  return `${by}, ${formatClock(atMs)}: ${text}${comesAtMs === null ? '' : `, there ${formatClock(comesAtMs)}`}`
}
