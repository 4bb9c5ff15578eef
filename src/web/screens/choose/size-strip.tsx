import type { Decision, SizeStrip, StripSize } from '#core/model/decision'
import { formatLength, type DisplayUnits } from '#core/planner/format-decision'

const height = 90
const samples = 96

/** The labelled ranges side by side with the doubt of the reading laid over them; odds of each below. */
export function SizeStripView({ decision, units }: { decision: Decision; units: DisplayUnits }) {
  const { strip } = decision
  if (!strip || strip.sizes.length === 0) return null
  const sd = Math.max(0.05, Math.hypot(strip.readingSdCm, strip.allowanceSdCm))
  const from = Math.min(strip.meanCm - 4 * sd, ...strip.sizes.map((size) => size.fromCm))
  const to = Math.max(strip.meanCm + 4 * sd, ...strip.sizes.map((size) => size.toCm))
  const share = (cm: number): number => (100 * (cm - from)) / (to - from)
  const likely = [...strip.sizes].sort((a, b) => b.odds - a.odds)
  return (
    <section aria-label={`${decision.label}: how sure`} className="grid gap-3 rounded-3xl border border-line bg-sheet p-4">
      <div className="flex flex-wrap items-baseline justify-between gap-x-4">
        <h2 className="font-bold">{decision.label}: how sure?</h2>
        <p className="text-sm text-soft">
          {strip.dimension} {formatLength(strip.meanCm, units)}
          {strip.allowanceSdCm > 0 ? ' with its allowance' : ''}
        </p>
      </div>
      <div aria-hidden>
        <Curves strip={strip} from={from} to={to} />
        <div className="relative h-9">
          {ladderOf(strip.sizes).map((size, index) => (
            <span
              key={size.size}
              className={`absolute top-0 h-4 border ${size.isUsed ? 'border-ink bg-citrus' : size.isInStock ? 'border-soft bg-well' : 'border-dashed border-soft'}`}
              style={{
                left: `${share(size.fromCm)}%`,
                width: `${share(size.toCm) - share(size.fromCm)}%`,
                top: index % 2 === 0 ? 0 : '1.1rem',
              }}
            />
          ))}
        </div>
      </div>
      <ul className="grid gap-1" aria-label="Odds of each labelled range">
        {likely.slice(0, 4).map((one) => (
          <StripLine key={one.size} size={one} units={units} />
        ))}
      </ul>
      <p className="text-sm text-soft">
        Filled: all doubt. Dashed: the tape alone, {formatLength(strip.readingSdCm, units)}
        {strip.allowanceSdCm > 0 ? `; swelling adds ${formatLength(strip.allowanceSdCm, units)}` : ''}. Odds of being in the labelled range,
        not that it fits.
      </p>
      {strip.isSettledByRemeasuring ? <p className="font-semibold text-caution">Measure again: half the doubt would settle it.</p> : null}
    </section>
  )
}

/** One of each range, ascending: the builds of one girth share theirs, and the planned one is drawn for them. */
function ladderOf(sizes: readonly StripSize[]): readonly StripSize[] {
  const byRange = new Map<string, StripSize>()
  for (const one of sizes) {
    const key = `${one.fromCm}-${one.toCm}`
    if (one.isUsed || !byRange.has(key)) byRange.set(key, one)
  }
  return [...byRange.values()].sort((a, b) => a.fromCm - b.fromCm)
}

function StripLine({ size, units }: { size: StripSize; units: DisplayUnits }) {
  return (
    <li className="grid grid-cols-[1fr_auto_3.5rem] items-center gap-3">
      <span className={size.isUsed ? 'font-bold' : ''}>
        {size.size}
        {size.isUsed ? <span className="ml-2 rounded-md bg-ink px-1.5 text-sm text-paper">planned</span> : null}
        {size.isInStock ? null : <span className="ml-2 text-sm font-semibold text-caution">out of stock</span>}
      </span>
      <span className="text-sm text-soft">
        {formatLength(size.fromCm, units)} to {formatLength(size.toCm, units)}
      </span>
      <span className="numeral text-right">{Math.round(100 * size.odds)} %</span>
    </li>
  )
}

/** Both bells over the same axis: reading alone, and with the allowance's doubt. */
function Curves({ strip, from, to }: { strip: SizeStrip; from: number; to: number }) {
  const all = Math.max(0.05, Math.hypot(strip.readingSdCm, strip.allowanceSdCm))
  const tape = Math.max(0.05, strip.readingSdCm)
  const bell = (sd: number): string =>
    Array.from({ length: samples + 1 }, (_, index) => {
      const cm = from + ((to - from) * index) / samples
      const y = height - (height - 6) * Math.exp(-0.5 * ((cm - strip.meanCm) / sd) ** 2)
      return `${index === 0 ? 'M' : 'L'}${((100 * index) / samples).toFixed(2)} ${y.toFixed(2)}`
    }).join(' ')
  return (
    <svg viewBox={`0 0 100 ${height}`} preserveAspectRatio="none" className="block h-24 w-full">
      <path d={`${bell(all)} L100 ${height} L0 ${height} Z`} fill="var(--citrus)" opacity="0.55" />
      <path d={bell(all)} fill="none" stroke="var(--ink)" strokeWidth="2" vectorEffect="non-scaling-stroke" />
      {strip.allowanceSdCm > 0 ? (
        <path d={bell(tape)} fill="none" stroke="var(--soft)" strokeWidth="2" strokeDasharray="5 4" vectorEffect="non-scaling-stroke" />
      ) : null}
    </svg>
  )
}
