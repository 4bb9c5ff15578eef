import type { DisplayUnits } from '#core/planner/format-decision'
import type { Point } from '#core/drawing/points'

interface RulerProps {
  readonly from: Point
  readonly lengthCm: number
  readonly pxPerCm: number
  readonly units: DisplayUnits
}

const letterPx = 13
/** Least room between two numbers, px. */
const apartPx = 34

/** Marks every 5 cm or 2 inches, and a number at every so manieth that they stand apart. */
function marksOf({ lengthCm, pxPerCm, units }: RulerProps): readonly { readonly px: number; readonly word: string | null }[] {
  const stepCm = units === 'metric' ? 5 : 5.08
  const every = Math.max(2, Math.ceil(apartPx / (stepCm * pxPerCm)))
  return Array.from({ length: Math.floor(lengthCm / stepCm) + 1 }, (_, index) => ({
    px: index * stepCm * pxPerCm,
    word: index % every === 0 ? `${index * (units === 'metric' ? 5 : 2)}${index === 0 ? (units === 'metric' ? ' cm' : ' in') : ''}` : null,
  }))
}

/** A ruler under a lying limb, in the reader's units, from its 0. */
export function LyingRuler(props: RulerProps) {
  const [x, y] = props.from
  const marks = marksOf(props)
  return (
    <g stroke="var(--soft)" strokeWidth="1" aria-hidden="true">
      <path d={`M${x} ${y} h${marks.at(-1)?.px ?? 0}`} />
      {marks.map(({ px, word }) => (
        <g key={px}>
          <path d={`M${x + px} ${y} v${word ? -5 : -3}`} />
          {word ? (
            <text x={x + px} y={y + 13} textAnchor="middle" stroke="none" className="fill-soft" style={{ fontSize: letterPx }}>
              {word}
            </text>
          ) : null}
        </g>
      ))}
    </g>
  )
}

/** A ruler beside an upright body, from its lowest place up. */
export function StandingRuler(props: RulerProps) {
  const [x, y] = props.from
  const marks = marksOf(props)
  return (
    <g stroke="var(--soft)" strokeWidth="1" aria-hidden="true">
      <path d={`M${x} ${y} v${-(marks.at(-1)?.px ?? 0)}`} />
      {marks.map(({ px, word }) => (
        <g key={px}>
          <path d={`M${x} ${y - px} h${word ? -5 : -3}`} />
          {word ? (
            <text
              x={x - 7}
              y={y - px + (px === 0 ? 0 : 4)}
              textAnchor="end"
              stroke="none"
              className="fill-soft"
              style={{ fontSize: letterPx }}
            >
              {word.replace(/ cm| in/, '')}
            </text>
          ) : null}
        </g>
      ))}
    </g>
  )
}
