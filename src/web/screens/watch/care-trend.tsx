import { momentBefore, useMoment } from '../../sync/use-moment'
import { useMemo } from 'react'
import type { Trend } from '#ward/rounds/trends'
import { ToneShape } from '../../parts/tone-shape'
import { StripChart, type ChartStrip } from '../../parts/strip-chart'

const mostLines = 6
const mostShown = 5

/** Skin, fit and load over the days: what changed as lines, a strip each in named lanes, all of it in the list. */
export function CareTrend({ trends }: { trends: readonly Trend[] }) {
  const moment = useMoment()
  const changed = trends
    .filter((trend) => trend.grades !== null && new Set(trend.points.map((point) => point.value)).size > 1)
    .slice(0, mostLines)
  return (
    <section aria-labelledby="care-trend" className="grid gap-2">
      <h2 id="care-trend" className="font-bold">
        Care over time
      </h2>
      {changed.length > 0 ? <GradeChart trends={changed} /> : null}
      <ul className="grid gap-1.5">
        {trends.map((trend) => (
          <li key={trend.id} className="rounded-xl border border-line bg-sheet px-3 py-2">
            <p className="flex flex-wrap items-center gap-x-2 font-semibold">
              {trend.label}
              {trend.isWorse ? (
                <span className="inline-flex items-center gap-1 font-bold text-caution">
                  <ToneShape tone="caution" size={14} /> getting worse
                </span>
              ) : null}
            </p>
            <ol className="flex flex-wrap gap-x-4 text-sm text-soft">
              {trend.points.slice(-mostShown).map((point, index, all) => (
                <li key={`${point.at} ${index}`}>
                  <span className="numeral">{moment(Date.parse(point.at), momentBefore(all, index))}</span>{' '}
                  <strong className="text-ink">{point.words}</strong>
                </li>
              ))}
            </ol>
          </li>
        ))}
      </ul>
    </section>
  )
}

function GradeChart({ trends }: { trends: readonly Trend[] }) {
  const strips = useMemo(
    () =>
      trends.map(({ id, label, isWorse, grades, points }): ChartStrip => ({
        id,
        label,
        tone: isWorse ? 'caution' : 'ink',
        lanes: grades ?? [],
        range: [0, Math.max(1, (grades?.length ?? 1) - 1)],
        points: points.map(({ at, value, words }) => ({ atMs: Date.parse(at), value, words })),
      })),
    [trends],
  )
  return <StripChart name="Trend of what care found; the same stands in the list below" strips={strips} />
}
