import { CategoryScale, Chart, Legend, LinearScale, LineController, LineElement, PointElement, Tooltip } from 'chart.js'
import { useEffect, useRef } from 'react'
import type { Trend } from '#contract/views/trends'
import { formatDayAndClock } from '../../parts/format-time'
import { ToneShape } from '../../parts/tone-shape'
import '../../parts/chart-face'
import { useShownTheme } from '../../parts/use-shown-theme'

Chart.register(CategoryScale, LinearScale, LineController, LineElement, PointElement, Tooltip, Legend)

const shapes = ['circle', 'rectRot', 'triangle', 'rect', 'crossRot', 'star'] as const
const dashes: readonly (readonly number[])[] = [[], [6, 4], [2, 3], [10, 4, 2, 4], [4, 2], [1, 4]]
const mostLines = 6
const mostShown = 5

/** Skin, fit and load over the days: what changed as lines, told apart by shape and dash, all of it in the table. */
export function CareTrend({ trends }: { trends: readonly Trend[] }) {
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
              {trend.points.slice(-mostShown).map((point, index) => (
                <li key={`${point.at} ${index}`}>
                  <span className="numeral">{formatDayAndClock(Date.parse(point.at))}</span>{' '}
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
  const canvas = useRef<HTMLCanvasElement>(null)
  const theme = useShownTheme()
  useEffect(() => {
    if (!canvas.current) return
    const styles = getComputedStyle(document.documentElement)
    const tone = (name: string): string => styles.getPropertyValue(name).trim()
    const times = [...new Set(trends.flatMap((trend) => trend.points.map((point) => point.at)))].sort(
      (a, b) => Date.parse(a) - Date.parse(b),
    )
    const most = Math.max(...trends.map((trend) => (trend.grades?.length ?? 1) - 1))
    const chart = new Chart(canvas.current, {
      type: 'line',
      data: {
        labels: times.map((at) => formatDayAndClock(Date.parse(at))),
        datasets: trends.map((trend, index) => ({
          label: trend.label,
          data: times.map((at) => trend.points.find((point) => point.at === at)?.value ?? null),
          borderColor: tone(trend.isWorse ? '--caution' : '--ink'),
          backgroundColor: tone(trend.isWorse ? '--caution' : '--ink'),
          pointStyle: shapes[index % shapes.length]!,
          borderDash: [...dashes[index % dashes.length]!],
          pointRadius: 5,
          borderWidth: 2,
          spanGaps: true,
        })),
      },
      options: {
        animation: false,
        maintainAspectRatio: false,
        color: tone('--ink'),
        scales: {
          x: { ticks: { color: tone('--soft'), maxRotation: 0, autoSkipPadding: 12 }, grid: { color: tone('--line') } },
          y: {
            min: 0,
            max: most,
            reverse: true,
            ticks: { color: tone('--soft'), stepSize: 1, callback: (value) => (Number(value) === 0 ? 'well' : `grade ${value}`) },
            grid: { color: tone('--line') },
          },
        },
        plugins: { legend: { labels: { usePointStyle: true, color: tone('--ink') } } },
      },
    })
    return () => chart.destroy()
  }, [trends, theme])
  return (
    <div className="h-52 rounded-2xl border border-line bg-sheet p-3">
      <canvas ref={canvas} role="img" aria-label="Trend of what care found; the same stands in the list below" />
    </div>
  )
}
