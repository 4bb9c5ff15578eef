/** A result: its figure, and in word and shape whether anything critical happened. */
export function Mark({ total, hasPassed }: { total: number; hasPassed: boolean }) {
  return (
    <span className={`numeral font-bold whitespace-nowrap ${hasPassed ? 'text-calm' : 'text-stop'}`}>
      {hasPassed ? '●' : '◆'} {total.toFixed(1)}
      <span className="sr-only">{hasPassed ? ', passed' : ', failed'}</span>
    </span>
  )
}
