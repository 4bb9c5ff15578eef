import type { CurveScene } from '#core/practice/bench'

const [widthPx, heightPx] = [108, 60]

/** The curves of a bench as a small picture, without axes' figures. */
export function CurvesOnCard({ scene }: { scene: CurveScene }) {
  const points = scene.lines.flatMap((line) => line.points)
  const xs = points.map(([x]) => x)
  const ys = points.flatMap(([, y]) => (y === null ? [] : [y]))
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys, 0), Math.max(...ys)]
  const at = ([x, y]: readonly [number, number]): string =>
    `${(((x - x0) / (x1 - x0 || 1)) * (widthPx - 4) + 2).toFixed(1)} ${(heightPx - 3 - ((y - y0) / (y1 - y0 || 1)) * (heightPx - 6)).toFixed(1)}`
  return (
    <svg viewBox={`0 0 ${widthPx} ${heightPx}`} className="w-full">
      <path d={`M2 ${heightPx - 2} H${widthPx - 2}`} stroke="var(--line)" strokeWidth="2" />
      {scene.lines.map((line) => (
        <path
          key={line.label}
          d={line.points.flatMap(([x, y], index) => (y === null ? [] : [`${index === 0 ? 'M' : 'L'}${at([x, y])}`])).join(' ')}
          fill="none"
          stroke={`var(--${line.tone})`}
          strokeWidth="2"
          strokeDasharray={line.isDashed ? '4 3' : undefined}
        />
      ))}
    </svg>
  )
}
