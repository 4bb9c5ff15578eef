import { roomDefaults } from '#core/figures/swelling/room'
import type { Bed, DrillState, NightEntry } from '#core/practice/drill/drill-state'
import { msOf, standBed } from '#core/practice/drill/judge-bed'
import { defaultProtocol, readDefaults } from '#core/quantities/defaults'
import type { Level } from '#core/model/finding'
import { useNarrow } from '../../../parts/use-narrow'
import { clockOf } from './clock-of-night'

const wide = 520
const narrow = 340
const left = 26
const chartHeight = 96
const stripTop = chartHeight + 8
const stripHeight = 12
/** The scale ends here, kPa: what is above is worse than it can show. */
const mostKPa = 9

const marks: Partial<Readonly<Record<NightEntry['kind'], { readonly sign: string; readonly word: string }>>> = {
  look: { sign: '●', word: 'looked' },
  check: { sign: '+', word: 'checked skin or weights' },
  open: { sign: '◇', word: 'opened or eased' },
  call: { sign: '▲', word: 'called' },
  senior: { sign: '■', word: 'the senior' },
  rings: { sign: '♪', word: 'rang' },
}
const levelFill: Readonly<Record<Level, string>> = {
  none: 'fill-well',
  known: 'fill-well',
  warn: 'fill-caution',
  review: 'fill-caution',
  urgent: 'fill-stop',
}

/** One bed through the night: the pressure that was there with the limit, what was done, and below it what stood by what was written down. */
export function DrillTimeline({ state, bed }: { state: DrillState; bed: Bed }) {
  const width = useNarrow() ? narrow : wide
  const { limitKPa } = readDefaults(roomDefaults, defaultProtocol)
  const endMin = state.night.hours * 60
  const x = (atMin: number): number => left + ((width - left - 4) * atMin) / endMin
  const y = (kPa: number): number => chartHeight - (chartHeight - 14) * (Math.min(mostKPa, kPa) / mostKPa)
  const entries = state.log.filter((entry) => entry.bed === bed.body.bed && marks[entry.kind])
  const verdicts = standBed(state.night, bed.body, bed.record).verdicts.map((verdict) => ({
    atMin: verdict.atMin - Math.floor(msOf(state.night, 0) / 60_000),
    level: verdict.level,
  }))
  const strips = verdicts
    .map((verdict, index) => ({ ...verdict, toMin: verdicts[index + 1]?.atMin ?? endMin }))
    .filter((one) => one.toMin > 0)
  const { aboveMin, late, needless, unanswered } = bed.tally
  const lost = [
    ...(aboveMin > 0 ? [`${aboveMin} min above ${limitKPa} kPa`] : []),
    ...(unanswered > 0 ? [`${unanswered} urgent not answered`] : []),
    ...(needless > 0 ? [`${needless} needless opening`] : []),
    ...(late > 0 ? [`${late} late`] : []),
  ].join(', ')
  const hours = Array.from({ length: Math.floor(state.night.hours / 2) + 1 }, (_, index) => index * 120)
  return (
    <figure className="grid gap-1 rounded-2xl border border-line bg-sheet p-3 break-inside-avoid">
      <figcaption className="flex flex-wrap justify-between gap-x-3">
        <span>
          <strong>Bed {bed.body.bed}</strong> <span className="text-soft">{bed.body.words}</span>
        </span>
        <span className={lost ? 'font-semibold' : 'text-soft'}>{lost || 'nothing lost'}</span>
      </figcaption>
      <svg
        viewBox={`0 0 ${width} ${stripTop + stripHeight + 16}`}
        role="img"
        aria-label={`Bed ${bed.body.bed}: highest ${Math.max(...bed.history.map((one) => one.pressureKPa)).toFixed(1)} kPa, ${aboveMin} minutes above ${limitKPa}; ${entries.map((entry) => `${clockOf(state, entry.atMin)} ${marks[entry.kind]?.word ?? ''}`).join(', ')}`}
        className="w-full select-none text-[13px]"
      >
        <rect x={left} y={y(mostKPa)} width={width - left - 4} height={y(limitKPa) - y(mostKPa)} className="fill-stop-wash" />
        <line x1={left} x2={width - 4} y1={y(limitKPa)} y2={y(limitKPa)} className="stroke-stop" strokeDasharray="4 3" />
        {[0, limitKPa, 8].map((kPa) => (
          <text key={kPa} x={left - 5} y={y(kPa) + 4} textAnchor="end" className="fill-soft">
            {kPa}
          </text>
        ))}
        <path
          d={bed.history
            .map((one, index) => `${index === 0 ? 'M' : 'L'}${x(one.atMin).toFixed(1)} ${y(one.pressureKPa).toFixed(1)}`)
            .join('')}
          fill="none"
          className="stroke-ink"
          strokeWidth={2}
        />
        {entries.map((entry) => (
          <text key={`${entry.kind} ${entry.atMin}`} x={x(entry.atMin)} y={10} textAnchor="middle" className="fill-ink">
            {marks[entry.kind]?.sign}
          </text>
        ))}
        {strips.map((strip) => (
          <rect
            key={strip.atMin}
            x={x(Math.max(0, strip.atMin))}
            y={stripTop}
            width={Math.max(0, x(strip.toMin) - x(Math.max(0, strip.atMin)))}
            height={
              strip.level === 'urgent'
                ? stripHeight
                : strip.level === 'none' || strip.level === 'known'
                  ? stripHeight * 0.4
                  : stripHeight * 0.7
            }
            className={levelFill[strip.level]}
          />
        ))}
        {hours.map((atMin) => (
          <text
            key={atMin}
            x={x(atMin)}
            y={stripTop + stripHeight + 13}
            textAnchor={atMin === 0 ? 'start' : atMin === endMin ? 'end' : 'middle'}
            className="fill-soft"
          >
            {clockOf(state, atMin)}
          </text>
        ))}
      </svg>
      <p className="text-[0.8rem] text-soft">
        {[...new Set(entries.map((entry) => entry.kind))]
          .map((kind) => `${marks[kind]?.sign ?? ''} ${marks[kind]?.word ?? ''}`)
          .join('   ')}
        {entries.length === 0 ? 'Nobody came.' : ''}
      </p>
    </figure>
  )
}
