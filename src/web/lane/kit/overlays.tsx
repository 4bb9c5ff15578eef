import type { GirthSource } from './girth-text'
import type { Point } from '#core/drawing/points'

/** Letters of a path, two places each. */
export const xy = ([x, y]: Point): string => `${x.toFixed(2)} ${y.toFixed(2)}`

const dashes: Readonly<Record<GirthSource, string | undefined>> = {
  'drawn-side': undefined,
  'other-side': '1 0.7',
  estimated: '0.05 0.45',
}

/** A tape round a limb at a station: a line that bends toward the reader. Broken where the girth is estimated; lit while it is in hand. */
export function TapeLine({
  from,
  to,
  bend,
  source,
  isLit,
  tone,
  onPick,
}: {
  from: Point
  to: Point
  /** How far its middle lies off the straight line, cm across and down the page. */
  bend: Point
  /** What was read on the other side is dashed, an estimate dotted. */
  source: GirthSource
  isLit: boolean
  /** What stands there, told in words beside it as well. */
  tone?: 'calm' | 'caution' | 'stop' | undefined
  onPick?: (() => void) | undefined
}) {
  const middle: Point = [(from[0] + to[0]) / 2 + bend[0], (from[1] + to[1]) / 2 + bend[1]]
  const curve = `M${xy(from)} Q${xy(middle)} ${xy(to)}`
  return (
    <g onClick={onPick} className={onPick ? 'cursor-pointer' : ''} fill="none">
      <path d={curve} stroke="transparent" strokeWidth="2.4" />
      {tone ? <path d={curve} stroke={`var(--${tone})`} strokeWidth="0.9" strokeLinecap="round" opacity="0.85" /> : null}
      {isLit ? <path d={curve} stroke="var(--citrus)" strokeWidth="1" strokeLinecap="round" opacity="0.9" /> : null}
      <path
        d={curve}
        stroke={isLit ? 'var(--ink)' : 'var(--skin-edge)'}
        strokeWidth={isLit ? 0.26 : 0.18}
        strokeLinecap="round"
        strokeDasharray={dashes[source]}
      />
    </g>
  )
}

/** A place on the body: a dot, a broken line where it is hurt. */
export function Landmark({ at, kind, isLit }: { at: Point; kind: string; isLit: boolean }) {
  return (
    <g transform={`translate(${xy(at)})`}>
      {isLit ? <circle r="1.4" fill="var(--citrus)" opacity="0.85" /> : null}
      {kind === 'injury' ? (
        <path d="M-0.9 -1.6 L0.3 -0.3 L-0.5 0.2 L0.8 1.7" fill="none" stroke="var(--stop)" strokeWidth="0.42" strokeLinejoin="round" />
      ) : (
        <circle r="0.42" fill={isLit ? 'var(--ink)' : 'var(--skin-edge)'} stroke="var(--sheet)" strokeWidth="0.12" />
      )}
    </g>
  )
}
